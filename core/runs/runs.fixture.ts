import { usualGoals } from '../advice/goals';
import { factoryStops, type StopByItem } from '../esc/profile';
import { smallProfile } from '../esc/smallProfile.fixture';
import { rangeOf } from '../radio/pulse';
import { defaultRig } from '../rig/defaults';
import { look, type Seen } from '../triage/seen';
import { makeRun } from './makeRun';
import type { ReadingId } from './readings';
import { EMPTY_NOTE, type NumberedRun, type Run } from './run';

export const testRig = { ...defaultRig('tenthBuggy'), name: 'Test buggy' };
const AT = '2026-05-01T10:00:00.000Z';

/** A run of the small ESC in a buggy, all of it read back: factory values but for those named. */
export function smallRun(number: number, change: Partial<Run> = {}, stops: StopByItem = {}): NumberedRun {
  const profile = smallProfile();
  const run = makeRun({
    id: `run-${number}`,
    drivenAt: AT,
    rig: testRig,
    profile,
    observations: Object.entries({ ...factoryStops(profile), ...stops }).map(([itemId, stopId]) => ({
      itemId,
      stopId,
      basis: 'readBack',
      at: AT,
    })),
    usualSurface: usualGoals('tenthBuggy').surface,
    note: { ...EMPTY_NOTE, minutes: 6, pack: 'Blue' },
    setUp: null,
    calibratedAt: null,
    question: null,
  });
  return { number, run: { ...run, ...change } };
}

/** The numbers that hands read of a run. */
export const read = (readings: Partial<Record<ReadingId, number>>): Pick<Run, 'readings'> => ({
  readings: Object.entries(readings).map(([kind, value]) => ({
    kind: kind as ReadingId,
    value,
    from: 'hand',
  })),
});

/** The buggy of the runs as a triage sees it. */
export function seenBuggy(stops: StopByItem = {}): Seen {
  const profile = smallProfile();
  const range = rangeOf(testRig.channel);
  return look(
    {
      rig: testRig,
      profile,
      stops: { ...factoryStops(profile), ...stops },
      range,
      rules: undefined,
      goals: usualGoals('tenthBuggy'),
      withoutStint: true,
    },
    {
      rig: testRig,
      profile,
      range,
      ranges: [range],
      deadbandMicros: 20,
      calibrations: [],
      lockedBy: undefined,
      forwardPower: 1,
      hasReverse: true,
    },
  );
}
