/** How a pack lies on the shelf now, and since when: what was done with it last decides. */
import { fullCellVolts, type Chemistry } from '../physics/pack';
import type { PackEntry, PackLife } from './shelfPack';

export const PACK_STATES = {
  charged: 'charged',
  charging: 'on the charger',
  used: 'used',
  storage: 'at storage voltage',
  unknown: 'not known',
  outOfUse: 'out of use',
} as const;
export type PackStateId = keyof typeof PACK_STATES;

export interface PackState {
  state: PackStateId;
  /** ISO 8601; undefined where nothing was ever noted. */
  since: string | undefined;
  /** When it has rested after its last run, milliseconds; undefined where it was never driven. */
  coolAt: number | undefined;
  /** Whether it was driven so lately that it must rest before it is charged. */
  isWarm: boolean;
}

/** A pack rests so long after a run before it is charged. Common practice: until it is no warmer than the hand; from memory, a quarter of an hour. */
export const REST_MINUTES = 15;

/** Volts of a resting cell at which a pack may lie for weeks. Common practice for lithium; NiMH is kept as it is. */
export const STORAGE_VOLTS: Partial<Record<Chemistry, { low: number; high: number }>> = {
  lipo: { low: 3.75, high: 3.9 },
  lihv: { low: 3.75, high: 3.92 },
  life: { low: 3.22, high: 3.32 },
};

/** So far below full, a resting cell still counts as charged: it settles a little after the charger. From memory. */
const SETTLES_VOLTS = 0.06;

/** @param now milliseconds, as `Date.now()` gives them */
export function packState({ pack, entries, runs }: PackLife, now: number): PackState {
  const events = [
    ...entries.flatMap((entry): Happened[] => {
      const state = stateAfter(entry, pack.chemistry);
      return state === undefined ? [] : [{ state, at: entry.at }];
    }),
    ...runs.map(({ drivenAt }): Happened => ({ state: 'used', at: drivenAt })),
  ].toSorted((a, b) => Date.parse(a.at) - Date.parse(b.at));
  const out = events.find(({ state }) => state === 'outOfUse');
  const last = out ?? events.at(-1);
  const driven = runs.map(({ drivenAt }) => Date.parse(drivenAt) + REST_MINUTES * 60_000);
  const coolAt = driven.length === 0 ? undefined : Math.max(...driven);
  const isWarm = coolAt !== undefined && now < coolAt;
  if (!last) return { state: 'unknown', since: undefined, coolAt, isWarm };
  // It lies in that state since the first of the same that nothing else came behind.
  const before = events.findLastIndex(({ state }) => state !== last.state);
  const since = last === out ? last.at : events[before + 1]!.at;
  return { state: last.state, since, coolAt, isWarm };
}

interface Happened {
  state: PackStateId;
  at: string;
}

function stateAfter(
  { doing, cellVolts }: Pick<PackEntry, 'doing' | 'cellVolts'>,
  chemistry: Chemistry,
): PackStateId | undefined {
  if (doing === 'puffed' || doing === 'retired') return 'outOfUse';
  if (doing === 'onCharger') return 'charging';
  if (doing === 'charged') return 'charged';
  if (doing === 'stored') return 'storage';
  return cellVolts.length === 0 ? undefined : stateAt(chemistry, cellVolts);
}

/** What resting cells say: the lowest decides whether a pack is full, the highest whether it may lie. */
function stateAt(chemistry: Chemistry, cellVolts: readonly number[]): PackStateId {
  if (Math.min(...cellVolts) >= fullCellVolts(chemistry) - SETTLES_VOLTS) return 'charged';
  const storage = STORAGE_VOLTS[chemistry];
  const lies =
    storage && Math.min(...cellVolts) >= storage.low - 0.05 && Math.max(...cellVolts) <= storage.high + 0.02;
  return lies ? 'storage' : 'used';
}
