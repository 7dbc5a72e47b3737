import { itemForSetting, type EscProfile } from '#core/esc/profile';
import { snapToStop } from '#core/esc/snap';
import { CHEMISTRIES, estimateCellResistance } from '#core/physics/pack';
import { chargeWattHours, misreadBelowVolts, twoLoadOhm } from '#core/rig/calculators/packTest';
import { leadOhm, PLUGS, type Plug } from '#core/rig/calculators/wire';
import type { QuantityPath } from '#core/rig/fields';
import type { Rig } from '#core/rig/rig';
import { perPack } from '#core/settings/cutoff';
import { formatNumber } from '#core/units/format';
import type { Quantity } from '#core/units/provenance';
import { useState } from 'react';
import { INPUT } from '../formParts';
import { Calculator } from './Calculator';
import { Sums } from './Sums';

interface Props {
  rig: Rig;
  profile: EscProfile | undefined;
  onFill: (path: QuantityPath, quantity: Quantity) => void;
}

/** What can be worked out about a pack: its resistance, its wires, its cutoffs, its energy. */
export function PackSums({ rig, profile, onFill }: Props) {
  const { chemistry, cells, capacityAh } = rig.pack;
  const volts = (value: number, decimals = 2): string => `${formatNumber(value, decimals)}\u00a0V`;
  return (
    <Sums title="Calculate: resistance, wires, cutoffs, energy">
      {() => (
        <>
          {cells > 1 && (
            <p className="mt-2 text-sm">
              An automatic cell count takes {cells} cells for {cells - 1} if they rest at{' '}
              <strong>{volts(misreadBelowVolts(chemistry, cells))} or less</strong> each. Then every cutoff is
              too low: fix the count where the pack is always the same.
            </p>
          )}
          <Calculator
            title="Resistance from two loads"
            how="Two steady currents a few seconds apart. Read the volts at the pack’s plug each time."
            asked={[
              { key: 'v1', label: 'light: volts', unit: 'V' },
              { key: 'a1', label: 'amperes', unit: 'A' },
              { key: 'v2', label: 'heavy: volts', unit: 'V' },
              { key: 'a2', label: 'amperes', unit: 'A' },
            ]}
            compute={({ v1, a1, v2, a2 }) => twoLoadOhm({ volts: v1, amps: a1 }, { volts: v2, amps: a2 })}
            show={(ohm) => (
              <strong>
                {formatNumber(ohm * 1000, 1)} mΩ for the pack, {formatNumber((ohm / cells) * 1000, 2)} mΩ a
                cell
              </strong>
            )}
            use={{
              label: () => 'Use it as measured',
              take: (ohm) => onFill('pack.cellResistanceOhm', { value: ohm / cells, basis: 'measured' }),
            }}
          />
          <Calculator
            title="Resistance from the label"
            how="An estimate from capacity and rating: it can be off by a factor of 1.5. Old or cold packs have more."
            asked={[
              { key: 'mah', label: 'capacity', unit: 'mAh', start: formatNumber(capacityAh.value * 1000, 0) },
              { key: 'rating', label: 'rating', unit: 'C', start: formatNumber(rig.pack.ratingC.value, 0) },
            ]}
            compute={({ mah, rating }) =>
              mah > 0
                ? { ok: true, value: estimateCellResistance(mah / 1000, rating) }
                : { ok: false, problems: [{ path: '', sentence: 'The capacity must be above zero.' }] }
            }
            show={(ohm) => <strong>about {formatNumber(ohm * 1000, 2)} mΩ a cell</strong>}
            use={{
              label: () => 'Use it as assumed',
              take: (ohm) => onFill('pack.cellResistanceOhm', { value: ohm, basis: 'assumed' }),
            }}
          />
          <Wires onFill={onFill} />
          <Calculator
            title="Convert a cutoff"
            how={`For ${cells} cells. The ESC’s manual says which one it wants. A pack total typed as volts per cell ruins a pack.`}
            asked={[{ key: 'volts', label: 'volts a cell', unit: 'V', start: '3.3' }]}
            compute={({ volts: wanted }) => ({ ok: true, value: wanted })}
            show={(wanted) => (
              <>
                {volts(wanted)} a cell · <strong>{volts(perPack(wanted, cells))} the whole pack</strong> · on
                a grid of even tenths {volts(Math.ceil(perPack(wanted, cells) * 5 - 1e-9) / 5, 1)}
                {profile && onThisEsc(profile, wanted, cells)}
              </>
            )}
          />
          <Calculator
            title="Energy to charge"
            how={`${CHEMISTRIES[chemistry]}, ${cells} cells. The charger draws 5 to 15 % more from the wall.`}
            asked={[
              { key: 'from', label: 'from', unit: '%', start: '20' },
              { key: 'to', label: 'to', unit: '%', start: '100' },
            ]}
            compute={({ from, to }) =>
              from >= 0 && to <= 100 && from < to
                ? {
                    ok: true,
                    value: chargeWattHours(chemistry, cells, capacityAh.value, from / 100, to / 100),
                  }
                : {
                    ok: false,
                    problems: [
                      {
                        path: '',
                        sentence: '“From” must be lower than “to”. Both must be between 0 and 100 %.',
                      },
                    ],
                  }
            }
            show={(wattHours) => <strong>{formatNumber(wattHours, 1)} Wh</strong>}
          />
        </>
      )}
    </Sums>
  );
}

function onThisEsc(profile: EscProfile, wanted: number, cells: number): string {
  const item = itemForSetting(profile, 'cutoff');
  const snapped = item && snapToStop(item, wanted, cells);
  return snapped ? ` · on the ${profile.name}: “${snapped.stop.label}”, stop ${snapped.stop.number}` : '';
}

function Wires({ onFill }: Pick<Props, 'onFill'>) {
  const [plug, setPlug] = useState<Plug>('pin5');
  return (
    <>
      <Calculator
        key={plug}
        title="Wires and plugs"
        how="Wires from pack to ESC, counted both ways. AWG 12 has 5.2 mΩ per metre, 16 has 13.2."
        asked={[
          { key: 'gauge', label: 'gauge', unit: 'AWG', start: '12' },
          { key: 'length', label: 'length', unit: 'cm', start: '20' },
          { key: 'pairs', label: 'plugs on the way', unit: '', start: '1' },
        ]}
        compute={({ gauge, length, pairs }) =>
          gauge >= 0 && gauge <= 40 && length >= 0 && pairs >= 0
            ? { ok: true, value: leadOhm(gauge, length / 100, plug, pairs) }
            : {
                ok: false,
                problems: [
                  { path: '', sentence: 'Gauge must be 0 to 40. Length and plugs cannot be negative.' },
                ],
              }
        }
        show={(ohm) => <strong>{formatNumber(ohm * 1000, 2)} mΩ</strong>}
        use={{
          label: () => 'Use it',
          take: (ohm) => onFill('pack.leadResistanceOhm', { value: ohm, basis: 'given' }),
        }}
      />
      <label className="mt-1 flex items-center gap-2 text-sm">
        Plugs
        <select
          value={plug}
          onChange={(event) => setPlug(event.target.value as Plug)}
          className={`${INPUT} text-base`}
        >
          {Object.entries(PLUGS).map(([id, { name }]) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
    </>
  );
}
