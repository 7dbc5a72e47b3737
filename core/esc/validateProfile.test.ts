import { describe, expect, it } from 'vitest';
import { smallProfile } from './smallProfile.fixture';
import { validateProfile } from './validateProfile';
import type { EscProfile } from './profile';

const problemsAfter = (spoil: (profile: EscProfile) => void) => {
  const profile = smallProfile();
  spoil(profile);
  return validateProfile(profile);
};

describe('validating a profile', () => {
  it('finds nothing wrong with a sound one', () => {
    expect(validateProfile(smallProfile())).toEqual([]);
  });

  it.each([
    [
      'cells the wrong way round',
      (p: EscProfile) => (p.limits.minCells = 9),
      'limits.minCells',
      'Swap the two',
    ],
    [
      'burst below continuous',
      (p: EscProfile) => (p.limits.burstAmps = 5),
      'limits.burstAmps',
      'below the continuous',
    ],
    [
      'a factory range out of order',
      (p: EscProfile) => (p.factoryRange.neutralMicros = 900),
      'factoryRange',
      'Brake must be below neutral',
    ],
    [
      'no BEC, and a current',
      (p: EscProfile) => Object.assign(p.limits, { becKind: 'none', becMostVolts: 0, becLeastVolts: 0 }),
      'limits.becKind',
      'Set both to 0',
    ],
    [
      'no BEC, and a voltage',
      (p: EscProfile) => Object.assign(p.limits, { becKind: 'none', becContinuousAmps: 0 }),
      'limits.becKind',
      'Set both to 0',
    ],
    [
      'one number twice',
      (p: EscProfile) => (p.items[2]!.number = 2),
      'items.2.number',
      'both have the number 2',
    ],
    [
      'a gap in the numbers',
      (p: EscProfile) => (p.items[3]!.number = 7),
      'items.3.number',
      'must run 1, 2, 3',
    ],
    [
      'one setting twice',
      (p: EscProfile) => (p.items[1]!.setting = 'brakeStrength'),
      'items.2.setting',
      'both set Brake strength',
    ],
    [
      'a factory stop that is not there',
      (p: EscProfile) => (p.items[0]!.factoryStopId = 'x'),
      'items.0.factoryStopId',
      'has no such stop',
    ],
    ['a single stop', (p: EscProfile) => (p.items[0]!.stops.length = 1), 'items.0.stops', 'at least two'],
    [
      'more than all of it',
      (p: EscProfile) => (p.items[2]!.stops[4]!.value = { kind: 'number', value: 120 }),
      'items.2.stops.4.value',
      'between 0 and 100 %',
    ],
    [
      'a number for a choice',
      (p: EscProfile) => (p.items[0]!.stops[1]!.value = { kind: 'number', value: 2 }),
      'items.0.stops.1.value',
      'must be one of forward',
    ],
    [
      'pack volts on a brake',
      (p: EscProfile) => (p.items[2]!.stops[0]!.value = { kind: 'packVolts', value: 6 }),
      'items.2.stops.0.value',
      'Only a cutoff',
    ],
  ])('explains %s', (_what, spoil, path, words) => {
    const found = problemsAfter(spoil).find((p) => p.path === path);
    expect(found?.sentence).toContain(words);
  });
});
