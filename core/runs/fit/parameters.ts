/** What a fit may move: the numbers of a rig, each about where it was, and what is peculiar to sensors and single runs. */
import { quantityAt, rigField, withQuantity, type QuantityPath } from '../../rig/fields';
import type { Rig } from '../../rig/rig';
import { spreadsOf } from '../../rig/spreads';
import { spreadInLog } from '../priors';

/** A number of the rig. It is moved in units of how far off it may be, on a logarithmic scale: so all of them are alike. */
export interface Parameter {
  path: QuantityPath;
  label: string;
  /** Where it was before any run had told, SI. */
  centre: number;
  /** Standard deviation of its logarithm. */
  spread: number;
}

/** @param rig before any fit */
export const parametersOf = (rig: Rig): Parameter[] =>
  spreadsOf(rig).flatMap((spread) => {
    const { value, basis } = quantityAt(rig, spread.path);
    // What is nothing has no logarithm, and stays nothing.
    if (value <= 0) return [];
    return [{ path: spread.path, label: spread.label, centre: value, spread: spreadInLog(spread, basis) }];
  });

/** A parameter's value at a place, within the bounds of its field. @param u in standard deviations of where it was */
export function valueAt({ path, centre, spread }: Parameter, u: number): number {
  const { least, most } = rigField(path);
  return Math.max(least, Math.min(most, centre * Math.exp(u * spread)));
}

/** The rig with all parameters at their places. */
export const rigAt = (rig: Rig, parameters: readonly Parameter[], u: ArrayLike<number>): Rig =>
  parameters.reduce(
    (so, parameter, n) =>
      // Given, so that no guess follows it: each is moved by itself.
      withQuantity(so, parameter.path, { value: valueAt(parameter, u[n]!), basis: 'given' }),
    rig,
  );

/** How far off a model's sensors may be, the same in all its runs. From memory. */
export const SENSORS = {
  ampsGain: 0.02,
  ampsZero: 0.3,
  voltsGain: 0.004,
  canOffset: 1.5,
  escOffset: 1.5,
} as const;
export type SensorKey = keyof typeof SENSORS;
export const SENSOR_KEYS = Object.keys(SENSORS) as SensorKey[];

/** How far one run may differ from the next. From memory: charge as a share, ground and cooling in logarithms, air in kelvin, what servos draw in A, and how
 * much more heat there was than the samples show, since a brake is hot for a moment between two of them, as a logarithm. */
export const OF_A_RUN = {
  charge: 0.02,
  ground: 0.1,
  cooling: 0.1,
  airKelvin: 1.5,
  servoAmps: 0.4,
  heat: 0.06,
} as const;
export type RunKey = keyof typeof OF_A_RUN;
export const RUN_KEYS = Object.keys(OF_A_RUN) as RunKey[];

/** A place of the whole fit: rig, sensors, then each run. All in standard deviations. */
export interface Place {
  rig: ArrayLike<number>;
  sensors: Record<SensorKey, number>;
  runs: Record<RunKey, number>[];
}

/** Takes a plain vector apart. */
export function placeOf(u: ArrayLike<number>, rigCount: number, runCount: number): Place {
  let at = rigCount;
  const next = <K extends string>(keys: readonly K[], size: Record<K, number>): Record<K, number> =>
    Object.fromEntries(keys.map((key) => [key, size[key] * u[at++]!])) as Record<K, number>;
  return {
    rig: Array.from({ length: rigCount }, (_, n) => u[n]!),
    sensors: next(SENSOR_KEYS, SENSORS),
    runs: Array.from({ length: runCount }, () => next(RUN_KEYS, OF_A_RUN)),
  };
}

export const placeLength = (rigCount: number, runCount: number): number =>
  rigCount + SENSOR_KEYS.length + RUN_KEYS.length * runCount;
