/** What a motor's magnets hold, from the slope on which the model begins to roll. */
import { GRAVITY, motorConstant } from '../../units/convert';
import type { Problem, Result } from '../../units/problem';
import type { Motor, WheeledVehicle } from '../rig';

/**
 * Detent torque of a motor at rest, N·m: what pulls down the slope, through wheels and gears at the motor's shaft, less what
 * rolling resistance and its own friction hold. Statics: m·g·(sin φ − C_rr·cos φ)·r·η/G − K·I₀.
 * @param degrees at which it just begins to roll, its ESC switched off, no motor lead shorted
 */
export function detentFromSlope(
  { massKg, wheelDiameterM, finalDrive, rollingResistance, drivelineEfficiency }: WheeledVehicle,
  { kvRpmPerVolt, noLoadCurrentA }: Motor,
  motorCount: number,
  degrees: number,
): Result<number> {
  if (!(degrees > 0 && degrees < 60)) return refused('Type a slope between 0 and 60°.');
  const angle = (degrees * Math.PI) / 180;
  const pull =
    (massKg.value / motorCount) * GRAVITY * (Math.sin(angle) - rollingResistance.value * Math.cos(angle));
  const atShaft = (pull * (wheelDiameterM.value / 2) * drivelineEfficiency.value) / finalDrive.value;
  const detent = atShaft - motorConstant(kvRpmPerVolt.value) * noLoadCurrentA.value;
  return detent >= 0
    ? { ok: true, value: detent }
    : refused(
        'Rolling resistance and motor friction alone should hold it there. Check those first, or the slope.',
      );
}

const refused = (sentence: string): { ok: false; problems: Problem[] } => ({
  ok: false,
  problems: [{ path: 'degrees', sentence }],
});
