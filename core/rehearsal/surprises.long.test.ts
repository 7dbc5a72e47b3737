import { describe, expect, it } from 'vitest';
import { ahead } from './ahead';
import { surroundings } from './archetypes.fixture';
import { deedsOf, follow } from './follow.fixture';
import { isPassed } from './lesson';
import { endPointLessons, settingLessons } from './makeLessons';
import { begin, perform, type Rehearsal } from './rehearsal';
import { SURPRISE_OF, SURPRISES, surprisesFor, type SurpriseId } from './surprises';

const met = new Set<SurpriseId>();

/** A learner who names it once the coach knows no way, or at the end, and does what the remedy says. */
function liveThrough(id: SurpriseId, from: Rehearsal): Rehearsal {
  let rehearsal = from;
  const surprise = SURPRISE_OF[id];
  for (let n = 0; n < 60; n += 1) {
    const { lesson, bench } = rehearsal;
    const plan = ahead(lesson, bench);
    if (typeof plan === 'string' || isPassed(lesson, bench)) break;
    for (const deed of deedsOf(rehearsal, plan.steps[0]!)) rehearsal = perform(rehearsal, deed);
  }
  return follow({ ...rehearsal, bench: surprise.correct(rehearsal.bench) });
}

describe.each(surroundings)('$profile.name', (from) => {
  const lessons = [
    ...endPointLessons(from),
    ...from.profile.media.flatMap((medium) => settingLessons(from, medium)),
  ];
  const cases = lessons.flatMap((lesson) => surprisesFor(lesson).map((id) => ({ id, lesson })));

  it.each(cases)('$id in $lesson.id by $lesson.medium.family is got over', ({ id, lesson }) => {
    met.add(id);
    const surprise = SURPRISE_OF[id];
    const { bench } = liveThrough(id, begin(lesson, [surprise]));
    expect(surprise.isOver(bench, lesson)).toBe(true);
    expect(isPassed(lesson, bench)).toBe(true);
  });
});

it('every surprise happens somewhere', () => {
  expect([...met].toSorted()).toEqual(Object.keys(SURPRISES).toSorted());
});
