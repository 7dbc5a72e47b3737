import { describe, expect, it } from 'vitest';
import { inOrder, matching, type RigLine, type Sort } from './arrange';

const line = (name: string, rest: Partial<RigLine> = {}): RigLine => ({
  id: name,
  name,
  what: 'Basher',
  pack: '6 cells, 5000 mAh',
  motor: '900 kV',
  profileName: 'Tamsel',
  updatedAt: '2026-01-01',
  archived: false,
  hasPicture: false,
  changes: 0,
  stations: [],
  ...rest,
});
const names = (rigs: RigLine[]): string[] => rigs.map(({ name }) => name);

describe('all rigs', () => {
  const rigs = [
    line('Car 10', { what: 'Rock crawler', updatedAt: '2026-03-01' }),
    line('Car 9', { stations: [{ id: 'load', state: 'due', why: '' }] }),
    line('Boat', { stations: [{ id: 'tune', state: 'blocked', why: '' }], motor: '2200 kV' }),
  ];

  it.each<[string, string[]]>([
    ['touched', ['Car 10', 'Car 9', 'Boat']],
    ['name', ['Boat', 'Car 9', 'Car 10']],
    ['class', ['Boat', 'Car 9', 'Car 10']],
    ['due', ['Boat', 'Car 9', 'Car 10']],
    ['nonsense', ['Car 10', 'Car 9', 'Boat']],
  ])('in order of %s', (sort, expected) => {
    expect(names(inOrder(rigs, sort as Sort))).toEqual(expected);
  });

  it('are found by every word, wherever it stands', () => {
    expect(names(matching(rigs, 'car crawler'))).toEqual(['Car 10']);
    expect(names(matching(rigs, '2200'))).toEqual(['Boat']);
    expect(matching(rigs, ' ')).toHaveLength(3);
    expect(matching(rigs, 'zeppelin')).toEqual([]);
  });
});
