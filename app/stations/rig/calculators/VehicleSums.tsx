import { finalDriveOf, speedPerThousandRpm } from '#core/rig/calculators/gearing';
import { propellerFigures, thrustCoefficientFrom } from '#core/rig/calculators/propellerFigures';
import type { QuantityPath } from '#core/rig/fields';
import type { PropellerVehicle, WheeledVehicle } from '#core/rig/rig';
import { GRAVITY, kmPerHour } from '#core/units/convert';
import { formatNumber } from '#core/units/format';
import type { Quantity } from '#core/units/provenance';
import { useState } from 'react';
import { NumberInput, Row } from '../formParts';
import { readNumber } from '#core/units/readNumber';
import { Calculator } from './Calculator';
import { Sums } from './Sums';

/** Teeth in, final drive out; saved with the form. */
export function GearingRow({
  vehicle,
  problemAt,
}: {
  vehicle: WheeledVehicle;
  problemAt: (name: string) => string | undefined;
}) {
  const { gearing, wheelDiameterM } = vehicle;
  const [typed, setTyped] = useState({
    spurTeeth: gearing ? String(gearing.spurTeeth) : '',
    pinionTeeth: gearing ? String(gearing.pinionTeeth) : '',
    internalRatio: gearing ? formatNumber(gearing.internalRatio, 4) : '1',
  });
  const [spurTeeth, pinionTeeth, internalRatio] = [
    readNumber(typed.spurTeeth),
    readNumber(typed.pinionTeeth),
    readNumber(typed.internalRatio),
  ];
  const finalDrive =
    spurTeeth && pinionTeeth && internalRatio
      ? finalDriveOf({ spurTeeth, pinionTeeth, internalRatio })
      : vehicle.finalDrive.value;
  const speed = kmPerHour(speedPerThousandRpm(finalDrive, wheelDiameterM.value));
  const fields = [
    ['spurTeeth', 'Spur', 'teeth'],
    ['pinionTeeth', 'Pinion', 'teeth'],
    ['internalRatio', 'Internal ratio', ''],
  ] as const;
  return (
    <>
      {fields.map(([key, label, unit]) => {
        const name = `gearing.${key}`;
        const problem = problemAt(name);
        return (
          <Row key={key} name={name} label={label} why={WHY[key]} problem={problem}>
            <NumberInput
              name={name}
              value={typed[key]}
              unit={unit}
              problem={problem}
              onTyped={(text) => setTyped({ ...typed, [key]: text })}
            />
          </Row>
        );
      })}
      <p className="border-l-4 border-advised py-1 pl-3" role="status">
        Final drive <strong>{formatNumber(finalDrive, 2)} : 1</strong>; every 1000 motor rpm are{' '}
        <strong>{formatNumber(speed, 2)} km/h</strong>.
      </p>
    </>
  );
}

const WHY = {
  spurTeeth: 'The large gear. With all three numbers, the final drive is computed.',
  pinionTeeth: 'On the motor’s shaft. One tooth more is faster and hotter.',
  internalRatio: 'From the spur’s shaft to the wheel, from the kit’s manual. 1 if there is none.',
} as const;

/** What a propeller does at a speed, and its coefficients from a stand. */
export function PropellerSums({
  vehicle,
  onFill,
}: {
  vehicle: PropellerVehicle;
  onFill: (path: QuantityPath, quantity: Quantity) => void;
}) {
  const diameter = vehicle.propellerDiameterM.value;
  const { thrustCoefficient, powerCoefficient, propellerPitchM } = vehicle;
  return (
    <Sums title="Calculate: propeller figures">
      {() => (
        <>
          <Calculator
            title="At a speed"
            how="Standing still, in air at sea level, from the coefficients above."
            asked={[{ key: 'rpm', label: 'propeller', unit: 'rpm', start: '8000' }]}
            compute={({ rpm }) => ({
              ok: true,
              value: propellerFigures(
                diameter,
                propellerPitchM.value,
                thrustCoefficient.value,
                powerCoefficient.value,
                rpm,
              ),
            })}
            show={(figures) => (
              <>
                <strong>{formatNumber((figures.thrustN / GRAVITY) * 1000, 0)} g</strong> of thrust,{' '}
                <strong>{formatNumber(figures.powerW, 0)} W</strong>, pitch speed{' '}
                {formatNumber(kmPerHour(figures.pitchSpeed), 0)} km/h, tips at{' '}
                {formatNumber(figures.tipSpeed, 0)} m/s
                {figures.figureOfMerit > 1 && '. More than physics allows: one coefficient is wrong'}
              </>
            )}
          />
          <Calculator
            title="Coefficient from a stand"
            how="Weigh thrust and read rpm at the same steady throttle. Propellers cut: tie the stand down and stay behind the disc."
            asked={[
              { key: 'grams', label: 'thrust', unit: 'g' },
              { key: 'rpm', label: 'at', unit: 'rpm' },
            ]}
            compute={({ grams, rpm }) =>
              grams > 0 && rpm > 0
                ? { ok: true, value: thrustCoefficientFrom((grams / 1000) * GRAVITY, rpm, diameter) }
                : { ok: false, problems: [{ path: '', sentence: 'Thrust and rpm must both be above zero.' }] }
            }
            show={(coefficient) => <strong>C_T {formatNumber(coefficient, 4)}</strong>}
            use={{
              label: () => 'Use it as measured',
              take: (value) => onFill('vehicle.thrustCoefficient', { value, basis: 'measured' }),
            }}
          />
        </>
      )}
    </Sums>
  );
}
