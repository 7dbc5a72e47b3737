import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { CheckLine, DayEvent, RaceDay, RigFacts, TestDay } from './day';
import { BARE_RACE, BARE_TEST } from './days.fixture';
import { mergeDays } from './mergeDays';

const line = (id: string, doneAt: string | null = null): CheckLine => ({ id, words: `Check ${id}`, doneAt });
const race = (checks: CheckLine[], more: Partial<RaceDay> = {}): RaceDay => ({
  ...BARE_RACE,
  checks,
  ...more,
});
const TEST = BARE_TEST;
const event = (at: string, what: DayEvent['what'] = 'late'): DayEvent => ({
  at,
  what,
  questionId: '',
  minutes: 5,
});
const [NINE, TEN] = ['2026-11-29T09:00:00.000Z', '2026-11-29T10:00:00.000Z'];

describe('a day that was changed at two places', () => {
  it('has the ticks of both, and what only one side changed', () => {
    const base = race([line('nuts'), line('pack'), line('lid')]);
    const mine = race([line('nuts', NINE), line('pack'), line('lid')]);
    const theirs = race([line('nuts'), line('pack', TEN), line('lid')], { airCelsius: 20 });
    expect(mergeDays(base, mine, theirs)).toEqual({
      day: race([line('nuts', NINE), line('pack', TEN), line('lid')], { airCelsius: 20 }),
      conflicts: [],
    });
  });

  it('was ticked when the first of two said so', () => {
    const base = race([line('nuts')]);
    const both = mergeDays(base, race([line('nuts', TEN)]), race([line('nuts', NINE)]));
    expect(both).toEqual({ day: race([line('nuts', NINE)]), conflicts: [] });
  });

  it('says openly what cannot both be, and shows theirs', () => {
    const base = race([line('nuts')]);
    const { day, conflicts } = mergeDays(
      base,
      race([{ ...line('nuts', NINE), words: 'Tighten the nuts' }], { airCelsius: 5 }),
      race([{ ...line('nuts'), words: 'Look at the nuts' }], { airCelsius: 30 }),
    );
    expect(day).toEqual(race([{ ...line('nuts', NINE), words: 'Look at the nuts' }], { airCelsius: 30 }));
    expect(conflicts).toEqual([
      { path: 'airCelsius', mine: 5, theirs: 30 },
      { path: 'checks.words', mine: 'Tighten the nuts', theirs: 'Look at the nuts' },
    ]);
  });

  it('keeps a line that one took away while the other changed it, and lets go of one that nobody touched', () => {
    const base = race([line('nuts'), line('pack')]);
    expect(mergeDays(base, race([line('nuts')]), race([line('nuts'), line('pack')])).day.checks).toEqual([
      line('nuts'),
    ]);
    expect(mergeDays(base, race([line('nuts')]), race([line('nuts'), line('pack', TEN)])).day.checks).toEqual(
      [line('nuts'), line('pack', TEN)],
    );
    expect(mergeDays(base, race([line('nuts'), line('pack', TEN)]), race([line('nuts')])).day.checks).toEqual(
      [line('nuts'), line('pack', TEN)],
    );
  });

  it('has what happened on both sides in the order in which it happened, each once', () => {
    const base = { ...TEST, events: [event('2026-11-29T08:00:00.000Z')] };
    const mine = { ...base, events: [...base.events, event(TEN, 'end')] };
    const theirs = { ...base, events: [...base.events, event(NINE)] };
    expect(mergeDays(base, mine, theirs).day.events.map(({ at }) => at)).toEqual([
      '2026-11-29T08:00:00.000Z',
      NINE,
      TEN,
    ]);
    expect(mergeDays(base, mine, mine).day).toEqual(mine);
  });

  it('has what was worked out at one side whole: of two halves nothing would be right', () => {
    const facts = (runMinutes: number, coolMinutes: number): RigFacts => ({
      rigId: 'buggy',
      questionIds: ['q'],
      runMinutes,
      airCelsius: null,
      returnsTo: {},
      coolMinutes,
      mahPerMinute: 300,
      loads: [],
    });
    const day = (fact: RigFacts): TestDay => ({ ...TEST, facts: [fact] });
    // Here longer runs, there another cooling of the same runs.
    const merged = mergeDays(day(facts(6, 20)), day(facts(9, 20)), day(facts(6, 25)));
    expect(merged).toEqual({ day: day(facts(6, 25)), conflicts: [] });
  });

  it('loses no tick and makes none, whoever ticked what', () => {
    const ticks = fc.array(fc.boolean(), { minLength: 6, maxLength: 6 });
    const ticked = (marks: boolean[], at: string): RaceDay =>
      race(marks.map((isDone, n) => line(String(n), isDone ? at : null)));
    fc.assert(
      fc.property(ticks, ticks, (mine, theirs) => {
        const { day, conflicts } = mergeDays(
          ticked([...mine].fill(false), ''),
          ticked(mine, NINE),
          ticked(theirs, TEN),
        );
        expect(conflicts).toEqual([]);
        expect(day.checks.map(({ doneAt }) => doneAt !== null)).toEqual(
          mine.map((is, n) => is || theirs[n]!),
        );
      }),
    );
  });
});
