import { chargeRefusal } from '#core/packs/packWarnings';
import {
  PACK_DOINGS,
  type PackDoing,
  type PackEntry,
  type PackLife,
  type ShelfPack,
} from '#core/packs/shelfPack';
import { CHEMISTRIES } from '#core/physics/pack';
import type { Problem } from '#core/units/problem';
import { readNumber } from '#core/units/readNumber';
import { nameFault } from '#core/units/text';
import { PACK_BOUNDS } from '#formats/pack';
import { FormReader } from '../rig/formReader';

const LONGEST_NOTE = 2000;

/** A pack as its form says it. @param id of the one that is changed; a new one gets its own */
export function readPack(form: FormData, id: string): { pack: ShelfPack | undefined; problems: Problem[] } {
  const reader = new FormReader(form);
  const label = reader.text('label');
  const fault = nameFault(label);
  if (fault) reader.refuse('label', `The pack ${fault}`);
  const field = (name: keyof typeof PACK_BOUNDS, says: string) => ({
    name,
    label: says,
    ...PACK_BOUNDS[name],
  });
  const cells = reader.whole(field('cells', 'Cells'));
  const mah = reader.number({ name: 'capacityMah', label: 'Capacity', unit: 'mAh', least: 50, most: 50_000 });
  const ratingC = reader.optional(field('ratingC', 'Rating'));
  const mostChargeC = reader.optional(field('mostChargeC', 'Highest charge rate'));
  const chargeAmps = reader.number(field('chargeAmps', 'Charge current'));
  const isRead =
    cells !== undefined &&
    mah !== undefined &&
    ratingC !== undefined &&
    mostChargeC !== undefined &&
    chargeAmps !== undefined &&
    reader.problems.length === 0;
  return {
    problems: reader.problems,
    pack: isRead
      ? {
          id,
          label,
          chemistry: reader.choice('chemistry', CHEMISTRIES, 'lipo'),
          cells,
          capacityAh: mah / 1000,
          ratingC,
          mostChargeC,
          chargeAmps,
          note: reader.text('note').slice(0, LONGEST_NOTE),
        }
      : undefined,
  };
}

/** What was done with a pack, as its form says it. @param life of the pack: it may not be one that is charged no more */
export function readPackEntry(
  form: FormData,
  life: PackLife,
  made: Pick<PackEntry, 'id' | 'at'>,
): { entry: PackEntry; problems: Problem[] } {
  const { cells } = life.pack;
  const reader = new FormReader(form);
  const doing = reader.choice<PackDoing>('doing', PACK_DOINGS, 'checked');
  const refusal = chargeRefusal(life, doing, Date.parse(made.at));
  if (refusal !== undefined) reader.refuse('doing', refusal);
  const each = (name: 'cellVolts' | 'cellMilliohms', says: string): number[] => {
    const read = readCells(reader.text(name), cells, says, PACK_BOUNDS[name]);
    if (typeof read === 'string') reader.refuse(name, read);
    return typeof read === 'string' ? [] : read;
  };
  const entry = {
    ...made,
    doing,
    cellVolts: each('cellVolts', 'Volts of each cell'),
    cellMilliohms: each('cellMilliohms', 'Resistance of each cell'),
    note: reader.text('note').slice(0, LONGEST_NOTE),
  };
  const isEmpty =
    doing === 'checked' && entry.cellVolts.length + entry.cellMilliohms.length === 0 && entry.note === '';
  if (isEmpty && reader.problems.length === 0)
    reader.refuse('cellVolts', 'Type what you read: volts or resistance of each cell, or a word.');
  return { entry, problems: reader.problems };
}

interface Bounds {
  least: number;
  most: number;
  unit: string;
}

/** Numbers with spaces between them, one for each cell. @returns what is wrong, in a sentence */
export function readCells(
  text: string,
  cells: number,
  says: string,
  { least, most, unit }: Bounds,
): number[] | string {
  if (text === '') return [];
  const words = text.split(/[\s;/]+/).filter(Boolean);
  const values = words.map((word) => readNumber(word));
  const wrong = words.find((_, n) => values[n] === undefined);
  if (wrong !== undefined) return `${says}: “${wrong}” is no number. Type them with spaces, as 4.19 4.18.`;
  const out = values.find((value) => value! < least || value! > most);
  if (out !== undefined)
    return `${says}: ${out} ${unit} cannot be. Each is between ${least} and ${most} ${unit}.`;
  return values.length === cells
    ? (values as number[])
    : `${says}: there are ${values.length} numbers, and the pack has ${cells} cells.`;
}
