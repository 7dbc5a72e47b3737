/**
 * Numbers that a hand wrote down, held against the model. A run of minutes is slow to drive, so its numbers are worked out at one
 * place with how each parameter moves them, and taken as straight from there; a fit asks anew where it has come to.
 */
import type { Rig } from '../../rig/rig';
import { predictedReadings, type Driven, type OnRig } from '../predicted';
import type { Reading, ReadingId } from '../readings';
import type { QuantityPath } from '../../rig/fields';
import { rigAt, type Parameter } from './parameters';

/** A run of which a hand wrote something down. */
export interface RunByHand {
  number: number;
  run: Driven;
  readings: readonly Reading[];
}

/** How far one run may differ from the next by itself, as logarithms: each moves what a number of the rig moves. From memory. */
const PECULIAR = {
  pull: { of: ['inUse.howHard'], size: 0.05 },
  cooling: { of: ['inUse.motorCooling', 'inUse.escCooling'], size: 0.1 },
} as const satisfies Record<string, { of: readonly QuantityPath[]; size: number }>;
const PECULIARITIES = Object.values(PECULIAR);
/** How many parameters a run has of its own. */
export const OF_A_HAND_RUN = PECULIARITIES.length;

/** How far off a hand's number is, as a share of it, or in kelvin. From memory: by thermometer, charger, stopwatch and tape. */
const HAND_ERROR: Record<ReadingId, number> = {
  canCelsius: 3,
  escCelsius: 3,
  packCelsius: 3,
  lowestVolts: 0.01,
  topRpm: 0.015,
  putBackMah: 0.04,
  lapSeconds: 0.03,
  topSpeedKmh: 0.02,
  stopMetres: 0.1,
  slowStopMetres: 0.15,
  first20Seconds: 0.05,
};
const inKelvin = (kind: ReadingId): boolean => kind.endsWith('Celsius');

/** How far off a hand's number may be, one standard deviation, in its own unit. */
export const handError = (kind: ReadingId, value: number): number =>
  inKelvin(kind) ? HAND_ERROR[kind] : HAND_ERROR[kind] * Math.abs(value);

/** What is compared: temperatures as they are, all else by shares. */
const scaleOf = (kind: ReadingId, value: number): number =>
  inKelvin(kind) ? value : Math.log(Math.max(value, 1e-6));

interface HandRow {
  run: number;
  /** At the place, in standard deviations; and how each parameter of the rig moves it. */
  off: number;
  slopes: Float64Array;
  /** The same of what is peculiar to the run. */
  peculiar: number[];
}

export interface HandRows {
  rows: readonly HandRow[];
  /** The place that they are straight about. */
  about: Float64Array;
}

const STEP = 0.1;

/** How a hand's numbers lie about a place of the parameters. @throws {Error} where the rig's numbers lead nowhere */
export function handRowsAbout(
  on: OnRig,
  rig: Rig,
  parameters: readonly Parameter[],
  runs: readonly RunByHand[],
  about: Float64Array,
): HandRows {
  // Runs that were driven alike are worked out once.
  const known = new Map<string, ReturnType<typeof aboutOne>>();
  const rows = runs.flatMap(({ run, readings }, index) => {
    const kinds = readings.map(({ kind }) => kind);
    const key = JSON.stringify([run.held, run.byHand, run.minutes, run.airCelsius, kinds]);
    const found = known.get(key) ?? aboutOne(on, rig, parameters, { run, kinds }, about);
    known.set(key, found);
    return readings.flatMap(({ kind, value }): HandRow[] => {
      const told = found(kind);
      if (!told) return [];
      const error = HAND_ERROR[kind];
      const slopes = told.slopes.map((slope) => -slope / error);
      return [
        {
          run: index,
          off: (scaleOf(kind, value) - told.at) / error,
          slopes,
          peculiar: PECULIARITIES.map(({ of, size }) =>
            of.reduce((sum, path) => {
              const place = parameters.findIndex((one) => one.path === path);
              return place < 0 ? sum : sum + (slopes[place]! * size) / parameters[place]!.spread;
            }, 0),
          ),
        },
      ];
    });
  });
  return { rows, about: Float64Array.from(about) };
}

/** A run's numbers at a place, and their slopes; by the kind of number. */
function aboutOne(
  on: OnRig,
  rig: Rig,
  parameters: readonly Parameter[],
  { run, kinds }: { run: Driven; kinds: readonly ReadingId[] },
  about: Float64Array,
): (kind: ReadingId) => { at: number; slopes: Float64Array } | undefined {
  const told = (u: Float64Array) => predictedReadings({ ...on, rig: rigAt(rig, parameters, u) }, run, kinds);
  const base = told(about);
  const beside = parameters.map((_, n) => {
    const there = Float64Array.from(about);
    there[n]! += STEP;
    return told(there);
  });
  return (kind) => {
    const value = base[kind];
    if (value === undefined) return undefined;
    const at = scaleOf(kind, value);
    return {
      at,
      slopes: Float64Array.from(beside, (other) =>
        other[kind] === undefined ? 0 : (scaleOf(kind, other[kind]) - at) / STEP,
      ),
    };
  };
}

/** The residuals of hand-written numbers. @param own what is peculiar to each run, `OF_A_HAND_RUN` for each */
export function handResiduals(
  { rows, about }: HandRows,
  u: ArrayLike<number>,
  own: ArrayLike<number>,
): Float64Array {
  return Float64Array.from(rows, ({ run, off, slopes, peculiar }) => {
    let sum = off;
    for (let n = 0; n < slopes.length; n += 1) sum += slopes[n]! * (u[n]! - about[n]!);
    peculiar.forEach((slope, n) => (sum += slope * own[run * OF_A_HAND_RUN + n]!));
    return sum;
  });
}
