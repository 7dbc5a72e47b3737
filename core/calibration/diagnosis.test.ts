import { describe, expect, it } from 'vitest';
import { smallProfile } from '../esc/smallProfile.fixture';
import { rangeOf } from '../radio/pulse';
import { defaultRig } from '../rig/defaults';
import { causesOf, SYMPTOMS, type DiagnosisFacts, type SymptomId } from './diagnosis';
import { firmwareLines, firstPowerLines } from './firstPower';
import { preparationLines } from './preparation';

const rig = defaultRig('tenthBuggy');
const profile = smallProfile();
const range = rangeOf(rig.channel);
const facts = (change: Partial<DiagnosisFacts> = {}): DiagnosisFacts => ({
  rig,
  profile,
  range,
  ranges: [range],
  deadbandMicros: 30,
  calibrations: [],
  lockedBy: undefined,
  forwardPower: 1,
  hasReverse: true,
  ...change,
});
const radio = (change: Partial<typeof rig.channel>) => ({
  rig: { ...rig, channel: { ...rig.channel, ...change } },
});
const first = (symptom: SymptomId, change: Partial<DiagnosisFacts>): string =>
  causesOf(symptom, facts(change))[0]!.id;

describe('from what is seen to the likeliest cause on this rig', () => {
  it.each([
    ['doesNotArm', radio({ trimMicros: 80 }), 'neutralOff'],
    ['doesNotArm', radio({ reversed: true }), 'reversed'],
    ['creeps', radio({ subTrimMicros: 50 }), 'neutralOff'],
    ['creeps', { ...radio({ jitterMicros: 12 }), calibrations: [] }, 'stale'],
    ['startsLate', { range: { ...range, neutralMicros: 1560 } }, 'learnedHigh'],
    ['neverFull', radio({ forwardEndPointPercent: 70 }), 'endPoint'],
    ['neverFull', { forwardPower: 0.5 }, 'power'],
    ['oneMotorLate', { ranges: [range, { ...range, neutralMicros: 1580 }] }, 'match'],
    ['noReverse', { hasReverse: false }, 'mode'],
    ['noReverse', radio({ brakeEndPointPercent: 60 }), 'brakeTravel'],
    ['changesNothing', { lockedBy: 'Learning' }, 'lock'],
    [
      'changesNothing',
      { profile: { ...profile, calibration: { family: 'none', reason: 'digital' } } },
      'lock',
    ],
  ] as const)('%s with %j: %s', (symptom, change, cause) => {
    expect(first(symptom, change as Partial<DiagnosisFacts>)).toBe(cause);
  });

  it('says what speaks for it, in numbers of this rig', () => {
    const [cause] = causesOf('neverFull', facts(radio({ forwardEndPointPercent: 70 })));
    expect(cause!.evidence).toBe('The largest signal is 68\u00a0% of full.');
  });

  it('a throttle that runs the wrong way accuses neither deadband nor learned point of all its travel', () => {
    const causes = causesOf('startsLate', facts(radio({ reversed: true })));
    expect(causes.map(({ evidence }) => evidence ?? '').join(' ')).not.toContain('100\u00a0%');
  });

  it('holds an ESC that nobody has calibrated against the one that was, not the reverse', () => {
    const calibration = {
      family: 'keyConfirmed',
      escNumber: 1,
      profileId: profile.id,
      source: 'radio',
      how: 'onYourWord',
      precaution: '',
      channel: rig.channel,
      before: range,
      after: range,
      keptAt: '2026-01-01T00:00:00.000Z',
    } as const;
    const twin = { rig: { ...rig, motorCount: 2 }, ranges: [range, { ...range, neutralMicros: 1580 }] };
    const match = causesOf('oneMotorLate', facts({ ...twin, calibrations: [calibration] })).find(
      ({ id }) => id === 'match',
    );
    expect(match!.evidence).toContain('Calibrate ESC 2 (right) with the trims');
  });

  it('every cause of every symptom has a test that tells it apart', () => {
    for (const symptom of Object.keys(SYMPTOMS) as SymptomId[]) {
      const causes = causesOf(symptom, facts());
      expect(causes.length).toBeGreaterThanOrEqual(3);
      expect(new Set(causes.map(({ test }) => test)).size).toBe(causes.length);
    }
  });
});

describe('before the first power', () => {
  const ids = (lines: { id: string }[]): string[] => lines.map(({ id }) => id);
  const direction = (sensored: boolean): string =>
    firstPowerLines({ ...rig, motor: { ...rig.motor, sensored } }, profile).find(
      ({ id }) => id === 'direction',
    )!.why;

  it('a sensored motor is turned round only in software, another one by its wires where the ESC cannot', () => {
    expect(direction(true)).toContain('Only in software');
    expect(direction(false)).toContain('swap any two');
  });

  it('a sensor lead and servos are looked at only where there are any', () => {
    expect(ids(firstPowerLines({ ...rig, busLoads: [] }, profile))).not.toContain('servoEnds');
    expect(ids(firstPowerLines({ ...rig, motor: { ...rig.motor, sensored: true } }, profile))).toContain(
      'sensorLead',
    );
  });

  it('firmware comes before settings', () => {
    expect(ids(firmwareLines(profile))).toEqual(['version', 'newer', 'saved', 'compared']);
  });
});

describe('preparing what sends the pulses', () => {
  it('knows from the rig what is not as it should be', () => {
    const lines = preparationLines(radio({ trimMicros: 5, brakeEndPointPercent: 80 }).rig, 'radio');
    const wrong = lines.filter(({ right }) => right === false).map(({ id }) => id);
    expect(wrong).toEqual(['endPoints', 'trims']);
  });

  it('a tester and a bus have lines of their own', () => {
    expect(preparationLines(rig, 'tester').map(({ id }) => id)).toContain('testerEnds');
    expect(preparationLines(rig, 'bus').map(({ id }) => id)).toContain('busChannel');
  });

  it('a stability aid is put to rest, with its gain as noted', () => {
    const lines = preparationLines({ ...rig, stabilityGainPercent: 35 }, 'radio');
    expect(lines.at(-1)!.what).toContain('35 %');
  });
});

describe('limits of what speaks for a cause', () => {
  const speaks = (symptom: SymptomId, id: string, change: Partial<DiagnosisFacts>): boolean =>
    causesOf(symptom, facts(change)).find((cause) => cause.id === id)?.evidence !== undefined;

  it('a deadband is narrow below 20 µs', () => {
    const narrow = (deadbandMicros: number) =>
      causesOf('creeps', facts({ deadbandMicros })).filter(({ evidence }) => evidence?.includes('each side'));
    expect([narrow(19).length, narrow(20).length]).toEqual([1, 0]);
  });

  it('both limits speak for themselves only where both are below 100 %', () => {
    const lowered = radio({ forwardEndPointPercent: 80 });
    const both = causesOf('neverFull', facts({ ...lowered, forwardPower: 0.8 })).filter(({ evidence }) =>
      evidence?.includes('multiply'),
    );
    const one = causesOf('neverFull', facts(lowered)).filter(({ evidence }) =>
      evidence?.includes('multiply'),
    );
    expect([both.length, one.length]).toEqual([1, 0]);
    expect(speaks('neverFull', 'power', { forwardPower: 1 })).toBe(false);
  });
});
