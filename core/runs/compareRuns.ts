/** Two runs side by side: what was different, and which of their numbers can be told apart at all. */
import { HAND_VALUE_KEYS } from '../rig/handValues';
import { whatDiffers, type Difference } from './differences';
import { READINGS, type ReadingId } from './readings';
import { readingIn, stopsOfRun, type NumberedRun, type Run } from './run';
import { reachOf95, scatterWithin, type Interval, type Scatter } from './statistics';

export interface ComparedNumber {
  kind: ReadingId;
  before: number;
  after: number;
  /** Of after against before; undefined where no repeated runs say how far this rig's own runs lie apart. */
  interval: Interval | undefined;
}

export interface ComparedRuns {
  differences: Difference[];
  numbers: ComparedNumber[];
  /** Whether exactly one thing that matters was changed: only then may it be called the cause. */
  cause: Difference | undefined;
  /** Where several were: what to drive to tell them apart. */
  toSeparate: string | undefined;
}

/** Holds a run against an earlier one. @param runs of the rig: those that were repeated give its spread */
export function compareRuns(before: Run, after: Run, runs: readonly NumberedRun[]): ComparedRuns {
  const differences = whatDiffers(before, after);
  const mattering = differences.filter(({ matters }) => matters);
  const numbers = (Object.keys(READINGS) as ReadingId[]).flatMap((kind): ComparedNumber[] => {
    const [was, is] = [readingIn(before, kind), readingIn(after, kind)];
    if (was === undefined || is === undefined) return [];
    return [{ kind, before: was, after: is, interval: intervalOf(is - was, repeatedScatter(runs, kind)) }];
  });
  const [first, second] = mattering;
  return {
    differences,
    numbers,
    cause: mattering.length === 1 ? first : undefined,
    toSeparate:
      first && second
        ? `Drive again with ${first.name} at ${first.to}, and everything else as on the first run.`
        : undefined,
  };
}

/** Of one run against another: each scatters, so the difference scatters by the root of two more. */
function intervalOf(difference: number, { squares, freedom }: Scatter): Interval | undefined {
  if (freedom === 0) return undefined;
  const reach = reachOf95(freedom) * Math.sqrt((2 * squares) / freedom);
  return { low: difference - reach, high: difference + reach };
}

/** How far repeated runs of this rig lie apart in a number: runs with one and the same set-up, pack and ground. */
export function repeatedScatter(
  runs: readonly NumberedRun[],
  kind: ReadingId,
  isLeftOut: (run: Run) => boolean = () => false,
): Scatter {
  const groups = new Map<string, number[]>();
  for (const { run } of runs) {
    const value = readingIn(run, kind);
    if (value === undefined || run.leftOut !== '' || isLeftOut(run)) continue;
    const key = sameKey(run);
    groups.set(key, [...(groups.get(key) ?? []), value]);
  }
  return scatterWithin([...groups.values()]);
}

const sameKey = (run: Run): string =>
  JSON.stringify([
    run.profileId,
    Object.entries(stopsOfRun(run)).toSorted(([a], [b]) => (a < b ? -1 : 1)),
    HAND_VALUE_KEYS.map((key) => run.byHand[key] ?? null),
    run.pack.trim().toLowerCase(),
    run.surface,
    run.minutes,
  ]);
