/** Packs that take turns in a comparison: the shelf says whether they are alike, and how well they are known. */
import { areAlike } from './intoModel';
import { measuredCellOhm } from './packFigures';
import type { PackLife } from './shelfPack';

export interface TakingTurns {
  /** In small letters. */
  labels: string[];
  /** How far the resistance of one may be from that of another, as a factor: within it, 95 %. */
  ohmWithin: number;
}

/** Measured by one charger, two packs are known against each other this well; by their print alone, no better than the estimate. From memory. */
const MEASURED_WITHIN = 1.15;
const PRINTED_WITHIN = 1.5;

/**
 * @param labels of the packs that were driven, as runs name them
 * @returns undefined where all runs are on one pack, where one is not on the shelf, and where they are not alike
 */
export function takingTurns(labels: readonly string[], shelf: readonly PackLife[]): TakingTurns | undefined {
  const distinct = [...new Set(labels.map((label) => label.trim().toLowerCase()))];
  if (distinct.length < 2) return undefined;
  const packs = distinct.map((label) => shelf.find(({ pack }) => pack.label.toLowerCase() === label));
  const [first, ...others] = packs;
  if (!first || others.some((one) => !one || !areAlike(one.pack, first.pack))) return undefined;
  const ohms = packs.map((life) => measuredCellOhm(life!));
  const known = ohms.filter((ohm) => ohm !== undefined);
  const apart = known.length < ohms.length ? PRINTED_WITHIN : Math.max(...known) / Math.min(...known);
  return { labels: distinct, ohmWithin: Math.max(MEASURED_WITHIN, apart) };
}
