import { describe, expect, it } from 'vitest';
import { cellOfNumber, numberCell } from './numberCell';
import { newItem, type SketchItem } from './sketch';
import { lineOfStops, stopsFromLine, withLine } from './stopsLine';
import { withSetting } from './suggest';

const item = (line: string, label = 'Empty at'): SketchItem => withLine(newItem('empty', label), line);

describe('a number among stops', () => {
  it.each([
    ['4.4 … 21.0 V, step 0.1', 167, '4.4 V', '21.0 V'],
    ['4.4-21.0V (step 0.1V)', 167, '4.4 V', '21.0 V'],
    ['0 to 30 ° in steps of 0.5', 61, '0.0 °', '30.0 °'],
    ['Own 4.4 ... 21 V by 0.2', 84, 'Own 4.4 V', 'Own 21.0 V'],
    ['1500 ~ 32000 rpm steps of 100', 306, '1500 rpm', '32000 rpm'],
  ])('“%s” is read', (cell, count, first, last) => {
    const labels = numberCell(cell)?.labels ?? [];
    expect([labels.length, labels[0], labels.at(-1)]).toEqual([count, first, last]);
  });

  it.each(['25 %', '3.2 V', '1 to 40', 'Forward-Brake', '10 … 5 step 1', '0 … 9999 step 0.1', 'Step 2'])(
    '“%s” is none',
    (cell) => {
      expect(numberCell(cell)).toBeUndefined();
    },
  );

  it('stands in a line beside other stops, and the line comes back as it was typed', () => {
    const line = 'Off / 3.1 V / 3.3 V* / Own 4.4 … 21.0 step 0.1 V';
    const read = stopsFromLine(line);
    expect(read.number).toEqual({ first: 3, last: 169, begins: 3, unlockedByHold: true });
    expect(read.factory).toEqual([2]);
    expect(lineOfStops(read)).toBe(line);
  });

  it('may hold the factory’s value', () => {
    const read = stopsFromLine('0 … 30 step 1 ° at 12*');
    expect([read.stops.length, read.factory]).toEqual([31, [12]]);
    expect(cellOfNumber(read, read.number!)).toBe('0 … 30 step 1 ° at 12*');
  });

  it('of a cutoff that goes higher than any cell is the whole pack’s, from its low end on', () => {
    const { scale, stops } = withSetting(item('Off / 3.1 V / 3.3 V* / Own 4.4 … 21.0 step 0.1 V'), 'cutoff');
    expect(scale).toBe('voltsPerCell');
    expect([stops[3]!.meaning, stops.at(-1)!.meaning]).toEqual(['4.4 pack', '21 pack']);
    expect(stops[1]!.meaning).toBe('');
  });

  it('of a cutoff that any cell can have is each cell’s', () => {
    const { scale, stops } = withSetting(item('2.5 … 3.8 step 0.1 V at 3.2*'), 'cutoff');
    expect([scale, stops[0]!.meaning]).toEqual(['voltsPerCell', '']);
  });

  it('opens where it was said, also after another stop was typed in front of it', () => {
    const before = item('Off / 3.3 V* / Own 4.4 … 21.0 step 0.1 V');
    const said = { ...before, number: { ...before.number!, begins: 12, unlockedByHold: false } };
    const after = withLine(said, 'Off / 3.1 V / 3.3 V* / Own 4.4 … 21.0 step 0.1 V');
    expect(after.number).toMatchObject({ first: 3, begins: 13, unlockedByHold: false });
  });
});
