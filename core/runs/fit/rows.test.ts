import { describe, expect, it } from 'vitest';
import { usualGoals } from '../../advice/goals';
import { smallProfile } from '../../esc/smallProfile.fixture';
import { defaultRig } from '../../rig/defaults';
import { resolveRig } from '../../rig/resolve';
import type { LoggedRun } from './loggedRun';
import { rowsOf } from './rows';

const rig = resolveRig(defaultRig('tenthBuggy'), smallProfile(), usualGoals('tenthBuggy').use);

/** Samples of a run in which the trigger is let go. */
function letGo(
  samples: { since?: number; strength?: number; shaft?: number; duty?: number; whole?: number }[],
): LoggedRun {
  const of = (read: (one: (typeof samples)[number]) => number): Float32Array =>
    Float32Array.from(samples, read);
  return {
    volts: of(() => 8),
    amps: of(() => 0),
    lasts: of(() => 0.1),
    steady: Uint8Array.from(samples, () => 0),
    whole: Uint8Array.from(samples, ({ whole = 1 }) => whole),
    since: of(({ since = 1 }) => since),
    duty: of(({ duty = 0 }) => duty),
    strength: of(({ strength = 0 }) => strength),
    shaft: of(({ shaft = 500 }) => shaft),
    corner: of(() => 0),
    climb: of(() => 0),
  } as unknown as LoggedRun;
}
const isStill = (...samples: Parameters<typeof letGo>[0]): boolean[] =>
  [...rowsOf(letGo(samples), rig, 3.2).still].map((row) => row >= 0);

describe('what is drawn while nothing is driven', () => {
  it('is read while a car rolls without a brake, and while it stands on one', () => {
    expect(isStill({}, { strength: 1, shaft: 0 })).toEqual([true, true]);
  });

  it('is not read while a brake turns speed into current, or while it is driven', () => {
    expect(isStill({ strength: 0.5 }, { duty: 0.3 })).toEqual([false, false]);
  });

  it('is not read at once after the trigger, or where a reading is missing', () => {
    expect(isStill({ since: 0.1 }, { whole: 0 })).toEqual([false, false]);
  });
});
