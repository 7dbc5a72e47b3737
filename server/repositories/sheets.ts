import type { Sheet } from '#core/sheet/sheet';
import { database } from '../database';
import { SheetModel, type SheetOrigin } from '../models';
import { addSheet } from './bench';
import { sameJson } from './escProfiles';

export interface StoredSheet {
  number: number;
  origin: SheetOrigin;
  sheet: Sheet;
}

const plain = ({ number, origin, document }: SheetModel): StoredSheet => ({
  number,
  origin,
  sheet: document,
});

/** All sheets of a rig, newest number first. */
export async function listSheets(rigId: string): Promise<StoredSheet[]> {
  const rows = await SheetModel.findAll({ where: { rigId }, order: [['number', 'DESC']] });
  return rows.map(plain);
}

/** One sheet of a rig by its number. */
export async function findSheet(rigId: string, number: number): Promise<StoredSheet | undefined> {
  const row = await SheetModel.findOne({ where: { rigId, number } });
  return row ? plain(row) : undefined;
}

export type SheetImported =
  | { outcome: 'added'; number: number }
  | { outcome: 'equal'; number: number }
  | { outcome: 'differs'; number: number };

/** Takes in a sheet from a file. One that the rig already has is compared, never overwritten. */
export async function importSheet(rigId: string, sheet: Sheet): Promise<SheetImported> {
  return database().transaction(async (transaction) => {
    const known = await SheetModel.findOne({ where: { rigId, documentKey: sheet.id }, transaction });
    if (known) {
      return { outcome: sameJson(known.document, sheet) ? 'equal' : 'differs', number: known.number };
    }
    return { outcome: 'added', number: await addSheet(rigId, sheet, 'imported', transaction) };
  });
}
