/** A change that is tried: what it was for, what was predicted, and whether the next run bore it out. */
import { stopById, itemById, type EscProfile, type StopByItem } from '../esc/profile';
import type { NumberRef } from '../physics/drills/numberIds';
import { READINGS, type ReadingId, type ReadingKind } from './readings';
import { readingIn, type NumberedRun, type Run } from './run';
import type { Aim, NextChange } from './nextChange';
import type { DrillNumber } from '../physics/drills/drill';
import type { VehicleKind } from '../rig/rig';
import { whatDiffers } from './differences';

export interface Trial {
  id: string;
  /** When it was drafted, ISO 8601. */
  madeAt: string;
  /** The number of the run that asked for it. */
  afterRun: number;
  aim: Aim;
  because: string;
  lookFor: string;
  itemId: string;
  itemNumber: number;
  itemLabel: string;
  from: TriedStop;
  to: TriedStop;
  /** What the model said that it would do; null where no drill shows it. */
  predicted: Predicted | null;
}

export interface TriedStop {
  stopId: string;
  /** Null for a curve that its owner drew. */
  stopNumber: number | null;
  label: string;
}

export interface Predicted {
  told: NumberRef;
  name: string;
  unit: string;
  decimals: number;
  before: number;
  after: number;
}

/** A change as a trial. @param stops what the ESC holds @throws {Error} where it is not a move of the ESC */
export function trialOf(
  { aim, because, change, effect, lookFor }: NextChange,
  {
    profile,
    stops,
    afterRun,
    id,
    madeAt,
  }: { profile: EscProfile; stops: StopByItem } & Pick<Trial, 'id' | 'madeAt' | 'afterRun'>,
): Trial {
  if (change.kind !== 'move') throw new Error(`'${change.words}' is done by hand: it is no trial`);
  const item = itemById(profile, change.itemId);
  const tried = (stopId: string): TriedStop => {
    const { number, label } = stopById(item, stopId);
    return { stopId, stopNumber: number || null, label };
  };
  return {
    id,
    madeAt,
    afterRun,
    aim,
    because,
    lookFor,
    itemId: item.id,
    itemNumber: item.number,
    itemLabel: item.label,
    from: tried(stops[item.id]!),
    to: tried(change.stopId),
    predicted: effect ? predictedOf(effect.told, effect.before, effect.after) : null,
  };
}

const predictedOf = (told: NumberRef, before: DrillNumber, after: DrillNumber): Predicted | null =>
  before.value === undefined || after.value === undefined
    ? null
    : {
        told,
        name: after.name,
        unit: after.unit,
        decimals: after.decimals,
        before: before.value,
        after: after.value,
      };

/** How a trial stands. */
export type Outcome =
  /** The ESC was never seen to hold it on a run. */
  | { state: 'waiting' }
  /** It did what it was for. */
  | { state: 'held'; run: number; how: string }
  | { state: 'tooMuch'; run: number; how: string }
  | { state: 'notFelt'; run: number; how: string }
  /** The run says nothing of what it was for. */
  | { state: 'notSaid'; run: number }
  /** Something else was changed as well: no cause is named. */
  | { state: 'twoChanged'; run: number; others: string[] };

/**
 * What the runs with the change say of it, against the run that asked for it: the first of them that says anything counts. One
 * that is silent, or on which something else was different, leaves the word to the next.
 * @param runs of the rig, in the order of their numbers; the one that asked for it among them
 */
export function outcomeOf(trial: Trial, runs: readonly NumberedRun[], kind: VehicleKind): Outcome {
  const before = runs.find(({ number }) => number === trial.afterRun)?.run;
  const outcomes = runs
    .filter(
      ({ number, run }) =>
        number > trial.afterRun &&
        run.leftOut === '' &&
        run.held.find(({ itemId }) => itemId === trial.itemId)?.stopId === trial.to.stopId,
    )
    .map(({ number, run }): Outcome => {
      // Without the run before nobody knows what else was different.
      if (!before) return { state: 'notSaid', run: number };
      const others = whatDiffers(before, run)
        .filter(({ key, matters }) => matters && key !== trial.itemId)
        .map(({ name }) => name);
      return others.length > 0
        ? { state: 'twoChanged', run: number, others }
        : judged(trial, number, before, run, kind);
    });
  const isSaid = ({ state }: Outcome): boolean => state !== 'notSaid' && state !== 'twoChanged';
  return outcomes.find(isSaid) ?? outcomes.at(-1) ?? { state: 'waiting' };
}

function judged(trial: Trial, number: number, before: Run, after: Run, kind: VehicleKind): Outcome {
  const measured = measuredChange(trial, before, after, kind);
  if (measured) return { ...measured, run: number };
  const { aim } = trial;
  if (aim.kind === 'trouble' && aim.trouble === 'hot' && !before.troubles.includes('hot'))
    return cooled(number, before, after);
  if (aim.kind === 'trouble')
    return after.troubles.includes(aim.trouble)
      ? { state: 'notFelt', run: number, how: 'It was named again.' }
      : { state: 'held', run: number, how: 'It was not named again.' };
  const felt = after.felt[aim.moment];
  if (felt === undefined) return { state: 'notSaid', run: number };
  if (felt === 'right') return { state: 'held', run: number, how: 'It felt right.' };
  return felt === aim.wanted
    ? { state: 'notFelt', run: number, how: `Still ${felt} wanted.` }
    : { state: 'tooMuch', run: number, how: `Now ${felt} is wanted.` };
}

/** So much cooler is felt; less is another wind. From memory. */
const COOLER_K = 3;
const TEMPERATURES = ['canCelsius', 'escCelsius', 'packCelsius'] as const;

/** What was read too hot is judged by being read again: that nobody named it says nothing. */
function cooled(run: number, before: Run, after: Run): Outcome {
  const pairs = TEMPERATURES.flatMap((kind) => {
    const [was, is] = [readingIn(before, kind), readingIn(after, kind)];
    return was === undefined || is === undefined ? [] : [{ kind, was, is }];
  });
  if (pairs.length === 0) return { state: 'notSaid', run };
  const how = pairs
    .map(({ kind, was, is }) => `${READINGS[kind].name}: ${was.toFixed(0)} → ${is.toFixed(0)}\u00a0°C.`)
    .join(' ');
  return { state: pairs.every(({ was, is }) => was - is >= COOLER_K) ? 'held' : 'notFelt', run, how };
}

/** A change of less than this share of what was predicted is no effect. From memory. */
const SOME_OF_IT = 0.3;

/** Where both runs have the very number that was predicted, it decides. */
function measuredChange(
  { predicted }: Trial,
  before: Run,
  after: Run,
  kind: VehicleKind,
): { state: 'held' | 'notFelt'; how: string } | undefined {
  if (!predicted) return undefined;
  const reading = (Object.keys(READINGS) as ReadingId[]).find((id) => {
    const { tells }: ReadingKind = READINGS[id];
    return tells[kind]?.join() === predicted.told.join();
  });
  if (reading === undefined) return undefined;
  const [was, is] = [readingIn(before, reading), readingIn(after, reading)];
  const wanted = predicted.after - predicted.before;
  if (was === undefined || is === undefined || wanted === 0) return undefined;
  const { unit, decimals, name } = READINGS[reading];
  const how = `${name}: ${was.toFixed(decimals)} → ${is.toFixed(decimals)}\u00a0${unit}; ${wanted < 0 ? '\u2212' : '+'}${Math.abs(wanted).toFixed(decimals)}\u00a0${unit} was predicted.`;
  return { state: (is - was) / wanted >= SOME_OF_IT ? 'held' : 'notFelt', how };
}
