import { describe, expect, it } from 'vitest';
import { defaultRig } from '../rig/defaults';
import { matchTable } from './matchTable';

const { channel } = defaultRig('twinPlane');
const good = { brakeMicros: 1000, neutralMicros: 1000, forwardMicros: 2000 };
const late = { brakeMicros: 1100, neutralMicros: 1100, forwardMicros: 2000 };
const early = { brakeMicros: 1000, neutralMicros: 1000, forwardMicros: 1880 };
const esc = (name: string, range: typeof good, isKnown = true) => ({
  name,
  range,
  deadbandMicros: 20,
  isKnown,
});

describe('several motors on one stick', () => {
  it('agree where they have learned the same', () => {
    const table = matchTable(channel, [esc('left', good), esc('right', good)]);
    expect(table.redo).toEqual([]);
    expect([table.startSpread, table.fullSpread]).toEqual([0, 0]);
    expect(table.sentence).toContain('reach full together');
  });

  it('start and full are per cent of the stick', () => {
    const { rows, startSpread } = matchTable(channel, [esc('left', good), esc('right', late)]);
    // 20 of 1000 µs of deadband; 100 µs more that the right one waits for.
    expect(rows.map(({ startShare }) => Math.round(startShare * 1000) / 10)).toEqual([2, 12]);
    expect(startSpread).toBeCloseTo(0.1, 6);
  });

  it('of four, the one that differs is named', () => {
    const table = matchTable(
      channel,
      ['a', 'b', 'c', 'd'].map((n) => esc(n, n === 'c' ? late : good)),
    );
    expect(table.redo).toEqual([2]);
    expect(table.sentence).toContain(
      'Calibrate c again with the trims of the others: it starts at 12\u00a0%',
    );
  });

  it('of three, the odd one is named, wherever it stands; where no two agree, all are', () => {
    for (const place of [0, 1, 2]) {
      const three = [0, 1, 2].map((n) => esc(`m${n}`, n === place ? late : good));
      expect(matchTable(channel, three).redo).toEqual([place]);
    }
    const table = matchTable(channel, [esc('a', good), esc('b', late), esc('c', early)]);
    expect(table.redo).toEqual([0, 1, 2]);
    expect(table.sentence).toContain('all differ');
  });

  it('what is only assumed never outvotes what is known', () => {
    const table = matchTable(channel, [esc('left', good), esc('right', late, false)]);
    expect(table.redo).toEqual([1]);
    expect(table.sentence).toContain('Calibrate right with the trims of the others');
    expect(table.sentence).toContain('as far as is assumed');
    // Two that nobody has looked at agree with each other, and have no vote against the one that was calibrated.
    const four = [esc('a', late), esc('b', good, false), esc('c', good, false), esc('d', late, false)];
    expect(matchTable(channel, four).redo).toEqual([1, 2]);
    // Among those that are known it is as ever.
    const known = [esc('a', good), esc('b', late), esc('c', good)];
    expect(matchTable(channel, [...known, esc('d', early, false)]).redo).toEqual([1, 3]);
    const two = [esc('a', late), esc('b', early), esc('c', good, false)];
    // Two known ones that differ leave nothing to hold the third against, whichever of them it is like.
    const torn = matchTable(channel, [esc('a', good), esc('b', late), esc('c', good, false)]);
    expect(torn.redo).toEqual([0, 1, 2]);
    expect(torn.sentence).toContain('it is unclear which one is right');
    // Of two the one that leaves travel unused is odd; what is assumed is held against the other.
    expect(matchTable(channel, two).redo).toEqual([1, 2]);
  });

  it('names several that are odd, with what each does', () => {
    const names = ['front left', 'front right', 'rear left', 'rear right', 'tail'];
    const table = matchTable(
      channel,
      names.map((name, place) => esc(name, place === 1 ? late : place === 4 ? early : good)),
    );
    expect(table.redo).toEqual([1, 4]);
    expect(table.sentence).toContain('Calibrate front right and tail again with the trims of the others');
    expect(table.sentence).toMatch(
      /starts at 12.% and reaches full at 100.%; starts at 2.% and reaches full at 88.%/,
    );
  });

  it('of two, the one that leaves travel unused is named', () => {
    const table = matchTable(channel, [esc('left', good), esc('right', early)]);
    expect(table.redo).toEqual([1]);
    expect(table.sentence).toContain('reaches full at 88\u00a0%');
  });

  it('of two that both use the whole travel, nobody can tell which is right: both', () => {
    expect(matchTable(channel, [esc('left', good), esc('right', late)]).redo).toEqual([0, 1]);
  });

  it('one that never reaches full is named', () => {
    const weak = { ...good, forwardMicros: 2100 };
    const table = matchTable(channel, [esc('left', good), esc('right', weak)]);
    expect(table.sentence).toContain('never reaches full');
    expect(table.redo).toEqual([1]);
  });

  it('differences within a hundredth of the travel are none', () => {
    const nearly = { ...good, forwardMicros: 1994 };
    expect(matchTable(channel, [esc('left', good), esc('right', nearly)]).redo).toEqual([]);
  });
});

describe('what is said of them', () => {
  it('two that differ are both named, each with where it starts and gives all', () => {
    const { redo, sentence } = matchTable(channel, [esc('left', late), esc('right', early)]);
    // The left one uses the whole travel.
    expect(redo).toEqual([1]);
    expect(sentence).toContain('Calibrate right again');
    expect(sentence).toContain('starts at 2\u00a0% and reaches full at 88\u00a0%');
  });

  it('two of four are named in one list', () => {
    const four = [esc('a', good), esc('b', late), esc('c', good), esc('d', early)];
    expect(matchTable(channel, four).sentence).toContain('Calibrate b and d again');
  });

  it('a hundredth of the stick is alike, and more is not', () => {
    const by = (micros: number) => ({ ...good, neutralMicros: 1000 + micros, brakeMicros: 1000 + micros });
    expect(matchTable(channel, [esc('left', good), esc('right', by(9.5))]).redo).toEqual([]);
    expect(matchTable(channel, [esc('left', good), esc('right', by(11))]).redo).not.toEqual([]);
    expect(matchTable(channel, [esc('left', good), esc('right', by(5.5))]).sentence).toContain('0.6\u00a0%');
  });
});
