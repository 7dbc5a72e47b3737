import { describe, expect, it } from 'vitest';
import { defaultRig } from '../rig/defaults';
import { chargeMinutes, chargeRateFault, storageMinutes } from './charging';
import { fitsRig, withShelfPack } from './intoModel';
import { minutesToFull } from './minutesToFull';
import { packFigures } from './packFigures';
import { packState } from './packState';
import { chargeRefusal, isUsable, packWarnings } from './packWarnings';
import type { PackDoing, PackEntry, PackLife, PackRun, ShelfPack } from './shelfPack';
import { takingTurns } from './takingTurns';
import { weakestAtCutoff } from './weakestCell';

const PACK: ShelfPack = {
  id: 'p1',
  label: 'Buggy 1',
  chemistry: 'lipo',
  cells: 2,
  capacityAh: 4,
  ratingC: 50,
  mostChargeC: null,
  chargeAmps: 4,
  note: '',
};
const at = (day: number, hour = 12): string => new Date(Date.UTC(2026, 4, day, hour)).toISOString();
const now = (day: number, hour = 12): number => Date.parse(at(day, hour));
const entry = (doing: PackDoing, day: number, part: Partial<PackEntry> = {}): PackEntry => ({
  id: `${doing}-${day}`,
  at: at(day),
  doing,
  cellVolts: [],
  cellMilliohms: [],
  note: '',
  ...part,
});
const run = (day: number, part: Partial<PackRun> = {}): PackRun => ({
  rigId: 'r',
  rigName: 'Buggy',
  number: day,
  drivenAt: at(day),
  minutes: 6,
  lowestVolts: null,
  putBackMah: null,
  ...part,
});
const life = (entries: PackEntry[], runs: PackRun[] = [], pack = PACK): PackLife => ({ pack, entries, runs });
const ids = (one: PackLife, day: number) => packWarnings(one, now(day)).map(({ id }) => id);

describe('how a pack lies', () => {
  it('is told by what was done last, and since the first of the same', () => {
    const one = life([entry('charged', 1), entry('charged', 2)]);
    expect(packState(one, now(3))).toMatchObject({ state: 'charged', since: at(1), isWarm: false });
    expect(packState(life([entry('charged', 1)], [run(2)]), now(2, 13)).state).toBe('used');
    expect(packState(life([]), now(1)).state).toBe('unknown');
  });

  it('is warm for a quarter of an hour after a run', () => {
    const one = life([], [run(2)]);
    expect(packState(one, now(2) + 14 * 60_000).isWarm).toBe(true);
    expect(packState(one, now(2) + 16 * 60_000).isWarm).toBe(false);
    // Reading its cells warms nothing.
    const read = life([entry('checked', 2, { cellVolts: [3.5, 3.5] })]);
    expect(packState(read, now(2))).toMatchObject({ state: 'used', isWarm: false, coolAt: undefined });
  });

  it.each([
    ['full cells', [4.19, 4.18], 'charged'],
    ['one that is not full', [4.19, 4.1], 'used'],
    ['cells that may lie', [3.82, 3.84], 'storage'],
    ['cells that were driven', [3.6, 3.62], 'used'],
  ] as const)('%s are told by a checker', (_what, cellVolts, state) => {
    expect(packState(life([entry('checked', 1, { cellVolts })]), now(1)).state).toBe(state);
  });

  it('stays out of use once it is puffed, whatever is done with it', () => {
    const one = life([entry('puffed', 1), entry('charged', 2)]);
    expect(packState(one, now(3)).state).toBe('outOfUse');
    expect(isUsable(one, now(3))).toBe(false);
    expect(ids(one, 3)).toContain('puffed');
  });
});

