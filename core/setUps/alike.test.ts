import { describe, expect, it } from 'vitest';
import { usualGoals } from '../advice/goals';
import { oneKeyPattern, textBoxPattern } from '../archetypes/cars';
import { factoryStops, type EscProfile } from '../esc/profile';
import { runDrill } from '../physics/drills/runDrill';
import { escBehaviour } from '../physics/escChain';
import { rangeOf } from '../radio/pulse';
import { defaultRig } from '../rig/defaults';
import { resolveRig } from '../rig/resolve';
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

  it('what nobody says is no difference, and what only the first says is one', () => {
    const silent = (profile: EscProfile): Side => ({ ...side(profile), stops: {} });
    const rows = alikeRows([side(oneKeyPattern), side(oneKeyPattern), silent(oneKeyPattern)], 'wheels');
    expect(
      rows.every(({ others }) => others[0]!.verdict === 'same' && others[1]!.verdict === 'differs'),
    ).toBe(true);
    expect(alikeRows([silent(oneKeyPattern), silent(oneKeyPattern)], 'wheels')).toEqual([]);
  });

  it('which way a motor turns need not be alike', () => {
    const other = side(oneKeyPattern, { turning: 'turning-2' });
    expect(alikeRows([side(oneKeyPattern), other], 'wheels').map(({ key }) => key)).not.toContain('turning');
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

  it('says what the rig does now, as its own drills have it', () => {
    const esc = escBehaviour(oneKeyPattern, like.stops, rig.channel, like.range, rig.pack.cells);
    const of = (drill: 'brake' | 'launch', id: string) =>
      runDrill(drill, resolveRig(rig, oneKeyPattern, like.goals.use), esc).numbers.find(
        (one) => one.id === id,
      )!.value;
    const near = nearTo(like, { ...nothing, busVolts: 6, stopM: 1, launchS: 1 });
    expect(near.map(({ key, now }) => [key, now])).toEqual([
      ['busVolts', 6],
      ['stopM', of('brake', 'stopSlow')],
      ['launchS', of('launch', 'to5')],
    ]);
  });

  it('has no launch and no stop of what does not roll', () => {
    const plane = { ...like, rig: defaultRig('sportPlane') };
    expect(nearTo(plane, { ...nothing, stopM: 1, launchS: 1 })).toEqual([]);
  });

  it('offers no change that nobody would feel', () => {
    const brake = oneKeyPattern.items.find(({ id }) => id === 'full-brake')!;
    const found = brake.stops.map(({ id }) => {
      const present = { ...like, stops: { ...like.stops, 'full-brake': id } };
      const [near] = nearTo(present, { ...nothing, stopM: 0.001 });
      const { stop, reached } = near!.closest!;
      const isOffered = stop.id !== id;
      expect(isOffered).toBe(Math.abs(reached - near!.now!) > 0.02 * near!.now!);
      return isOffered;
    });
    expect(new Set(found)).toEqual(new Set([true, false]));
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
