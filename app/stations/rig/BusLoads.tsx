import { becBudget, busLoad, LOAD_KINDS, type BusLoad, type LoadKind } from '#core/rig/busLoads';
import type { EscLimits } from '#core/esc/profile';
import type { Rig } from '#core/rig/rig';
import { formatNumber } from '#core/units/format';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { INPUT } from './formParts';
import { readNumber } from '#core/units/readNumber';
import { MOST_BUS_LOADS } from './rigForm';

interface Props {
  rig: Rig;
  bec: EscLimits | undefined;
  problemAt: (name: string) => string | undefined;
}

interface TypedLoad {
  name: string;
  kind: LoadKind;
  count: string;
  maxVolts: string;
  movingAmps: string;
  stallAmps: string;
}

const NUMBERS = ['count', 'maxVolts', 'movingAmps', 'stallAmps'] as const;

const typedFrom = (load: BusLoad): TypedLoad => ({
  name: load.name,
  kind: load.kind,
  count: String(load.count),
  maxVolts: formatNumber(load.maxVolts, 2),
  movingAmps: formatNumber(load.movingAmps, 3),
  stallAmps: formatNumber(load.stallAmps, 3),
});

const EMPTY: TypedLoad = { ...typedFrom(busLoad('standard')), name: '', maxVolts: '' };

/** Everything on the BEC, with what it draws, and what that adds up to. */
export function BusLoads({ rig, bec, problemAt }: Props) {
  const [loads, setLoads] = useState<TypedLoad[]>(() => {
    const known = rig.busLoads.map(typedFrom);
    return [...known, ...Array.from({ length: Math.max(1, 2 - known.length) }, () => EMPTY)];
  });
  const change = (place: number, part: Partial<TypedLoad>): void =>
    setLoads(loads.map((load, n) => (n === place ? { ...load, ...part } : load)));
  const chooseKind = (place: number, kind: LoadKind): void => {
    const usual = typedFrom(busLoad(kind));
    const { name, count } = loads[place]!;
    change(place, { ...usual, name: name || LOAD_KINDS[kind].name, count });
  };
  return (
    <>
      {loads.map((load, place) => {
        const problem = ['name', ...NUMBERS]
          .map((key) => problemAt(`bus.${place}.${key}`))
          .find((sentence) => sentence !== undefined);
        const invalid = problem !== undefined;
        return (
          <div key={place} className="border-b border-rule py-2">
            <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
              <input
                name={`bus.${place}.name`}
                value={load.name}
                onChange={(event) => change(place, { name: event.target.value })}
                aria-label={`Type, ${place + 1}`}
                placeholder={place === 0 ? 'steering servo' : ''}
                className={`${INPUT} w-44`}
                aria-invalid={invalid}
              />
              <select
                name={`bus.${place}.kind`}
                value={load.kind}
                onChange={(event) => chooseKind(place, event.target.value as LoadKind)}
                aria-label={`Its class, ${place + 1}`}
                className={INPUT}
              >
                {Object.entries(LOAD_KINDS).map(([kind, { name }]) => (
                  <option key={kind} value={kind}>
                    {name}
                  </option>
                ))}
              </select>
              <Amount
                place={place}
                load={load}
                part="count"
                label="How many"
                after="of them"
                onChange={change}
              />
              <Amount
                place={place}
                load={load}
                part="maxVolts"
                label="Highest voltage"
                after="V at most"
                onChange={change}
                invalid={invalid}
              />
              <Amount
                place={place}
                load={load}
                part="movingAmps"
                label="Moving current"
                after="A moving"
                onChange={change}
              />
              <Amount
                place={place}
                load={load}
                part="stallAmps"
                label="Stall current"
                after="A stalled"
                onChange={change}
              />
            </div>
            {problem && <p className="mt-1 text-sm font-bold text-hazard">{problem}</p>}
          </div>
        );
      })}
      {loads.length < MOST_BUS_LOADS && (
        <Button look="quiet" className="mt-2" onClick={() => setLoads([...loads, EMPTY])}>
          Add another
        </Button>
      )}
      <Budget rig={rig} bec={bec} loads={loads} />
    </>
  );
}

interface AmountProps {
  place: number;
  load: TypedLoad;
  part: (typeof NUMBERS)[number];
  label: string;
  after: string;
  onChange: (place: number, part: Partial<TypedLoad>) => void;
  invalid?: boolean;
}

const Amount = ({ place, load, part, label, after, onChange, invalid }: AmountProps) => (
  <span className="flex items-center gap-1.5">
    <input
      name={`bus.${place}.${part}`}
      value={load[part]}
      onChange={(event) => onChange(place, { [part]: event.target.value })}
      aria-label={`${label}, ${place + 1}`}
      inputMode="decimal"
      className={`${INPUT} ${part === 'count' ? 'w-14' : 'w-18'} text-right`}
      aria-invalid={invalid}
    />
    <span className="text-sm">{after}</span>
  </span>
);

/** What moves together, against what the BEC gives. */
function Budget({ rig, bec, loads }: { rig: Rig; bec: EscLimits | undefined; loads: TypedLoad[] }) {
  const read = loads
    .filter(({ name }) => name !== '')
    .map((load) => ({
      ...busLoad(load.kind, Math.max(1, Math.round(readNumber(load.count) ?? 1))),
      movingAmps: readNumber(load.movingAmps) ?? 0,
      stallAmps: readNumber(load.stallAmps) ?? 0,
    }));
  if (read.length === 0) return null;
  const { idleAmps, movingAmps, worstAmps } = becBudget(read);
  const amps = (value: number): string => `${formatNumber(value, 1)}\u00a0A`;
  const gives = rig.externalBec?.continuousAmps ?? bec?.becContinuousAmps;
  const word =
    gives === undefined || gives === 0
      ? undefined
      : movingAmps > gives
        ? 'Too much: the bus will brown out. That looks like a low-battery cutoff. Use an external BEC.'
        : worstAmps > gives
          ? 'Enough while servos move. Two heavy servos stalled at once can pull the bus down.'
          : 'Enough, even with the two heaviest servos stalled.';
  return (
    <p className="mt-3 border-l-4 border-advised pl-3" role="status">
      At rest {amps(idleAmps)}, all moving <strong>{amps(movingAmps)}</strong>, with the two heaviest stalled{' '}
      <strong>{amps(worstAmps)}</strong>
      {gives ? <>; the BEC gives {amps(gives)}.</> : '.'} {word}
    </p>
  );
}
