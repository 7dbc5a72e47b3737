import type { Sheet } from '#core/sheet/sheet';
import { database } from '../database';
import { SheetModel, type SheetOrigin } from '../models';
import { addSheet } from './bench';
import { sameJson } from './escProfiles';
import { isCount } from './ids';
import { lockRig } from './locks';

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
  if (!isCount(number)) return undefined;
  const row = await SheetModel.findOne({ where: { rigId, number } });
  return row ? plain(row) : undefined;
}

/** Puts a note on a sheet, behind what stands there already. Does nothing where the rig has no such sheet. */
export async function addNote(rigId: string, number: number, note: string): Promise<void> {
  if (!isCount(number)) return;
  await database().transaction(async (transaction) => {
    const row = await SheetModel.findOne({ where: { rigId, number }, transaction, lock: true });
    if (!row) return;
    const { document } = row;
    await row.update(
      { document: { ...document, note: [note, document.note].filter(Boolean).join('\n') } },
      { transaction },
    );
  });
}

export type SheetImported =
  | { outcome: 'added'; number: number }
  | { outcome: 'equal'; number: number }
  | { outcome: 'differs'; number: number };

/** Takes in a sheet from a file. One that the rig already has is compared, never overwritten. */
export async function importSheet(rigId: string, sheet: Sheet): Promise<SheetImported> {
  return database().transaction(async (transaction) => {
    await lockRig(rigId, transaction);
    const known = await SheetModel.findOne({ where: { rigId, documentKey: sheet.id }, transaction });
    if (known) {
      return { outcome: sameJson(known.document, sheet) ? 'equal' : 'differs', number: known.number };
    }
    return { outcome: 'added', number: await addSheet(rigId, sheet, 'imported', transaction) };
  });
}
