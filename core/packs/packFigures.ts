/** What a pack's life comes to: cycles, its deepest discharge, and its resistance over time. */
import type { PackEntry, PackLife } from './shelfPack';

export interface AtTime {
  /** ISO 8601. */
  at: string;
  value: number;
}

export interface PackFigures {
  /** How often it was charged, or driven where that is more: who does not note each charge notes the runs. */
  cycles: number;
  runCount: number;
  minutes: number;
  /** The lowest volts that any cell was seen at, and how. */
  deepest: (AtTime & { how: 'atRest' | 'underLoad' }) | undefined;
  /** Of the cell with the most, milliohms, each time that it was measured; the oldest first. */
  milliohms: AtTime[];
  /** Between the highest and the lowest resting cell, V, each time that cells were read. */
  spread: AtTime[];
}

/** Figures of a life. Under load the mean cell of the pack is known; at rest each cell. */
export function packFigures({ pack, entries, runs }: PackLife): PackFigures {
  const loaded = runs.flatMap(({ lowestVolts, drivenAt }) =>
    lowestVolts === null
      ? []
      : [{ at: drivenAt, value: lowestVolts / pack.cells, how: 'underLoad' as const }],
  );
  const rested = withCells(entries).map(({ at, cellVolts }) => ({
    at,
    value: Math.min(...cellVolts),
    how: 'atRest' as const,
  }));
  const deepest = [...rested, ...loaded].toSorted((a, b) => a.value - b.value)[0];
  return {
    cycles: Math.max(entries.filter(({ doing }) => doing === 'charged').length, runs.length),
    runCount: runs.length,
    minutes: runs.reduce((sum, { minutes }) => sum + (minutes ?? 0), 0),
    deepest,
    milliohms: entries
      .filter(({ cellMilliohms }) => cellMilliohms.length > 0)
      .map(({ at, cellMilliohms }) => ({ at, value: Math.max(...cellMilliohms) })),
    spread: withCells(entries)
      .filter(({ cellVolts }) => cellVolts.length > 1)
      .map(({ at, cellVolts }) => ({ at, value: Math.max(...cellVolts) - Math.min(...cellVolts) })),
  };
}

const withCells = (entries: readonly PackEntry[]): readonly PackEntry[] =>
  entries.filter(({ cellVolts }) => cellVolts.length > 0);

/** The mean of the cells as they were measured last, ohm; undefined where nobody has. A charger measures a pack as warm as the room. */
export function measuredCellOhm({ entries }: Pick<PackLife, 'entries'>): number | undefined {
  const last = entries.findLast(({ cellMilliohms }) => cellMilliohms.length > 0);
  if (!last) return undefined;
  return last.cellMilliohms.reduce((sum, one) => sum + one, 0) / last.cellMilliohms.length / 1000;
}
