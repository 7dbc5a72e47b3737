import { usualGoals } from '../advice/goals';
import { factoryStops, type StopByItem } from '../esc/profile';
import { smallProfile } from '../esc/smallProfile.fixture';
import { rangeOf } from '../radio/pulse';
import { defaultRig } from '../rig/defaults';
import { handValuesOf } from '../rig/handValues';
import { conditionsOf } from '../setUps/conditions';
import { holdingsOf } from '../sheet/evidence';
import { writeSheet } from '../sheet/sheet';
import { look, type Seen } from '../triage/seen';
import type { ReadingId } from './readings';
import { EMPTY_NOTE, type NumberedRun, type Run } from './run';

export const testRig = { ...defaultRig('tenthBuggy'), name: 'Test buggy' };
const AT = '2026-05-01T10:00:00.000Z';

/** A run of the small ESC in a buggy, all of it read back: factory values but for those named. */
export function smallRun(number: number, change: Partial<Run> = {}, stops: StopByItem = {}): NumberedRun {
  const profile = smallProfile();
  const held = holdingsOf(
    profile,
    Object.entries({ ...factoryStops(profile), ...stops }).map(([itemId, stopId]) => ({
      itemId,
      stopId,
      basis: 'readBack',
      at: AT,
    })),
  );
  const { values } = writeSheet(profile, held, {
    id: 'sheet',
    rigName: testRig.name,
    keptAt: AT,
    medium: 'oneKey',
    simulated: false,
    changedItemIds: [],
    byHand: {},
    setUp: null,
    reasons: {},
    note: '',
  });
  const run: Run = {
    ...EMPTY_NOTE,
    id: `run-${number}`,
    rigName: testRig.name,
    drivenAt: AT,
    profileId: profile.id,
    profileRevision: profile.revision,
    profileName: profile.name,
    held: values,
    byHand: handValuesOf(testRig),
    setUp: null,
    calibratedAt: null,
    conditions: conditionsOf(testRig, usualGoals('tenthBuggy')),
    question: null,
    minutes: 6,
    pack: 'Blue',
    ...change,
  };
  return { number, run };
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
