import { describe, expect, it } from 'vitest';
import { numberBoxPattern } from '../archetypes/cars';
import { labelsInWords, numberFieldProblems, numbersOf } from './numberField';
import { itemById, type NumberField, type ProfileItem } from './profile';

const item = itemById(numberBoxPattern, 'empty-at');
const withField = (change: Partial<NumberField>, of: ProfileItem = item): ProfileItem => ({
  ...of,
  numberField: { ...item.numberField!, ...change },
});
const wrong = (of: ProfileItem): number => numberFieldProblems(of, 'items.1').length;

describe('a number among the stops of an item', () => {
  it('is told by its ends', () => {
    expect(labelsInWords(item)).toEqual(['Off', '3.1 V', '3.3 V', '3.5 V', 'Own 4.4 V … Own 21.0 V']);
    expect(numbersOf(item)).toHaveLength(167);
  });

  it('has three stops at least, and opens at one of them', () => {
    const [first, , third] = numbersOf(item);
    expect(wrong(withField({ lastStopId: third!.id }))).toBe(0);
    expect(wrong(withField({ lastStopId: numbersOf(item)[1]!.id }))).toBe(1);
    expect(wrong(withField({ beginsStopId: numbersOf(item).at(-1)!.id }))).toBe(0);
    expect(wrong(withField({ beginsStopId: item.stops[0]!.id }))).toBe(1);
    expect(wrong(withField({ firstStopId: 'nowhere' }))).toBe(1);
    expect(first!.label).toBe('Own 4.4 V');
  });

  it('goes one way, all of it in one unit', () => {
    const swapped = item.stops.toSpliced(10, 2, item.stops[11]!, item.stops[10]!);
    expect(wrong({ ...item, stops: swapped })).toBe(1);
    const mixed = item.stops.map((stop, n) =>
      n === 10 ? { ...stop, value: { kind: 'number' as const, value: 5 } } : stop,
    );
    expect(wrong({ ...item, stops: mixed })).toBe(1);
  });
});
