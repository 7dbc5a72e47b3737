import { describe, expect, it } from 'vitest';
import { usualGoals } from '../advice/goals';
import { ARCHETYPES } from '../archetypes/archetypes';
import { itemForSetting } from '../esc/profile';
import { rangeOf } from '../radio/pulse';
import { defaultRig } from '../rig/defaults';
import { ahead } from './ahead';
import { surroundings } from './archetypes.fixture';
import type { Deed } from './bench';
import { effectOf } from './effects';
import { deedsOf, follow } from './follow.fixture';
import { judge } from './judge';
import { isPassed } from './lesson';
import { lessonFor } from './makeLessons';
import { begin, perform, type Rehearsal } from './rehearsal';
import { reportOf } from './report';
import { slipInWords } from './slipWords';

const oneKey = surroundings.find(({ profile }) => profile.media[0]!.family === 'oneKey')!;
const tones = surroundings.find(({ profile }) => profile.media[0]!.family === 'stickTones')!;
const PRESS: Deed[] = [
  { do: 'esc', input: { type: 'down', key: 'set' } },
  { do: 'esc', input: { type: 'up', key: 'set' } },
];

/** Follows the coach up to the step of this kind; then does this, and goes on as the plan of before had it. */
function slipAt(
  from: Rehearsal,
  isThere: (rehearsal: Rehearsal) => boolean,
  slip: Deed[],
  inFaith: number,
): Rehearsal {
  let rehearsal = from;
  for (let n = 0; n < 100 && !isThere(rehearsal); n += 1) {
    for (const deed of deedsOf(rehearsal, stepOf(rehearsal))) rehearsal = perform(rehearsal, deed);
  }
  const plan = ahead(rehearsal.lesson, rehearsal.bench);
  const meant =
    typeof plan === 'string' ? [] : plan.steps.slice(0, inFaith).flatMap((step) => deedsOf(rehearsal, step));
  return [...slip, ...meant].reduce(perform, rehearsal);
}

function stepOf({ lesson, bench }: Rehearsal) {
  const plan = ahead(lesson, bench);
  if (typeof plan === 'string') throw new Error(plan);
  return plan.steps[0]!;
}

