import { detentFromSlope } from '#core/rig/calculators/detent';
import type { QuantityPath } from '#core/rig/fields';
import type { Rig, WheeledVehicle } from '#core/rig/rig';
import { formatNumber } from '#core/units/format';
import type { Quantity } from '#core/units/provenance';
import { Calculator } from './Calculator';
import { Sums } from './Sums';

interface Props {
  rig: Rig;
  vehicle: WheeledVehicle;
  onFill: (path: QuantityPath, quantity: Quantity) => void;
}

/** What the motor's magnets hold, measured with a board and the angle at which the model begins to roll. */
export function DetentSum({ rig, vehicle, onFill }: Props) {
  return (
    <Sums title="Calculate: holding torque of the magnets">
      {() => (
        <>
          <Calculator
            title="On a slope"
            how="Unplug the pack. Put the model on a board and lift one end slowly. Read the angle where it just starts to roll. Uses the saved mass, wheels and final drive."
            asked={[{ key: 'degrees', label: 'starts to roll at', unit: '°' }]}
            compute={({ degrees }) => detentFromSlope(vehicle, rig.motor, rig.motorCount, degrees)}
            show={(torque) => <strong>{formatNumber(torque * 1000, 1)} mN·m</strong>}
            use={{
              label: () => 'Use it as measured',
              take: (value) => onFill('motor.detentNm', { value, basis: 'measured' }),
            }}
          />
        </>
      )}
    </Sums>
  );
}
