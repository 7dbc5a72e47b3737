import { describe, expect, it } from 'vitest';
import { usualGoals } from '../advice/goals';
import { oneKeyPattern, textBoxPattern } from '../archetypes/cars';
import { factoryStops, type EscProfile } from '../esc/profile';
import { rangeOf } from '../radio/pulse';
import { defaultRig } from '../rig/defaults';
import { alikeRows, nearTo, type Target } from './alike';
import type { Side } from './compare';
import { hazardsOf } from './hazards';

const side = (profile: EscProfile, stops = {}): Side => ({
  title: profile.name,
  profile,
  stops: { ...factoryStops(profile), ...stops },
  byHand: {},
  reasons: {},
  conditions: null,
});

describe('several that should be alike', () => {
  it('are held against the first, value by value', () => {
    const rows = alikeRows(
      [side(oneKeyPattern), side(oneKeyPattern), side(oneKeyPattern, { 'full-brake': 'full-brake-1' })],
      'wheels',
    );
    const differing = rows.filter(({ others }) => others.some(({ verdict }) => verdict !== 'same'));
    expect(differing.map(({ key, others }) => [key, others.map(({ verdict }) => verdict)])).toEqual([
      ['full-brake', ['same', 'differs']],
    ]);
  });

  it('of two kinds go by meaning, all of them', () => {
    const rows = alikeRows([side(oneKeyPattern), side(oneKeyPattern), side(textBoxPattern)], 'wheels');
    const launch = rows.find(({ key }) => key === 'launchStrength');
    expect(launch?.others[0]?.verdict).toBe('same');
    expect(rows.some(({ others }) => others[1]?.verdict === 'same')).toBe(true);
  });
});

describe('a target that is typed', () => {
  const rig = defaultRig('tenthBuggy');
  const like = {
    rig,
    goals: usualGoals('tenthBuggy'),
    profile: oneKeyPattern,
    stops: factoryStops(oneKeyPattern),
    range: rangeOf(rig.channel),
  };
  const nothing: Target = {
    name: 'Old engine car',
    busVolts: null,
    stopM: null,
    launchS: null,
    frontPercent: null,
  };

  it('asks for nothing that was not typed', () => {
    expect(nearTo(like, nothing)).toEqual([]);
  });

  it('finds the stop that comes closest, which is the present one where it is that already', () => {
    const [now] = nearTo(like, { ...nothing, stopM: 1 });
    const [again] = nearTo(like, { ...nothing, stopM: now!.now! });
    expect(again!.closest!.stop.id).toBe(like.stops['full-brake']);
    expect(again!.closest!.reached).toBeCloseTo(now!.now!, 9);
  });

  it('a longer stop is a weaker brake', () => {
    const [near] = nearTo(like, { ...nothing, stopM: 50 });
    expect(near!.closest!.stop.id).toBe('full-brake-1');
  });

  it('never offers a hazard', () => {
    const weak = {
      ...rig,
      busLoads: rig.busLoads.map((load) => ({ ...load, maxVolts: 6 })),
    };
    const [near] = nearTo({ ...like, rig: weak }, { ...nothing, busVolts: 7.4 });
    const { itemId, stop } = near!.closest!;
    const before = hazardsOf(weak, like, like.stops, like.goals).map(({ id }) => id);
    const after = hazardsOf(weak, like, { ...like.stops, [itemId]: stop.id }, like.goals).map(({ id }) => id);
    expect(before).toEqual(expect.arrayContaining(after));
  });
});
