import { describe, expect, it } from 'vitest';
import { smallProfile } from '../esc/smallProfile.fixture';
import { defaultRig } from '../rig/defaults';
import { calibrationWords, staleReason, type Calibration } from './calibration';
import type { BenchTest } from './benchTest';
import { escNames, knownEscs, lastOf, rangesOf, type InOrder } from './escs';
import { EMPTY_TRAVEL_TEST } from './travelTest';

const profile = smallProfile();
const { channel } = defaultRig('tenthBuggy');
const after = { brakeMicros: 1000, neutralMicros: 1500, forwardMicros: 2000 };
const kept: Calibration = {
  family: 'keyConfirmed',
  escNumber: 1,
  profileId: profile.id,
  source: 'radio',
  how: 'simulated',
  precaution: 'wheels clear',
  channel,
  before: profile.factoryRange,
  after,
  keptAt: '2026-01-01T00:00:00.000Z',
};

describe('a calibration', () => {
  it('holds with the same radio, the same ESC and the same three pulses', () => {
    expect(staleReason(kept, channel, profile.id, { ...after })).toBeUndefined();
  });

  it.each([
    [{ forwardEndPointPercent: 90 }, 'the forward end point has changed since'],
    [{ trimMicros: 4 }, 'the trim has changed since'],
    [{ reversed: true }, 'the throttle was reversed since'],
    [{ rest: 'low' as const }, 'the radio has changed since'],
    [{ trimMicros: 4, subTrimMicros: 2 }, 'the radio has changed since'],
  ])('goes stale with %j', (change, reason) => {
    expect(staleReason(kept, { ...channel, ...change }, profile.id, after)).toBe(reason);
  });

  it('does not go stale when the radio’s jitter is measured', () => {
    expect(staleReason(kept, { ...channel, jitterMicros: 2.5 }, profile.id, after)).toBeUndefined();
  });

  it('goes stale with another range in the ESC, and with another ESC before that', () => {
    const other = { ...after, neutralMicros: 1504 };
    expect(staleReason(kept, channel, profile.id, other)).toBe('the ESC holds another range');
    expect(staleReason(kept, channel, 'another', other)).toBe('another ESC is in the model since');
  });

  it('taught by a tester fits only a radio that sends the same', () => {
    const tested: Calibration = { ...kept, source: 'tester', channel: { ...channel, travelMicros: 480 } };
    expect(staleReason(tested, channel, profile.id, after)).toContain('servo tester');
  });

  it('is told in one line', () => {
    expect(calibrationWords({ ...kept, how: 'onYourWord' })).toBe(
      'three points, each confirmed with a key · by the radio, through its receiver · done on the ESC, as you say',
    );
  });
});

describe('the ESCs of a model', () => {
  it('have numbers where there are several, and sides where there are two', () => {
    expect(escNames({ motorCount: 1 })).toEqual(['The ESC']);
    expect(escNames({ motorCount: 2 })).toEqual(['ESC 1 (left)', 'ESC 2 (right)']);
    expect(escNames({ motorCount: 4 }).at(-1)).toBe('ESC 4');
  });

  it('have learned what their last calibration says, or what the factory set', () => {
    const older = { ...kept, escNumber: 2, after: { ...after, forwardMicros: 1900 } };
    const newer = { ...older, after: { ...after, forwardMicros: 1950 } };
    const ofOtherEsc = {
      ...kept,
      escNumber: 3,
      profileId: 'another',
      after: { ...after, forwardMicros: 1700 },
    };
    const all = [ofOtherEsc, newer, older, kept];
    const first = { ...after, forwardMicros: 1980 };
    expect(lastOf(all, 2)).toBe(newer);
    expect(rangesOf({ motorCount: 3 }, profile, first, all)).toEqual([
      first,
      newer.after,
      profile.factoryRange,
    ]);
  });

  it('are known by their bench test where that came after the calibration', () => {
    const twin = { ...defaultRig('tenthBuggy'), motorCount: 2 };
    const test = (order: number): InOrder<BenchTest> => ({
      kind: 'travel',
      escNumber: 1,
      // The clock was set back in between: it has no say.
      keptAt: '2020-01-01T00:00:00.000Z',
      order,
      test: {
        ...EMPTY_TRAVEL_TEST,
        firstForwardMicros: 1560,
        firstBrakeMicros: 1500,
        fullForwardMicros: 1900,
      },
    });
    const known = (order: number) =>
      knownEscs(twin, [after, after], 30, [{ ...kept, order: 5 }], [test(order)]);
    expect(known(6)[0]).toMatchObject({
      basis: 'tested',
      range: { neutralMicros: 1530, forwardMicros: 1900 },
    });
    expect(known(4).map(({ basis }) => basis)).toEqual(['calibrated', 'factory']);
  });
});
