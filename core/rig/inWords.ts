import { formatNumber } from '../units/format';
import type { Rig } from './rig';
import { VEHICLE_CLASSES } from './vehicleClass';

/** A rig as one line of a list has it. */
export interface RigInWords {
  /** Its class. */
  what: string;
  pack: string;
  motor: string;
}

export const rigInWords = ({ vehicleClass, pack, motor, motorCount }: Rig): RigInWords => ({
  what: VEHICLE_CLASSES[vehicleClass],
  pack: `${pack.cells} cells, ${formatNumber(pack.capacityAh.value * 1000, 0)} mAh`,
  motor: `${motorCount > 1 ? `${motorCount} × ` : ''}${formatNumber(motor.kvRpmPerVolt.value, 0)} kV`,
});
