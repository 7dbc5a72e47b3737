import { describe, expect, it } from 'vitest';
import { mediumOf } from '../esc/media';
import { ahead } from './ahead';
import { surroundings } from './archetypes.fixture';
import type { Deed } from './bench';
import { deedsOf, follow } from './follow.fixture';
import { endPointLessons, lessonFor, settingLessons } from './makeLessons';
import { begin, perform, type Rehearsal } from './rehearsal';
import { ifNothingIsDone, stepInWords } from './stepWords';

const tones = surroundings.find(({ profile }) => profile.media[0]!.family === 'stickTones')!;
const oneKey = surroundings.find(({ profile }) => profile.media[0]!.family === 'oneKey')!;

const stepOf = ({ lesson, bench }: Rehearsal) => {
  const plan = ahead(lesson, bench);
  if (typeof plan === 'string') throw new Error(plan);
  return plan.steps[0]!;
};

describe('what a pause tells', () => {
  it('takes its time while nothing presses', () => {
    const lesson = lessonFor(oneKey, 'changeOne', 'oneKey')!;
    expect(ifNothingIsDone(lesson, lesson.start)).toBe('Take your time: it waits for you.');
  });

  it('an ESC that starts goes on by itself', () => {
    const lesson = lessonFor(oneKey, 'changeOne', 'oneKey')!;
    const on: Deed = { do: 'esc', input: { type: 'power', on: true } };
    const { bench } = perform(begin(lesson), on);
    // 1.7 s from power on until it looks at the throttle.
    expect(ifNothingIsDone(lesson, bench)).toBe('It goes on by itself in 2\u00a0s.');
  });

  it('a group of notes that is let go by costs a whole round of the menu', () => {
    const lesson = lessonFor(tones, 'changeOne', 'stickTones')!;
    const { itemWindowMs } = mediumOf(tones.profile.media, 'stickTones')!;
    let rehearsal = begin(lesson);
    const isTime = (): boolean => {
      const step = stepOf(rehearsal);
      return step.kind === 'gesture' && step.gesture.kind === 'stick' && step.gesture.during?.of === 'item';
    };
    while (!isTime())
      for (const deed of deedsOf(rehearsal, stepOf(rehearsal))) rehearsal = perform(rehearsal, deed);
    const step = stepOf(rehearsal);
    if (step.kind !== 'gesture' || step.gesture.kind !== 'stick') throw new Error('no window');
    rehearsal = perform(rehearsal, { do: 'wait', ms: step.gesture.afterMs });
    // Every item once, and the way out.
    const roundS = ((tones.profile.items.length + 1) * itemWindowMs) / 1000;
    const said = ifNothingIsDone(lesson, rehearsal.bench);
    const [, minutes = '0', seconds] = /costs you (?:(\d+)\u00a0min )?(\d+)\u00a0s more/.exec(said)!;
    expect(Math.abs(Number(minutes) * 60 + Number(seconds) - roundS)).toBeLessThan(2);
  });
});

it('says every step that a plan has, in every lesson', () => {
  for (const from of surroundings) {
    const lessons = [
      ...endPointLessons(from),
      ...from.profile.media.flatMap((medium) => settingLessons(from, medium)),
    ];
    for (const lesson of lessons) {
      const plan = ahead(lesson, lesson.start);
      if (typeof plan === 'string') throw new Error(plan);
      for (const step of plan.steps) {
        const { before, detail } = stepInWords(lesson, lesson.start, step);
        expect(`${before} ${detail}`).not.toMatch(/undefined|NaN/);
        expect(before).not.toBe('');
      }
    }
  }
});

it('says what the radio has to be set to, until it is', () => {
  const lesson = lessonFor(oneKey, 'prepareRadio', undefined)!;
  const said: string[] = [];
  let rehearsal = begin(lesson);
  for (let n = 0; n < 3; n += 1) {
    said.push(stepInWords(lesson, rehearsal.bench, stepOf(rehearsal)).before);
    for (const deed of deedsOf(rehearsal, stepOf(rehearsal))) rehearsal = perform(rehearsal, deed);
  }
  expect(said).toEqual([
    'Set the trim to 0.',
    'Set the forward end point to 100\u00a0%.',
    'Switch throttle hold off.',
  ]);
  expect(follow(rehearsal).moments).toHaveLength(3);
});