describe('what is pointed out', () => {
  it('full for two days, and no more once it is at storage voltage', () => {
    expect(ids(life([entry('charged', 1)]), 2)).toEqual([]);
    expect(ids(life([entry('charged', 1)]), 3)).toEqual(['fullForDays']);
    expect(ids(life([entry('charged', 1), entry('stored', 3)]), 9)).toEqual([]);
  });

  it('a cell below 3.0 V, under load or at rest; far below it the pack is away', () => {
    expect(ids(life([], [run(1, { lowestVolts: 6 })]), 1)).toEqual([]);
    expect(ids(life([], [run(1, { lowestVolts: 5.9 })]), 1)).toEqual(['tooLow']);
    const low = life([entry('checked', 1, { cellVolts: [2.4, 3.4] })]);
    expect(packWarnings(low, now(1))[0]).toMatchObject({ id: 'tooLow', level: 'stop' });
    expect(isUsable(low, now(1))).toBe(false);
    expect(isUsable(life([entry('checked', 1, { cellVolts: [2.9, 3] })]), now(1))).toBe(true);
  });

  it('a cell that was drawn too low is said until all were read above it; a damaged one stays damaged', () => {
    const drawn = run(1, { lowestVolts: 5.9 });
    const read = (day: number, low: number) => entry('checked', day, { cellVolts: [low, 3.7] });
    expect(ids(life([read(2, 3.6)], [drawn]), 3)).not.toContain('tooLow');
    expect(ids(life([read(2, 2.9)], [drawn]), 3)).toContain('tooLow');
    const damaged = life([read(1, 2.4), read(2, 3.7)]);
    expect(isUsable(damaged, now(3))).toBe(false);
  });

  it('a puffed pack, and a warm one, are not put on a charger', () => {
    expect(chargeRefusal(life([entry('puffed', 1)]), 'onCharger', now(2))).toContain('not be charged');
    expect(chargeRefusal(life([entry('puffed', 1)]), 'checked', now(2))).toBeUndefined();
    const warm = life([], [run(2)]);
    expect(chargeRefusal(warm, 'onCharger', now(2) + 60_000)).toContain('Let it cool');
    expect(chargeRefusal(warm, 'onCharger', now(3))).toBeUndefined();
    expect(chargeRefusal(warm, 'charged', now(2) + 60_000)).toBeUndefined();
  });

  it('cells that grow apart, and resistance that has doubled', () => {
    const cells = (day: number, a: number, b: number) => entry('checked', day, { cellVolts: [a, b] });
    expect(ids(life([cells(1, 3.8, 3.81), cells(2, 3.8, 3.84)]), 2)).toEqual([]);
    const grown = life([cells(1, 3.8, 3.81), cells(2, 3.8, 3.87)]);
    expect(packWarnings(grown, now(2))[0]!.sentence).toContain('0.01\u00a0V apart at first');
    const ohms = (day: number, value: number) => entry('checked', day, { cellMilliohms: [value, 3] });
    expect(ids(life([ohms(1, 4), ohms(9, 7.9)]), 9)).toEqual([]);
    expect(ids(life([ohms(1, 4), ohms(9, 8)]), 9)).toEqual(['resistance']);
  });

  it('a charger that is set above what is printed, and above once the capacity where nothing is', () => {
    expect(chargeRateFault(PACK)).toBeUndefined();
    expect(chargeRateFault({ ...PACK, chargeAmps: 8 })).toContain('4\u00a0A (1 C) or less');
    expect(chargeRateFault({ ...PACK, chargeAmps: 8, mostChargeC: 2 })).toBeUndefined();
  });
});

describe('a charge that was forgotten', () => {
  it('is pointed out once it takes half as long again as it should', () => {
    const one = life([entry('onCharger', 1)]);
    const after = (minutes: number) => packWarnings(one, now(1) + minutes * 60_000).map(({ id }) => id);
    expect(packState(one, now(1)).state).toBe('charging');
    expect(after(100)).toEqual([]);
    expect(after(110)).toEqual(['onCharger']);
  });
});

describe('charging', () => {
  it('takes 70 to 75 minutes at 1C; at twice the current half of it', () => {
    expect(chargeMinutes(PACK)).toBeGreaterThanOrEqual(70);
    expect(chargeMinutes(PACK)).toBeLessThanOrEqual(75);
    expect(chargeMinutes({ ...PACK, chargeAmps: 8 })).toBeCloseTo(chargeMinutes(PACK) / 2);
  });

  it('puts the last fifth in more slowly than the others', () => {
    expect(chargeMinutes(PACK, 0.8)).toBeCloseTo(24);
    expect(chargeMinutes(PACK, 0.6, 0.8)).toBeCloseTo(12);
    expect(() => chargeMinutes({ ...PACK, chargeAmps: 0 })).toThrow('0 A');
  });

  it('to storage voltage goes up fast, and down as slowly as the charger draws', () => {
    expect(storageMinutes(PACK, 0.1, null)).toBeCloseTo(storageMinutes(PACK, 0.1, 1)!);
    expect(storageMinutes(PACK, 1, null)).toBeUndefined();
    expect(storageMinutes(PACK, 1, 0.5)! / storageMinutes(PACK, 1, 1)!).toBeCloseTo(2);
    expect(storageMinutes({ ...PACK, chemistry: 'nimh' }, 1, 1)).toBeUndefined();
  });
});

