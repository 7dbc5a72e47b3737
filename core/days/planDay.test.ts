import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bestByBruteForce, type Score } from './bruteForce.fixture';
import type { DayPlan, DayProblem } from './dayProblem';
import { abaQuestion, dayOf } from './days.fixture';
import { planDay } from './planDay';
import { planFaults } from './planFaults';

function scoreOf({ questions }: DayProblem, plan: DayPlan): Score {
  const levels = [...new Set(questions.map(({ importance }) => importance))].sort((a, b) => a - b);
  const counts = levels.map(
    (level) => -questions.filter((one) => one.importance === level && plan.answered.includes(one.id)).length,
  );
  return [...counts, plan.firstAnswerAt ?? 0, plan.endsAt, plan.loadCount].map((value) => value + 0);
}

/** Small days of all kinds: short ones, hot ones, with few packs, few chargers, nobody beside them, questions begun. */
const smallDays = fc
  .record({
    minutes: fc.integer({ min: 20, max: 240 }),
    cool: fc.integer({ min: 5, max: 40 }),
    coolAt: fc.integer({ min: 530, max: 570 }),
    charge: fc.integer({ min: 20, max: 80 }),
    charged: fc.array(fc.boolean(), { minLength: 1, maxLength: 3 }),
    chargers: fc.array(fc.integer({ min: 530, max: 560 }), { maxLength: 2 }),
    chargersWatched: fc.boolean(),
    questions: fc.array(
      fc.record({
        rigId: fc.constantFrom('buggy', 'crawler'),
        importance: fc.integer({ min: 1, max: 2 }),
        runs: fc.integer({ min: 1, max: 3 }),
        runMinutes: fc.integer({ min: 4, max: 12 }),
        onePack: fc.boolean(),
        startsWithB: fc.boolean(),
      }),
      { minLength: 1, maxLength: 2 },
    ),
  })
  .map((day) => {
    const questions = day.questions.map(({ rigId, runs, startsWithB, ...part }, n) => {
      const sides = startsWithB ? (['B', 'A', 'B'] as const) : (['A', 'B', 'A'] as const);
      return abaQuestion(`q${n}`, rigId, {
        ...part,
        runs: sides.slice(0, runs).map((side) => ({ side, holds: side === 'A' ? 'base' : `q${n}` })),
      });
    });
    const base = dayOf(questions);
    return {
      ...base,
      endsAt: base.startsAt + day.minutes,
      rigs: base.rigs.map((rig) => ({ ...rig, coolMinutes: day.cool, coolAt: day.coolAt })),
      chargers: day.chargers,
      chargersWatched: day.chargersWatched,
      packs: day.charged.map((isCharged, n) => ({
        id: `p${n}`,
        fits: n === 0 ? ['buggy', 'crawler'] : [n === 1 ? 'buggy' : 'crawler'],
        isCharged,
        readyAt: 540,
        firstChargeMinutes: isCharged ? 0 : day.charge + 7,
        chargeMinutes: day.charge + n,
        restMinutes: 10,
      })),
    } satisfies DayProblem;
  });

describe('a plan', () => {
  it('breaks no limit: time, hands, motors, packs, chargers, values; and puts back what it loads', () => {
    fc.assert(
      fc.property(smallDays, (problem) => {
        expect(planFaults(problem, planDay(problem).steps)).toEqual([]);
      }),
      { numRuns: 400 },
    );
  });

  it('is as good as the best of all plans, on small days', () => {
    fc.assert(
      fc.property(
        smallDays.filter(({ packs, questions }) => packs.length * questions.length <= 4),
        (problem) => {
          const plan = planDay(problem);
          expect(plan.isProven).toBe(true);
          expect(scoreOf(problem, plan)).toEqual(bestByBruteForce(problem).map((value) => value + 0));
        },
      ),
      { numRuns: 120 },
    );
  }, 60_000);

  it('is the same each time', () => {
    const problem = dayOf([abaQuestion('a', 'buggy'), abaQuestion('b', 'crawler', { importance: 2 })]);
    expect(planDay(problem)).toEqual(planDay(problem));
  });

  it('answers the important question rather than two others', () => {
    const questions = [
      abaQuestion('long', 'buggy', { runMinutes: 20, onePack: true }),
      abaQuestion('short1', 'crawler', { importance: 2, runMinutes: 3 }),
      abaQuestion('short2', 'crawler', { importance: 2, runMinutes: 3 }),
    ];
    const wide = dayOf(questions);
    expect(planDay(wide).answered.toSorted()).toEqual(['long', 'short1', 'short2']);
    const alone = planDay(dayOf([questions[0]!]));
    const narrow = dayOf(questions, { endsAt: alone.endsAt });
    expect(planDay(narrow).answered).toContain('long');
    expect(planDay(narrow).firstAnswerAt).toBe(alone.firstAnswerAt);
  });

  it('drives one model while the motor of the other cools', () => {
    const both = planDay(dayOf([abaQuestion('a', 'buggy'), abaQuestion('b', 'crawler')]));
    const one = planDay(dayOf([abaQuestion('a', 'buggy')]));
    const other = planDay(dayOf([abaQuestion('b', 'crawler')]));
    expect(both.answered).toHaveLength(2);
    expect(both.endsAt - 540).toBeLessThan(one.endsAt - 540 + other.endsAt - 540);
  });

  it('goes on with what was begun, on the pack that it was begun with', () => {
    const begun = abaQuestion('a', 'buggy', {
      runs: [{ side: 'A', holds: 'base' }],
      onePack: true,
      begunWith: 'b2',
      isBegun: true,
    });
    const { steps } = planDay(dayOf([abaQuestion('b', 'buggy'), begun]));
    const runs = steps.filter(({ kind }) => kind === 'run');
    expect(runs[0]).toMatchObject({ questionId: 'a', packId: 'b2' });
  });
});

describe('a day that runs late', () => {
  it('is over, but what was loaded is put back', () => {
    const day = dayOf([abaQuestion('a', 'buggy')]);
    const late = {
      ...day,
      startsAt: day.endsAt + 5,
      rigs: day.rigs.map((rig) => (rig.id === 'buggy' ? { ...rig, holds: 'a' } : rig)),
    };
    const plan = planDay(late);
    expect(plan.steps).toEqual([
      { kind: 'load', rigId: 'buggy', holds: 'base', questionId: null, from: 905, to: 907 },
    ]);
    expect(planFaults(late, plan.steps)).toEqual([]);
  });

  it('never drops a more important question for a less important one', () => {
    fc.assert(
      fc.property(smallDays, fc.integer({ min: 1, max: 60 }), (problem, late) => {
        const questions = problem.questions.map((one, n) => ({ ...one, importance: n + 1 }));
        const day = { ...problem, questions };
        const before = planDay(day);
        const after = planDay({ ...day, startsAt: day.startsAt + late });
        const dropped = questions.find(
          ({ id }) => before.answered.includes(id) && !after.answered.includes(id),
        );
        const isNew = questions.some(
          ({ id, importance }) =>
            after.answered.includes(id) &&
            !before.answered.includes(id) &&
            importance > (dropped?.importance ?? Infinity),
        );
        // Another comes in its place only where the dropped one cannot be answered at all any more.
        if (dropped && isNew)
          expect(planDay({ ...day, startsAt: day.startsAt + late, questions: [dropped] }).answered).toEqual(
            [],
          );
      }),
      { numRuns: 300 },
    );
  });
});
