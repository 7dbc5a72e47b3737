/** How fast a car's gearing lets its motor run it on a pack off the charger, without load. */
import { openCircuitVolts } from '../physics/pack';
import { speedWithoutLoad } from '../physics/tyre';
import { kmPerHour, motorConstant } from '../units/convert';
import type { Rig } from './rig';

/** The charge of a pack that has driven to the line: drills start there. */
export const AT_THE_LINE = 0.9;

/** Faster than this a car pitches over or breaks parts where it is stopped at once, km/h. Common practice. */
export const STOPPABLE_KMH = 15;

/** Speed without load, km/h; undefined for what has no wheels. */
export function noLoadKmh({ vehicle, motor, pack }: Rig): number | undefined {
  if (vehicle.kind !== 'wheels') return undefined;
  const volts = pack.cells * openCircuitVolts(pack.chemistry, AT_THE_LINE);
  const constant = motorConstant(motor.kvRpmPerVolt.value);
  return kmPerHour(
    speedWithoutLoad(volts, constant, vehicle.finalDrive.value, vehicle.wheelDiameterM.value / 2),
  );
}

/** Whether it runs too fast to be stopped or reversed at once. */
export const isFast = (rig: Rig): boolean => (noLoadKmh(rig) ?? 0) > STOPPABLE_KMH;
