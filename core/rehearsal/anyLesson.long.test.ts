import fc from 'fast-check';
import { expect, it } from 'vitest';
import { factoryStops } from '../esc/profile';
import { anyBench } from '../plan/anyBench.fixture';
import { ahead } from './ahead';
import { surroundings } from './archetypes.fixture';
import { follow } from './follow.fixture';
import { isPassed, type Lesson } from './lesson';
import { endPointLessons, settingLessons } from './makeLessons';
import { begin, perform } from './rehearsal';
import { strokesAt } from './strokes.fixture';

it('lessons of any menu, by any medium, are passed by following the coach', () => {
  fc.assert(
    fc.property(anyBench, fc.nat(), ({ profile, channel, by }, which) => {
      const from = { profile, channel, stops: factoryStops(profile), cells: 3, draft: {} };
      const medium = profile.media.find(({ family }) => family === by)!;
      const lessons = [...endPointLessons(from), ...settingLessons(from, medium)];
      const lesson = lessons[which % lessons.length]!;
      // Some of these ESCs cannot be worked with this radio at all: a trigger has no right down, say.
      fc.pre(typeof ahead(lesson, lesson.start) !== 'string');
      const { bench } = follow(begin(lesson));
      expect(isPassed(lesson, bench)).toBe(true);
      expect(bench.esc.config.memory.stops).toEqual(lesson.target.stops);
    }),
    { numRuns: 120 },
  );
});

const lessons: Lesson[] = surroundings.flatMap((from) => [
  ...endPointLessons(from),
  ...from.profile.media.flatMap((medium) => settingLessons(from, medium)),
]);

it('wherever hands have led, the coach leads back', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...lessons),
      fc.array(fc.nat(), { minLength: 1, maxLength: 8 }),
      (lesson, choices) => {
        const led = choices.reduce((rehearsal, choice) => {
          const strokes = strokesAt(rehearsal.bench);
          return strokes[choice % strokes.length]!.reduce(perform, rehearsal);
        }, begin(lesson));
        expect(isPassed(lesson, follow(led).bench)).toBe(true);
      },
    ),
    { numRuns: 200 },
  );
});
