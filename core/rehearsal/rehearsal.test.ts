import { describe, expect, it } from 'vitest';
import { ahead, learnerSeconds } from './ahead';
import { surroundings } from './archetypes.fixture';
import { follow } from './follow.fixture';
import { lessonFor } from './makeLessons';
import { begin, perform } from './rehearsal';
import { isPassed, stopsLeft, type LessonId } from './lesson';

const oneKey = surroundings.find(({ profile }) => profile.media[0]!.family === 'oneKey')!;
const lesson = (id: LessonId) => lessonFor(oneKey, id, 'oneKey')!;

describe('moments', () => {
  it('are none while one waits and nothing happens, and time passes all the same', () => {
    const waited = perform(begin(lesson('changeOne')), { do: 'wait', ms: 60_000 });
    expect(waited.moments).toEqual([]);
    expect(waited.bench.atMs).toBe(60_000);
  });

  it('are one for each thing that happens by itself in a long wait', () => {
    const on = perform(begin(lesson('changeOne')), { do: 'esc', input: { type: 'power', on: true } });
    const started = perform(on, { do: 'wait', ms: 10_000 });
    expect(started.moments.map(({ atMs, after }) => `${atMs} ${after.esc.config.state}`)).toEqual([
      '0 boot',
      '1700 driving',
    ]);
    expect(started.bench.atMs).toBe(10_000);
  });
});

describe('a lesson in which the power is lost', () => {
  it('loses it once, when something is stored and something is left to store', () => {
    const { moments } = follow(begin(lesson('lineLost')));
    const lost = moments.filter(({ byItself }) => byItself);
    expect(lost).toHaveLength(1);
    const left = stopsLeft(lesson('lineLost'), lost[0]!.before).length;
    expect([1, 2]).toContain(left);
  });
});

it('a menu is left as well by waiting until the ESC leaves it by itself', () => {
  // It closes its menu after 22 s without a press.
  const waited = perform(begin(lesson('leaveAlone')), { do: 'wait', ms: 22_050 });
  expect(isPassed(waited.lesson, waited.bench)).toBe(true);
});

it('a learner has three seconds for each step, beside what the ESC asks', () => {
  const { start } = lesson('prepareRadio');
  const plan = ahead(lesson('prepareRadio'), start);
  // Trim, end point, throttle hold: three steps that wait for nothing.
  expect(typeof plan === 'string' ? plan : learnerSeconds(plan)).toBe(9);
});
