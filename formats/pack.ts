import { CHEMISTRIES, type Chemistry } from '#core/physics/pack';
import { PACK_DOINGS, type PackDoing, type PackEntry, type ShelfPack } from '#core/packs/shelfPack';
import * as yup from 'yup';
import { between, idField, instant, keyOf, listOf, nameField, record, textField, whole } from './fields';

/** A pack in a file: what it is, and what was done with it. */
export interface PackFile {
  pack: ShelfPack;
  /** The oldest first. */
  entries: PackEntry[];
}

/** The bounds of what can be typed of a pack. */
export const PACK_BOUNDS = {
  cells: { least: 1, most: 24, unit: '' },
  capacityAh: { least: 0.05, most: 50, unit: 'Ah' },
  ratingC: { least: 1, most: 300, unit: 'C' },
  mostChargeC: { least: 0.1, most: 20, unit: 'C' },
  chargeAmps: { least: 0.05, most: 60, unit: 'A' },
  cellVolts: { least: 0, most: 5, unit: 'V' },
  cellMilliohms: { least: 0.1, most: 500, unit: 'mΩ' },
} as const;
type Bounded = keyof typeof PACK_BOUNDS;
const number = (of: Bounded): yup.NumberSchema<number> => {
  const { least, most, unit } = PACK_BOUNDS[of];
  return between(least, most, unit);
};

export const packSchema = record({
  id: idField(),
  label: nameField(),
  chemistry: keyOf<Chemistry>(CHEMISTRIES),
  cells: whole(PACK_BOUNDS.cells.least, PACK_BOUNDS.cells.most),
  capacityAh: number('capacityAh'),
  ratingC: number('ratingC').nullable().defined(),
  mostChargeC: number('mostChargeC').nullable().defined(),
  chargeAmps: number('chargeAmps'),
  note: textField(),
}) as unknown as yup.ObjectSchema<ShelfPack>;

const MOST_CELLS = PACK_BOUNDS.cells.most;

export const packEntrySchema = record({
  id: idField(),
  at: instant(),
  doing: keyOf<PackDoing>(PACK_DOINGS),
  cellVolts: listOf(number('cellVolts'), 0, MOST_CELLS),
  cellMilliohms: listOf(number('cellMilliohms'), 0, MOST_CELLS),
  note: textField(),
}) as unknown as yup.ObjectSchema<PackEntry>;

export const packFileSchema = record({
  pack: packSchema,
  entries: listOf(packEntrySchema, 0, 3000),
}) as unknown as yup.ObjectSchema<PackFile>;
