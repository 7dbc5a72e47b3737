/** Whether the model is proven for what is set: beyond, a verdict still warns, and prints no number of the model's. */
import { PROVEN_ADVANCE } from '../../physics/motor';
import { amountOf, type Situation } from './verdict';

/** The most advance that the model is proven for, electrical degrees. */
export const PROVEN_DEGREES = (PROVEN_ADVANCE * 180) / Math.PI;

/** What the end bell is turned to, electrical degrees: a turn of the rotor is one of its field for each pair of poles. */
export const endBellDegrees = ({ rig: { motor } }: Situation): number =>
  motor.endBellDegrees.value * motor.polePairs.value;

/** All advance at full throttle, electrical degrees. */
export const totalAdvanceOf = (situation: Situation): number =>
  (['advance', 'boost', 'turbo'] as const).reduce(
    (sum, setting) => sum + (amountOf(situation, setting) ?? 0),
    endBellDegrees(situation),
  );

export const isProven = (situation: Situation): boolean => totalAdvanceOf(situation) <= PROVEN_DEGREES + 1e-6;
