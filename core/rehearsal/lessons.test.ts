import { describe, expect, it } from 'vitest';
import { MEDIA } from '../esc/media';
import { ahead, learnerSeconds } from './ahead';
import { surroundings } from './archetypes.fixture';
import { follow } from './follow.fixture';
import { LESSONS, type Lesson } from './lesson';
import { BEGINNERS_PATH, endPointLessons, lessonFor, settingLessons } from './makeLessons';
import { begin } from './rehearsal';

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
    expect(begin(lesson).bench.deeds).toBe(0);
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
