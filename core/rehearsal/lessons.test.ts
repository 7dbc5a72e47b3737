import { describe, expect, it } from 'vitest';
import { menuOf } from '../archetypes/menuOf.fixture';
import { MEDIA } from '../esc/media';
import { factoryStops } from '../esc/profile';
import { ahead, learnerSeconds } from './ahead';
import { surroundings } from './archetypes.fixture';
import { countedCells } from './bench';
import { follow } from './follow.fixture';
import { isPassed, LESSONS, type Lesson } from './lesson';
import {
  BEGINNERS_PATH,
  CHARGED_VOLTS_PER_CELL,
  endPointLessons,
  lessonFor,
  settingLessons,
} from './makeLessons';
import { begin } from './rehearsal';

describe('an ESC with a single item to practise on', () => {
  const only = surroundings[0]!;
  const profile = menuOf(only.profile, [2]);
  const from = { ...only, profile, stops: factoryStops(profile), draft: {} };
  const [medium] = profile.media;

  it('begins after a slip that really was one, and is put back', () => {
    const lesson = settingLessons(from, medium!).find(({ id }) => id === 'afterSlip')!;
    expect(lesson.start.esc.config.memory.stops).not.toEqual(lesson.target.stops);
    expect(lesson.target.stops).toEqual(from.stops);
    expect(follow(begin(lesson)).bench.esc.config.memory.stops).toEqual(from.stops);
  });
  it('passes all its lessons', () => {
    for (const lesson of settingLessons(from, medium!)) follow(begin(lesson));
  });
});

describe('the cells that an ESC counts', () => {
  const counted = (cells: number, voltsPerCell: number): number => countedCells({ cells, voltsPerCell });

  it('are those of any charged pack', () => {
    for (let cells = 1; cells <= 24; cells += 1) expect(counted(cells, CHARGED_VOLTS_PER_CELL)).toBe(cells);
  });
  // 6 × 3.35 V = 20.1 V, which five cells of at most 4.35 V can have; 4 × 3.35 V = 13.4 V is too much for three.
  it('are one too few of a large pack that was used, and right for a small one', () => {
    expect(counted(6, 3.35)).toBe(5);
    expect(counted(4, 3.35)).toBe(4);
  });
});

describe.each(surroundings)('$profile.name', (from) => {
  const { profile } = from;
  const lessons = [
    ...endPointLessons(from),
    ...profile.media.flatMap((medium) => settingLessons(from, medium)),
  ];

  it('has every lesson, for each medium', () => {
    const perMedium = Object.keys(LESSONS).length - endPointLessons(from).length;
    expect(lessons).toHaveLength(endPointLessons(from).length + profile.media.length * perMedium);
    expect(new Set(lessons.map(({ id }) => id))).toEqual(new Set(Object.keys(LESSONS)));
  });

  it.each(lessons)('$id $medium.family is passed by following the coach', (lesson) => {
    expect(isPassed(lesson, lesson.start)).toBe(false);
    const { bench, moments } = follow(begin(lesson));
    expect(bench.esc.config.memory.stops).toEqual(lesson.target.stops);
    expect(moments.some(({ byItself }) => byItself)).toBe(lesson.breaks);
  });

  it('teaches a beginner in ten minutes', () => {
    const seconds = BEGINNERS_PATH.map((id) => {
      const lesson = lessonFor(from, id, undefined)!;
      const plan = ahead(lesson, lesson.start);
      return typeof plan === 'string' ? NaN : learnerSeconds(plan);
    });
    expect(seconds.reduce((sum, s) => sum + s, 0)).toBeLessThan(600);
  });

  it('asks to read back only where it can be read', () => {
    const asks = (lesson: Lesson): boolean => lesson.tell.length > 0;
    for (const lesson of lessons.filter(asks)) expect(MEDIA[lesson.medium!.family].showsStored).toBe(true);
  });
});