describe('until it is full', () => {
  it('counts from what was read last; from empty where nobody knows', () => {
    expect(minutesToFull(life([]), now(1))).toBe(72);
    expect(minutesToFull(life([entry('charged', 1)]), now(1))).toBe(0);
    const stored = minutesToFull(life([entry('stored', 1)]), now(1));
    expect(stored).toBeGreaterThan(36);
    expect(stored).toBeLessThan(60);
    const read = entry('checked', 2, { cellVolts: [3.7, 3.72] });
    expect(minutesToFull(life([entry('stored', 1), read]), now(2))).toBeGreaterThan(stored);
    // What was read before a run says nothing of it now.
    expect(minutesToFull(life([read], [run(3)]), now(3))).toBe(72);
    expect(minutesToFull(life([entry('stored', 1), entry('onCharger', 2)]), now(2))).toBe(stored);
  });
});

describe('in a model', () => {
  it('its numbers take the place of those that were described; what is measured counts as measured', () => {
    const rig = defaultRig('tenthBuggy');
    const four = { ...PACK, capacityAh: 5.2, cells: rig.pack.cells };
    expect(fitsRig(four, rig)).toBe(true);
    expect(fitsRig({ ...four, cells: rig.pack.cells + 1 }, rig)).toBe(false);
    const plain = withShelfPack(rig, life([], [], four)).pack;
    expect(plain.capacityAh).toEqual({ value: 5.2, basis: 'given' });
    expect(plain.cellResistanceOhm.basis).toBe('assumed');
    const measured = life([entry('checked', 1, { cellMilliohms: [2, 4] })], [], four);
    expect(withShelfPack(rig, measured).pack.cellResistanceOhm).toEqual({ value: 0.003, basis: 'measured' });
  });
});

describe('what a life comes to', () => {
  it('counts charges or runs, whichever was noted more, and finds the deepest', () => {
    const one = life(
      [entry('charged', 1), entry('checked', 2, { cellVolts: [3.5, 3.4] })],
      [run(1, { lowestVolts: 6.6 }), run(2), run(3)],
    );
    expect(packFigures(one)).toMatchObject({
      cycles: 3,
      runCount: 3,
      minutes: 18,
      deepest: { value: 3.3, how: 'underLoad' },
    });
  });
});

describe('the weakest cell at the cutoff', () => {
  it('is as far below it as it was below the mean when cells were read', () => {
    const one = life([entry('checked', 1, { cellVolts: [3.8, 3.7] })]);
    expect(weakestAtCutoff(one, 3.2)!.volts).toBeCloseTo(3.15);
    expect(weakestAtCutoff(one, 3.2)!.isTooLow).toBe(false);
    expect(weakestAtCutoff(one, 3.04)!.isTooLow).toBe(true);
    expect(weakestAtCutoff(one, 0)).toBeUndefined();
    expect(weakestAtCutoff(life([entry('charged', 1)]), 3.2)).toBeUndefined();
  });
});

describe('packs that take turns', () => {
  const shelf = (ohms: (number | undefined)[], capacityAh = 4) =>
    ohms.map((ohm, n) =>
      life(ohm === undefined ? [] : [entry('checked', 1, { cellMilliohms: [ohm, ohm] })], [], {
        ...PACK,
        id: `p${n}`,
        label: `P${n}`,
        capacityAh: n === 1 ? capacityAh : 4,
      }),
    );

  it('may, where they are alike by their print; how far apart they are is measured, or a guess', () => {
    expect(takingTurns(['P0', 'p1 '], shelf([3, 3]))).toEqual({ labels: ['p0', 'p1'], ohmWithin: 1.15 });
    expect(takingTurns(['P0', 'P1'], shelf([3, 6]))!.ohmWithin).toBeCloseTo(2);
    expect(takingTurns(['P0', 'P1'], shelf([3, undefined]))!.ohmWithin).toBe(1.5);
  });

  it('may not, where they are not alike, not on the shelf, or only one', () => {
    expect(takingTurns(['P0', 'P1'], shelf([3, 3], 5))).toBeUndefined();
    expect(takingTurns(['P0', 'Other'], shelf([3, 3]))).toBeUndefined();
    expect(takingTurns(['P0', 'P0'], shelf([3, 3]))).toBeUndefined();
  });
});
