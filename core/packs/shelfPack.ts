/** A pack on the shelf: a thing with a label, and what was seen of it. */
import type { Chemistry } from '../physics/pack';

export interface ShelfPack {
  /** Permanent; the same in every copy of the file. */
  id: string;
  /** As it is written on the pack; no other pack of the shelf has it. */
  label: string;
  chemistry: Chemistry;
  cells: number;
  capacityAh: number;
  /** Printed continuous rating; null where none is printed. */
  ratingC: number | null;
  /** The highest rate of charge that is printed on it; null where none is. */
  mostChargeC: number | null;
  /** What its charger is set to. */
  chargeAmps: number;
  note: string;
}

/** What can be done with a pack, or found of it, beside being driven. */
export const PACK_DOINGS = {
  onCharger: 'put on the charger',
  charged: 'charged',
  stored: 'brought to storage voltage',
  checked: 'checked',
  puffed: 'found puffed',
  retired: 'put out of use',
} as const;
export type PackDoing = keyof typeof PACK_DOINGS;

/** One thing that was done with a pack: only ever added to. */
export interface PackEntry {
  id: string;
  /** ISO 8601. */
  at: string;
  doing: PackDoing;
  /** Each cell at rest, off any checker; empty where none was read. */
  cellVolts: readonly number[];
  /** Each cell, as a charger or a meter says it; empty where none was read. */
  cellMilliohms: readonly number[];
  note: string;
}

/** What a run says of the pack that it was driven with. */
export interface PackRun {
  rigId: string;
  rigName: string;
  number: number;
  /** ISO 8601. */
  drivenAt: string;
  minutes: number | null;
  /** The lowest of the whole pack under load. */
  lowestVolts: number | null;
  putBackMah: number | null;
}

/** A pack with all that is known of it. */
export interface PackLife {
  pack: ShelfPack;
  /** The oldest first. */
  entries: readonly PackEntry[];
  /** The oldest first. */
  runs: readonly PackRun[];
}
