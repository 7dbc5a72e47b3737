import { describe, expect, it } from 'vitest';
import { readCells, readPack, readPackEntry } from './packForm';

const formOf = (fields: Record<string, string>): FormData => {
  const form = new FormData();
  for (const [name, value] of Object.entries(fields)) form.set(name, value);
  return form;
};
const TYPED = {
  label: 'Blue 1',
  chemistry: 'lipo',
  cells: '2',
  capacityMah: '5200',
  ratingC: '',
  mostChargeC: '',
  chargeAmps: '5,2',
  note: '',
};
const VOLTS = { least: 0, most: 5, unit: 'V' };

describe('a pack as it is typed', () => {
  it('counts in ampere hours, and what was not typed stays unknown', () => {
    expect(readPack(formOf(TYPED), 'p').pack).toMatchObject({
      capacityAh: 5.2,
      chargeAmps: 5.2,
      ratingC: null,
      mostChargeC: null,
    });
  });

  it('says what is wrong with each field', () => {
    const { pack, problems } = readPack(formOf({ ...TYPED, label: '', capacityMah: '5.2' }), 'p');
    expect(pack).toBeUndefined();
    expect(problems.map(({ path }) => path)).toEqual(['label', 'capacityMah']);
  });
});

describe('cells as they are typed', () => {
  it('are one number each, with spaces; a comma is a decimal point', () => {
    expect(readCells('4,19 4.18', 2, 'Volts', VOLTS)).toEqual([4.19, 4.18]);
    expect(readCells('', 2, 'Volts', VOLTS)).toEqual([]);
    expect(readCells('4.19', 2, 'Volts', VOLTS)).toContain('there are 1 numbers');
    expect(readCells('4.19 x', 2, 'Volts', VOLTS)).toContain('“x” is no number');
    expect(readCells('4.19 41', 2, 'Volts', VOLTS)).toContain('41 V cannot be');
  });

  it('a look that says nothing is asked for, a charge needs no numbers', () => {
    const made = { id: 'e', at: '2026-05-01T10:00:00.000Z' };
    const life = { pack: readPack(formOf(TYPED), 'p').pack!, entries: [], runs: [] };
    expect(readPackEntry(formOf({ doing: 'checked' }), life, made).problems).toHaveLength(1);
    expect(readPackEntry(formOf({ doing: 'charged' }), life, made).problems).toEqual([]);
    const { entry } = readPackEntry(formOf({ doing: 'puffed' }), life, made);
    const puffed = { ...life, entries: [entry] };
    expect(readPackEntry(formOf({ doing: 'onCharger' }), puffed, made).problems[0]!.path).toBe('doing');
  });
});
