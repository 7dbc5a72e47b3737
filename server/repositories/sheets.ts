import { asLeftByLoads } from '#core/firmware/compare';
import { NO_HAND_VALUES, type HandValues } from '#core/rig/handValues';
import type { Sheet } from '#core/sheet/sheet';
import { QueryTypes, type Order } from 'sequelize';
import { database } from '../database';
import { SheetModel, type SheetOrigin } from '../models';
import { addSheet } from './bench';
import { sameJson } from './escProfiles';
import { isCount } from './ids';
import { lockRig } from './locks';
import { namedWords, placeOf, searchedWords, type Paged } from './paging';

export interface StoredSheet {
  number: number;
  origin: SheetOrigin;
  sheet: Sheet;
}

/** A sheet among others, with what the model had when it was loaded before. */
export interface ListedSheet extends StoredSheet {
  /** Of no model where the sheet itself may be of another. */
  byHandBefore: HandValues;
}

const plain = ({ number, origin, document }: SheetModel): StoredSheet => ({
  number,
  origin,
  sheet: document,
});

/** The newest sheets of a rig that were loaded or kept on it, newest first. */
export async function newestOwnSheets(rigId: string, limit: number): Promise<StoredSheet[]> {
  const where = { rigId, origin: ['loaded', 'backup'] };
  return (await SheetModel.findAll({ where, order: NEWEST_FIRST, limit })).map(plain);
}

/** The newest sheets of a rig, newest first. */
export async function newestSheets(rigId: string, limit: number): Promise<StoredSheet[]> {
  return (await SheetModel.findAll({ where: { rigId }, order: NEWEST_FIRST, limit })).map(plain);
}

const NEWEST_FIRST: Order = [['number', 'DESC']];

export const SHEETS_ON_A_PAGE = 10;

/**
 * A page of the sheets of a rig, newest first.
 * @param typed words, all of which stand in its number, its note or what the rig was called
 * @param page from 1; one behind the last is the last
 */
export async function pageOfSheets(rigId: string, typed: string, page: number): Promise<Paged<ListedSheet>> {
  const words = searchedWords(typed);
  const matching = `rig_id = :rigId ${words
    .map(
      (_, n) =>
        `AND strpos(lower(concat_ws(' ', number, document->>'note', document->>'rigName')), :word${n}) > 0`,
    )
    .join(' ')}`;
  const replacements = { rigId, ...namedWords(words) };
  const [counted] = await database().query<{ found: number }>(
    `SELECT count(*)::int AS found FROM sheets WHERE ${matching}`,
    { type: QueryTypes.SELECT, replacements },
  );
  const place = placeOf(page, counted!.found, SHEETS_ON_A_PAGE);
  // What was kept before a change may have been kept in the middle of a load, when hands had done their part.
  const rows = await database().query<{
    number: number;
    origin: SheetOrigin;
    document: Sheet;
    by_hand_before: HandValues | null;
  }>(
    `SELECT s.number, s.origin, s.document, before.by_hand AS by_hand_before
     FROM (SELECT number, origin, document FROM sheets WHERE ${matching}
           ORDER BY number DESC LIMIT :limit OFFSET :offset) AS s
     LEFT JOIN LATERAL (
       SELECT document->'byHand' AS by_hand FROM sheets
       WHERE rig_id = :rigId AND origin = 'loaded' AND number < s.number AND s.origin <> 'imported'
       ORDER BY number DESC LIMIT 1
     ) AS before ON true
     ORDER BY s.number DESC`,
    {
      type: QueryTypes.SELECT,
      replacements: { ...replacements, limit: SHEETS_ON_A_PAGE, offset: place.offset },
    },
  );
  return {
    ...place,
    lines: rows.map(({ number, origin, document, by_hand_before }) => ({
      number,
      origin,
      sheet: document,
      byHandBefore: by_hand_before ?? NO_HAND_VALUES,
    })),
  };
}

/**
 * The sheet to hold the last update of the firmware against: the newest that was loaded or kept before it, with what loads
 * changed since as they left it. Where it never had an update, the newest; undefined where there is none.
 */
export async function sheetBeforeUpdate(rigId: string): Promise<StoredSheet | undefined> {
  const [row] = await database().query<{ number: number; update_id: string | null }>(
    `SELECT s.number, u.id AS update_id
     FROM (SELECT max(id) AS id FROM observations WHERE rig_id = :rigId AND basis = 'firmwareUpdate') AS u
     JOIN sheets s ON s.rig_id = :rigId AND s.origin <> 'imported' AND (u.id IS NULL OR s.observed_up_to < u.id)
     ORDER BY s.number DESC LIMIT 1`,
    { type: QueryTypes.SELECT, replacements: { rigId } },
  );
  const saved = row && (await findSheet(rigId, row.number));
  if (!saved || row.update_id === null) return saved;
  // Of each item only the last load that changed it: more than these are never needed.
  const since = await database().query<{ document: Sheet; origin: SheetOrigin }>(
    `SELECT document, origin FROM sheets WHERE rig_id = :rigId AND number IN (
       SELECT max(s.number) FROM sheets s, jsonb_array_elements_text(s.document->'changedItemIds') AS changed(item)
       WHERE s.rig_id = :rigId AND s.origin = 'loaded' AND s.observed_up_to >= :updateId GROUP BY changed.item
     ) ORDER BY number`,
    { type: QueryTypes.SELECT, replacements: { rigId, updateId: row.update_id } },
  );
  return asLeftByLoads(
    saved,
    since.map(({ document, origin }) => ({ origin, sheet: document })),
  );
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
