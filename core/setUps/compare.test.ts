import { describe, expect, it } from 'vitest';
import { oneKeyPattern, textBoxPattern } from '../archetypes/cars';
import { usualGoals } from '../advice/goals';
import { factoryStops, type EscProfile, type Stop } from '../esc/profile';
import { smallProfile } from '../esc/smallProfile.fixture';
import { rangeOf } from '../radio/pulse';
import { defaultRig } from '../rig/defaults';
import type { SettingValue } from '../settings/setting';
import { compareSides, type Side } from './compare';
import { effectOf } from './effects';

const side = (profile: EscProfile, change: Partial<Side> = {}): Side => ({
  title: 'A',
  profile,
  stops: factoryStops(profile),
  byHand: {},
  reasons: {},
  conditions: null,
  ...change,
});

describe('two sides of one kind of ESC', () => {
  const profile = smallProfile();

  it('are compared item by item, and what differs can be taken over', () => {
    const theirs = side(profile, {
      stops: { ...factoryStops(profile), bite: 'bite-4' },
      reasons: { bite: 'grip' },
    });
    const rows = compareSides(side(profile), theirs, 'wheels');
    const bite = rows.find(({ key }) => key === 'bite')!;
    expect(bite.verdict).toBe('differs');
    expect(bite.right).toMatchObject({ label: '80 %', reason: 'grip' });
    expect(bite.adopts).toEqual({ kind: 'stop', itemId: 'bite', stopId: 'bite-4' });
    expect(rows.filter(({ verdict }) => verdict === 'differs')).toHaveLength(1);
  });

  it('what a side does not say, or this revision lacks, is nothing, not a difference in value', () => {
    const theirs = side(profile, { stops: { bite: 'bite-99' } });
    const rows = compareSides(side(profile), theirs, 'wheels');
    expect(rows.every(({ right, adopts }) => right === null && adopts === null)).toBe(true);
  });

  it('numbers of the model come last, and are taken over only where both have them', () => {
    const rows = compareSides(
      side(profile, { byHand: { packCells: 2 } }),
      side(profile, { byHand: { packCells: 3, pinionTeeth: 20 } }),
      'wheels',
    ).slice(-2);
    expect(rows.map(({ key, adopts }) => [key, adopts])).toEqual([
      ['pinionTeeth', null],
      ['packCells', { kind: 'byHand', key: 'packCells', value: 3 }],
    ]);
  });
});

describe('two kinds of ESC', () => {
  const rows = compareSides(side(oneKeyPattern), side(textBoxPattern), 'wheels');

  it('are compared by meaning, and a supposed size is never called the same', () => {
    for (const row of rows) {
      expect(row.adopts).toBeNull();
      const launch = row.key === 'launchStrength' && row.left && row.right;
      if (launch) expect(row.verdict).toBe('unsure');
    }
    expect(rows.some(({ verdict }) => verdict === 'same')).toBe(true);
  });

  /** The item of a setting on another ESC, with one stop. */
  const oneStop = (value: SettingValue, basis: Stop['basis'] = 'stated', label = 'x'): Side => {
    const profile = smallProfile();
    const stop = { ...profile.items[2]!.stops[0]!, id: 'only', label, value, basis };
    profile.items = [{ ...profile.items[2]!, setting: 'brakeStrength', stops: [stop] }];
    return side(profile, {
      profile: { ...profile, id: `esc-${label}` },
      stops: { [profile.items[0]!.id]: 'only' },
    });
  };
  const verdict = (mine: Side, theirs: Side) => compareSides(mine, theirs, 'wheels')[0]!.verdict;
  const number = (value: number): SettingValue => ({ kind: 'number', value });

  it.each([
    ['the same number under another name', oneStop(number(50)), oneStop(number(50), 'measured', 'y'), 'same'],
    ['another number', oneStop(number(50)), oneStop(number(60), 'stated', 'y'), 'differs'],
    ['a number that is only supposed', oneStop(number(50)), oneStop(number(50), 'assumed', 'y'), 'unsure'],
    ['a number against off', oneStop(number(50)), oneStop({ kind: 'off' }, 'stated', 'y'), 'differs'],
    ['off that is only supposed', oneStop({ kind: 'off' }), oneStop({ kind: 'off' }, 'assumed', 'y'), 'same'],
    [
      'what only its label tells',
      oneStop({ kind: 'label' }),
      oneStop({ kind: 'label' }, 'stated', 'y'),
      'unsure',
    ],
  ] as const)('%s', (_what, mine, theirs, expected) => {
    expect(verdict(mine, theirs)).toBe(expected);
    expect(verdict(theirs, mine)).toBe(expected);
  });

  it('come in the order of the moments', () => {
    const left = side(oneKeyPattern);
    const moments = compareSides(left, side(textBoxPattern), 'wheels').map(({ moment }) => moment);
    expect(moments.indexOf('pullAway')).toBeLessThan(moments.indexOf('brake'));
  });
});

describe('what taking one over does on this rig', () => {
  const rig = defaultRig('tenthBuggy');
  const situation = {
    rig,
    profile: oneKeyPattern,
    stops: factoryStops(oneKeyPattern),
    range: rangeOf(rig.channel),
    rules: undefined,
    goals: usualGoals('tenthBuggy'),
    withoutStint: true,
  };

  it('a weaker brake stops later', () => {
    const { drill, changed } = effectOf(situation, {
      kind: 'stop',
      itemId: 'full-brake',
      stopId: 'full-brake-1',
    });
    const stop = changed.find(({ after }) => after.id === 'stop')!;
    expect(drill).toBe('brake');
    expect(stop.after.value).toBeGreaterThan(stop.before.value!);
  });

  it('a cell more is faster', () => {
    const { changed } = effectOf(situation, { kind: 'byHand', key: 'packCells', value: rig.pack.cells + 1 });
    const top = changed.find(({ after }) => after.id === 'top')!;
    expect(top.after.value).toBeGreaterThan(top.before.value!);
  });
});
