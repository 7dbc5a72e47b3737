import { describe, expect, it } from 'vitest';
import { repeatedScatter } from './compareRuns';
import { answerOf, type Question } from './question';
import type { NumberedRun, Run, Side } from './run';
import { read, smallRun } from './runs.fixture';
import { NO_SCATTER } from './statistics';

const question: Question = {
  id: 'q',
  madeAt: '2026-05-01T10:00:00.000Z',
  words: 'Does 80 % stop shorter?',
  reading: 'stopMetres',
  itemId: 'bite',
  itemNumber: 3,
  itemLabel: 'bite',
  a: { stopId: 'bite-2', stopNumber: 2, label: '50 %' },
  b: { stopId: 'bite-4', stopNumber: 4, label: '80 %' },
};

const ofSide = (number: number, side: Side, stopMetres: number, change: Partial<Run> = {}): NumberedRun =>
  smallRun(
    number,
    { ...read({ stopMetres }), question: { id: 'q', side }, ...change },
    { bite: side === 'A' ? 'bite-2' : 'bite-4' },
  );
const series = (...metres: number[]): NumberedRun[] =>
  metres.map((stopMetres, place) => ofSide(place + 1, place % 2 === 0 ? 'A' : 'B', stopMetres));

describe('a question', () => {
  it('is driven A, B, A, and asks for the side that is missing', () => {
    expect(answerOf(question, [], NO_SCATTER)).toEqual({ state: 'open', next: ['A', 'B', 'A'] });
    expect(answerOf(question, series(6), NO_SCATTER)).toMatchObject({ next: ['B', 'A'] });
    expect(answerOf(question, series(6, 5), NO_SCATTER)).toMatchObject({ next: ['A'] });
  });

  it('takes out what changes from run to run by itself', () => {
    // The same drift of half a metre a run, and B a metre shorter.
    const answer = answerOf(question, series(6, 5.5, 7, 6.5, 8), NO_SCATTER);
    expect(answer).toMatchObject({ state: 'answered', isTold: true });
    if (answer.state !== 'answered') return;
    expect(answer.difference).toBeCloseTo(-1, 10);
    expect(answer.perRun).toBeCloseTo(0.5, 10);
    expect(answer.sentence).toContain('80 % against 50 %');
    expect(answer.sentence).toContain('1\u00a0m less (shorter)');
  });

  it('of a bare A, B, A takes the spread from the two A runs, which reaches far', () => {
    const answer = answerOf(question, series(6, 5, 6.2), NO_SCATTER);
    // One degree of freedom: 12.706 standard errors (NIST table), of √(0.02 · 1.5).
    expect(answer).toMatchObject({ state: 'answered', freedom: 1, isTold: false });
    if (answer.state !== 'answered') return;
    expect(answer.interval.high - answer.difference).toBeCloseTo(12.706 * Math.sqrt(0.02 * 1.5), 2);
    expect(answer.sentence).toContain('cannot be told apart');
  });

  it('narrows with runs that this rig repeated', () => {
    const others = [5.95, 6, 6.05, 6, 6.1].map((stopMetres, n) => smallRun(n + 20, read({ stopMetres })));
    const answer = answerOf(question, series(6, 5, 6.2), repeatedScatter(others, 'stopMetres'));
    expect(answer).toMatchObject({ state: 'answered', freedom: 4, isTold: true });
  });

  it('corrects each run by what its circumstances add', () => {
    const answer = answerOf(question, series(6, 5.5, 7, 6.5, 8), NO_SCATTER, { 2: 0.5, 4: 0.5 });
    expect(answer.state === 'answered' && answer.difference).toBeCloseTo(-1.5, 10);
  });

  it('passes over runs that were left out and those without the number', () => {
    const runs = series(6, 5, 6);
    const [first, second, third] = runs as [NumberedRun, NumberedRun, NumberedRun];
    const loose = { ...second, run: { ...second.run, leftOut: 'a wheel was loose' } };
    const unread = { ...third, run: { ...third.run, readings: [] } };
    expect(answerOf(question, [first, loose, third], NO_SCATTER)).toEqual({
      state: 'open',
      next: ['B'],
    });
    expect(answerOf(question, [first, second, unread], NO_SCATTER)).toEqual({
      state: 'open',
      next: ['A'],
    });
  });

  it('names no cause where something else was changed in between', () => {
    const runs = [ofSide(1, 'A', 6), ofSide(2, 'B', 5, { pack: 'Red' }), ofSide(3, 'A', 6)];
    expect(answerOf(question, runs, NO_SCATTER)).toEqual({ state: 'twoChanged', others: ['Pack'] });
    // Minutes are what the model takes out.
    const longer = [ofSide(1, 'A', 6), ofSide(2, 'B', 5, { minutes: 12 }), ofSide(3, 'A', 6)];
    expect(answerOf(question, longer, NO_SCATTER).state).toBe('answered');
  });

  it('packs that are alike may take turns, and their spread counts in the interval', () => {
    const onPacks = series(6, 5, 6.1).map((one, n) => ({
      ...one,
      run: { ...one.run, pack: ['Blue', 'Red', 'Blue'][n]! },
    }));
    expect(answerOf(question, onPacks, NO_SCATTER)).toEqual({ state: 'twoChanged', others: ['Pack'] });
    const reachWith = (spread: number): number => {
      const packs = { labels: ['blue', 'red'], spread };
      const answer = answerOf(question, onPacks, NO_SCATTER, {}, packs);
      if (answer.state !== 'answered') throw new Error('not answered');
      return answer.interval.high - answer.difference;
    };
    expect(reachWith(0.3)).toBeGreaterThan(reachWith(0));
    // Two variances add: 12.706 (NIST, one degree of freedom) times √((0.005 + 0.09) · 1.5).
    expect(reachWith(0.3)).toBeCloseTo(12.706 * Math.sqrt(0.095 * 1.5), 2);
  });

  it('does not count a run whose ESC held another value than its side', () => {
    const wrong = smallRun(2, { ...read({ stopMetres: 5 }), question: { id: 'q', side: 'B' } });
    expect(answerOf(question, [ofSide(1, 'A', 6), wrong, ofSide(3, 'A', 6)], NO_SCATTER)).toMatchObject({
      state: 'open',
      next: ['B'],
    });
  });
});