describe('a slip is told', () => {
  it('one press too many stores the next stop: where it went, what would have shown it', () => {
    const lesson = lessonFor(oneKey, 'changeOne', 'oneKey')!;
    const done = slipAt(begin(lesson), ({ bench }) => bench.esc.config.state === 'opened', PRESS, 2);
    const { slips, passed } = judge(done);
    expect(passed).toBe(false);
    const [item] = Object.keys(lesson.target.stops).filter(
      (id) => lesson.target.stops[id] !== oneKey.stops[id],
    );
    const held = done.bench.esc.config.memory.stops[item!]!;
    const stored = slips.find(({ kind }) => kind === 'setOther')!;
    const words = slipInWords(lesson, stored);
    const label = lesson.profile.items
      .find(({ id }) => id === item)!
      .stops.find(({ id }) => id === held)!.label;
    expect(words.title).toContain(`went to “${label}”`);
    expect(words.consequence).toContain(`at “${label}” instead of`);
    expect(words.noticed).toContain('long beep');
    // The coach leads back, and no further slip is found on the way.
    const back = follow(done);
    expect(isPassed(lesson, back.bench)).toBe(true);
    expect(judge(back).slips).toHaveLength(slips.length);
  });

  it('a group that went by costs a round, and stores nothing', () => {
    const lesson = lessonFor(tones, 'changeOne', 'stickTones')!;
    const isWindow = (rehearsal: Rehearsal): boolean => {
      const step = stepOf(rehearsal);
      return step.kind === 'gesture' && step.gesture.kind === 'stick' && step.gesture.during?.of === 'item';
    };
    const done = slipAt(begin(lesson), isWindow, [], 0);
    const step = stepOf(done);
    if (step.kind !== 'gesture' || step.gesture.kind !== 'stick') throw new Error('no window');
    const missed = perform(done, { do: 'wait', ms: step.gesture.afterMs + step.gesture.withinMs! + 100 });
    const [slip] = judge(missed).slips;
    expect(slip).toMatchObject({ kind: 'missed', changes: [] });
    expect(slip!.lostSeconds).toBeGreaterThan(10);
    expect(slipInWords(lesson, slip!).consequence).toBe('');
  });

  it('a guess does not count as read', () => {
    const lesson = lessonFor(oneKey, 'readBack', 'oneKey')!;
    const [itemId] = lesson.tell;
    const guess: Deed = { do: 'tell', itemId: itemId!, stopId: lesson.target.stops[itemId!]! };
    const on: Deed[] = [
      { do: 'esc', input: { type: 'power', on: true } },
      { do: 'wait', ms: 3000 },
    ];
    const done = [...on, guess].reduce(perform, begin(lesson));
    const { passed, slips } = judge(done);
    expect(passed).toBe(false);
    expect(slips.map(({ kind }) => kind)).toEqual(['guessed']);
    expect(isPassed(lesson, follow(done).bench)).toBe(true);
  });

  it('a throttle short of its end teaches a wrong one, and how much of it would be clipped', () => {
    const lesson = lessonFor(tones, 'calibrate', undefined)!;
    const short: Deed[] = [
      { do: 'throttle', position: 0.8 },
      { do: 'esc', input: { type: 'power', on: true } },
      { do: 'wait', ms: 4000 },
      { do: 'throttle', position: -1 },
      { do: 'wait', ms: 3000 },
    ];
    const { slips } = judge(short.reduce(perform, begin(lesson)));
    const learned = slips.find(({ range }) => range !== undefined)!;
    expect(learned.kind).toBe('learnedOther');
    const rig = defaultRig('sportPlane');
    const situation = {
      rig,
      profile: tones.profile,
      stops: tones.stops,
      range: rangeOf(rig.channel),
      rules: undefined,
      goals: usualGoals('sportPlane'),
    };
    expect(effectOf(situation, learned)).toMatch(/The last 1\d.* of the throttle would do nothing/);
    // What the driver's own end points take away is no slip's doing.
    const limited = { ...rig, channel: { ...rig.channel, forwardEndPointPercent: 60 } };
    const { slips: told } = reportOf(short.reduce(perform, begin(lesson)), { ...situation, rig: limited });
    const { effect } = told.find(({ kind }) => kind === 'learnedOther')!;
    expect(effect).toBe(effectOf(situation, learned));
  });
});

it('a wrong cutoff has a verdict, and a wrong brake a number of its drill', () => {
  const { profile } = ARCHETYPES.find(({ serves }) => serves.includes('tenthBuggy'))!;
  const rig = defaultRig('tenthBuggy');
  const brake = itemForSetting(profile, 'brakeStrength')!;
  const stops = Object.fromEntries(profile.items.map(({ id, factoryStopId }) => [id, factoryStopId]));
  const situation = {
    rig,
    profile,
    stops,
    range: rangeOf(rig.channel),
    rules: undefined,
    goals: usualGoals('tenthBuggy'),
  };
  const fromStopId = stops[brake.id]!;
  const toStopId = brake.stops.find(({ id }) => id !== fromStopId)!.id;
  const changes = [{ itemId: brake.id, fromStopId, toStopId }];
  expect(effectOf(situation, { changes, range: undefined })).toMatch(/→/);
  const cutoff = itemForSetting(profile, 'cutoff')!;
  const off = cutoff.stops.find(({ value }) => value.kind === 'off')!;
  const unguarded = [{ itemId: cutoff.id, fromStopId: stops[cutoff.id]!, toStopId: off.id }];
  expect(effectOf(situation, { changes: unguarded, range: undefined })).toMatch(/cutoff|protect/i);
});
