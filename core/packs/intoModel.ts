/** A pack from the shelf in a model: its numbers take the place of those that the model was described with. */
import { estimateCellResistance } from '../physics/pack';
import type { Rig } from '../rig/rig';
import { assumed, type Quantity } from '../units/provenance';
import { measuredCellOhm } from './packFigures';
import type { PackLife, ShelfPack } from './shelfPack';

/** Whether a pack is of the kind that a model takes: as many cells, of one chemistry. */
export const fitsRig = (
  { chemistry, cells }: Pick<ShelfPack, 'chemistry' | 'cells'>,
  { pack }: Pick<Rig, 'pack'>,
): boolean => chemistry === pack.chemistry && cells === pack.cells;

/** Whether two packs are so alike that runs on them may be compared. */
export const areAlike = (a: ShelfPack, b: ShelfPack): boolean =>
  a.chemistry === b.chemistry &&
  a.cells === b.cells &&
  a.capacityAh === b.capacityAh &&
  a.ratingC === b.ratingC;

/** The rig with a pack in it. Its resistance is the measured one, or what its rating lets one expect. */
export function withShelfPack(rig: Rig, life: Pick<PackLife, 'pack' | 'entries'>): Rig {
  const { chemistry, cells, capacityAh, ratingC } = life.pack;
  const given = (value: number): Quantity => ({ value, basis: 'given' });
  const rating = ratingC === null ? rig.pack.ratingC : given(ratingC);
  const ohm = measuredCellOhm(life);
  return {
    ...rig,
    pack: {
      ...rig.pack,
      chemistry,
      cells,
      capacityAh: given(capacityAh),
      ratingC: rating,
      cellResistanceOhm:
        ohm === undefined
          ? assumed(estimateCellResistance(capacityAh, rating.value))
          : { value: ohm, basis: 'measured' },
    },
  };
}
