/** The weakest cell against the cutoff: an ESC counts the whole pack, and one cell of it is emptied first. */
import { TOO_FAR_VOLTS } from '../physics/pack';
import { withUnit } from '../units/format';
import type { PackLife } from './shelfPack';

/**
 * Where the weakest cell is when a cutoff acts, by how far it was below the mean when cells were read last. Under load it may be
 * lower still.
 * @param cutoffVoltsPerCell as the ESC counts it; 0 where it has none
 * @returns undefined where no cells were read, and where there is no cutoff
 */
export function weakestAtCutoff(
  { pack, entries }: Pick<PackLife, 'pack' | 'entries'>,
  cutoffVoltsPerCell: number,
): { volts: number; isTooLow: boolean } | undefined {
  const cells = entries.findLast(({ cellVolts }) => cellVolts.length > 1)?.cellVolts;
  if (!cells || cutoffVoltsPerCell <= 0) return undefined;
  const mean = cells.reduce((sum, volts) => sum + volts, 0) / cells.length;
  const volts = cutoffVoltsPerCell - (mean - Math.min(...cells));
  return { volts, isTooLow: volts < TOO_FAR_VOLTS[pack.chemistry] };
}

/** The same in a sentence. */
export function weakestInWords(
  life: Pick<PackLife, 'pack' | 'entries'>,
  rigName: string,
  cutoffVoltsPerCell: number,
): { sentence: string; isTooLow: boolean } | undefined {
  const weakest = weakestAtCutoff(life, cutoffVoltsPerCell);
  if (!weakest) return undefined;
  const { volts, isTooLow } = weakest;
  const at = `When ${rigName} cuts off at ${withUnit(cutoffVoltsPerCell, 'V', 2)} a cell, the weakest is at about ${withUnit(volts, 'V', 2)}.`;
  return { sentence: isTooLow ? `${at} Set the cutoff higher for this pack.` : at, isTooLow };
}
