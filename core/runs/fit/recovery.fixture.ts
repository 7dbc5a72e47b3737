/** True models that are driven, fitted, and held against what they really were. */
import { usualGoals } from '../../advice/goals';
import { archetypeFor } from '../../archetypes/archetypes';
import { factoryStops } from '../../esc/profile';
import { rangeOf } from '../../radio/pulse';
import { defaultRig } from '../../rig/defaults';
import { quantityAt } from '../../rig/fields';
import { handValuesOf } from '../../rig/handValues';
import type { VehicleClass } from '../../rig/vehicleClass';
import { readByHand } from '../drive/byHand';
import { drive, logOf } from '../drive/drive';
import { trueModel } from '../drive/trueModel';
import type { OnRig } from '../predicted';
import type { ReadingId } from '../readings';
import type { Run } from '../run';
import { fitToRuns, type Fitted, type RefusedFit } from './fit';
import { offBy } from './leftOut';
import { runToFit, type RunToFit } from './runToFit';

/** What is driven for a recovery. */
export interface Recovery {
  vehicleClass: VehicleClass;
  seed: number;
  /** Whether the true model does what no model of ours does. */
  doesMore?: boolean;
  /** Whether a log is kept, or a hand writes down a few numbers. */
  by: 'log' | 'hand';
  runs?: number;
  minutes?: number;
}

const USUAL_MINUTES: Partial<Record<VehicleClass, number>> = { crawler: 12 };

/** A true model and its runs, as they would be fitted. */
export function recoveryOf({
  vehicleClass,
  seed,
  doesMore = seed % 2 === 0,
  by,
  runs: count = 3,
  minutes = USUAL_MINUTES[vehicleClass] ?? 5,
}: Recovery) {
  const rig = { ...defaultRig(vehicleClass), name: 'Test' };
  const { profile } = archetypeFor(vehicleClass);
  const goals = usualGoals(vehicleClass);
  const range = rangeOf(rig.channel);
  const on: OnRig = { rig, profile, range, goals };
  const model = trueModel(rig, seed, doesMore);
  const stops = factoryStops(profile);
  const held = profile.items.map(({ id }) => ({ itemId: id, stopId: stops[id] })) as Run['held'];
  const runs = Array.from({ length: count }, (_, n): RunToFit => {
    const number = n + 1;
    const run = { held, byHand: handValuesOf(rig), airCelsius: 20, minutes, readings: [] };
    const driven = drive(model, { number, profile, stops, range, use: goals.use, run, minutes });
    return by === 'log'
      ? runToFit(number, run, logOf(model, driven, number))
      : runToFit(number, { ...run, readings: readByHand(driven, seed * 100 + number) }, undefined);
  });
  return {
    on,
    model,
    runs,
    truth: (path: Parameters<typeof quantityAt>[1]) => quantityAt(model.rig, path).value,
  };
}

/** What a fit says of each number against what it really was, in standard deviations of what it said. */
export const offFromTruth = (value: number, truth: number, within: number): number =>
  Math.log(value / truth) / (Math.log1p(within) / 1.96);

/** How well the numbers of many true models were told. */
export interface Report {
  vehicleClass: VehicleClass;
  models: number;
  refused: number;
  /** Of the numbers that were told: how many there were, and how many really lie in their 95 % interval. */
  told: number;
  held: number;
  /** Numbers of runs that were left out, and how many got worse. */
  leftOut: number;
  worse: number;
  /** How far off they are in the median before and after, by kind, as `offBy` counts. */
  kinds: Partial<Record<ReadingId, { before: number; after: number }>>;
  /**
   * By how many times nearer they are in the median of all. Each counts in units of what its kind is off before: a share of volts and a share of
   * what was used are not the same thing.
   */
  nearer: number;
}

const Z_95 = 1.96;

/** Recovers true models of a class, and sums up. @param each told of each model */
export function reportOf(
  cases: readonly Recovery[],
  each: (seed: number, fit: Fitted | RefusedFit) => void = () => undefined,
): Report {
  const off: number[] = [];
  const numbers: { kind: ReadingId; before: number; after: number }[] = [];
  let refused = 0;
  for (const one of cases) {
    const { on, runs, truth } = recoveryOf(one);
    const fit = fitToRuns(on, runs);
    each(one.seed, fit);
    if (fit.kind === 'refused') {
      refused += 1;
      continue;
    }
    for (const { path, quantity } of fit.numbers)
      off.push(offFromTruth(quantity.value, truth(path), quantity.fit.within));
    for (const one of fit.leftOut?.numbers ?? [])
      numbers.push({ kind: one.kind, before: offBy(one, one.before), after: offBy(one, one.after) });
  }
  const kinds = Object.fromEntries(
    [...new Set(numbers.map(({ kind }) => kind))].map((kind) => {
      const its = numbers.filter((one) => one.kind === kind);
      return [
        kind,
        { before: median(its.map((one) => one.before)), after: median(its.map((one) => one.after)) },
      ];
    }),
  ) as Report['kinds'];
  const inUnits = (which: 'before' | 'after'): number =>
    median(numbers.map((one) => one[which] / kinds[one.kind]!.before));
  return {
    vehicleClass: cases[0]!.vehicleClass,
    models: cases.length,
    refused,
    told: off.length,
    held: off.filter((z) => Math.abs(z) <= Z_95).length,
    leftOut: numbers.length,
    worse: numbers.filter(({ before, after }) => after > before).length,
    kinds,
    nearer: inUnits('before') / inUnits('after'),
  };
}

const median = (values: readonly number[]): number =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;
