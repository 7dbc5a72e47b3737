/** A pack's life as a table: one row for each time that something was done with it. */
import { PACK_DOINGS, type PackLife } from './shelfPack';

export interface PackRow {
  pack: string;
  at: string;
  what: string;
  cellVolts: string;
  cellMilliohms: string;
  note: string;
}

/** The oldest first. */
export const packTable = ({ pack, entries }: Pick<PackLife, 'pack' | 'entries'>): PackRow[] =>
  entries.map(({ at, doing, cellVolts, cellMilliohms, note }) => ({
    pack: pack.label,
    at,
    what: PACK_DOINGS[doing],
    cellVolts: cellVolts.join(' '),
    cellMilliohms: cellMilliohms.join(' '),
    note,
  }));
