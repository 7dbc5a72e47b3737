import { describe, expect, it } from 'vitest';
import { ahead } from './ahead';
import type { EscMemory } from '../procedure/language';
import { isResting, type Deed } from './bench';
import { surroundings } from './archetypes.fixture';
import { deedsOf, follow } from './follow.fixture';
import { judge, slipIn, SLIP_KINDS, type SlipKind } from './judge';
import { isPassed, isRangeRight, type Lesson } from './lesson';
import { endPointLessons, settingLessons } from './makeLessons';
import { begin, perform, type Rehearsal } from './rehearsal';
import { slipInWords } from './slipWords';
import { strokesAt } from './strokes.fixture';
import { strokesOf, type Stroke } from './strokes';

const MOST_STEPS = 120;

/** The rehearsal at each rest on the coach's way. */
function restsOf(lesson: Lesson): Rehearsal[] {
  const rests: Rehearsal[] = [];
  let rehearsal = begin(lesson);
  for (let n = 0; n < MOST_STEPS && !isPassed(lesson, rehearsal.bench); n += 1) {
    if (isResting(rehearsal.bench)) rests.push(rehearsal);
    const plan = ahead(lesson, rehearsal.bench);
    if (typeof plan === 'string') break;
    for (const deed of deedsOf(rehearsal, plan.steps[0]!)) rehearsal = perform(rehearsal, deed);
  }
  return rests;
}

/** How many of the steps that were planned are done as if nothing had happened. */
const STEPS_IN_FAITH = 2;

function nextDeeds(rest: Rehearsal): Deed[] {
  const plan = ahead(rest.lesson, rest.bench);
  return typeof plan === 'string'
    ? []
    : plan.steps.slice(0, STEPS_IN_FAITH).flatMap((step) => deedsOf(rest, step));
}

/** Whatever the ESC holds after a stroke, and should not, is named as it is in its memory. */
function checkSlip(lesson: Lesson, stroke: Stroke, what: string): void {
  const slip = slipIn(lesson, stroke);
  if (slip) {
    seen.add(slip.kind);
    const words = slipInWords(lesson, slip);
    expect(words.title, what).not.toBe('');
    expect(words.noticed, what).toMatch(/\w/);
    expect(words.consequence === '', what).toBe(slip.changes.length === 0 && !slip.range);
  }
  const [before, after] = [stroke.before, stroke.after].map(({ esc }) => esc.config.memory) as [
    EscMemory,
    EscMemory,
  ];
  const wrong = Object.keys(after.stops).filter(
    (id) => after.stops[id] !== before.stops[id] && after.stops[id] !== lesson.target.stops[id],
  );
  const named = slip?.changes ?? [];
  expect(named.map(({ itemId }) => itemId).toSorted(), what).toEqual(wrong.toSorted());
  for (const { itemId, fromStopId, toStopId } of named)
    expect([fromStopId, toStopId], what).toEqual([before.stops[itemId], after.stops[itemId]]);
  if (after.range !== before.range && !isRangeRight(lesson, after.range))
    expect(slip?.range?.after, what).toEqual(after.range);
}

const seen = new Set<SlipKind>();

describe.each(surroundings)('$profile.name', (from) => {
  const lessons = [
    ...endPointLessons(from).filter(({ id }) => id === 'calibrate'),
    ...from.profile.media.flatMap((medium) =>
      settingLessons(from, medium).filter(({ id }) => id === 'changeOne'),
    ),
  ];

  it.each(lessons)('every stroke that the machine allows is judged: $id $medium.family', (lesson) => {
    for (const rest of restsOf(lesson)) {
      for (const deeds of strokesAt(rest.bench)) {
        const meant = nextDeeds(rest);
        const done = [...deeds, ...meant].reduce(perform, { ...rest, moments: [] });
        const what = `${rest.bench.esc.config.state}: ${JSON.stringify(deeds)}, then ${JSON.stringify(meant)}`;
        for (const stroke of strokesOf(done.moments)) checkSlip(lesson, stroke, what);
      }
    }
  });
});

it('meets every kind that a machine has', () => {
  const ofHands: SlipKind[] = ['misread', 'guessed', 'radioMoved'];
  expect(
    Object.keys(SLIP_KINDS).filter(
      (kind) => !seen.has(kind as SlipKind) && !ofHands.includes(kind as SlipKind),
    ),
  ).toEqual([]);
});

it('finds no slip in a rehearsal that follows the coach', () => {
  for (const from of surroundings) {
    for (const lesson of [
      ...endPointLessons(from),
      ...from.profile.media.flatMap((medium) => settingLessons(from, medium)),
    ]) {
      const { slips, passed } = judge(follow(begin(lesson)));
      expect(slips.map(({ kind, atMs }) => `${lesson.id} ${lesson.medium?.family} ${kind} ${atMs}`)).toEqual(
        [],
      );
      expect(passed).toBe(true);
    }
  }
});
