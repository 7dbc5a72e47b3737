/** The packs of a garage: what each is, what was done with it, and the runs that were driven on it. */
import type { PackEntry, PackLife, PackRun, ShelfPack } from '#core/packs/shelfPack';
import type { Run } from '#core/runs/run';
import { readingIn } from '#core/runs/run';
import { QueryTypes, type Transaction } from 'sequelize';
import { database } from '../database';
import { PackEntryModel, PackModel } from '../models';
import { sameJson } from './escProfiles';
import { isKey } from './ids';
import { lockGarage } from './locks';

/** More than anybody's shelf has. */
export const MOST_PACKS = 500;
/** Of a pack, the newest: enough for its figures. */
const RUNS_LOOKED_AT = 2000;

/** All packs of a garage with their lives, by label. */
export async function packLives(garageId: string, transaction?: Transaction): Promise<PackLife[]> {
  const packs = await PackModel.findAll({ where: { garageId }, transaction: transaction ?? null });
  const entries = await PackEntryModel.findAll({
    where: { packId: packs.map(({ id }) => id) },
    order: ['keptOrder'],
    transaction: transaction ?? null,
  });
  const runs = await runsByLabel(garageId);
  const lives = packs.map(({ id, document: pack }): PackLife => ({
    pack,
    entries: inOrder(entries.filter(({ packId }) => packId === id).map(({ document }) => document)),
    runs: runsOn(pack, runs),
  }));
  return lives.toSorted((a, b) => a.pack.label.localeCompare(b.pack.label, 'en', { numeric: true }));
}

/** One pack; undefined where the garage has none of this id. */
export async function findPack(garageId: string, documentKey: string): Promise<PackLife | undefined> {
  if (!isKey(documentKey)) return undefined;
  const row = await PackModel.findOne({ where: { garageId, documentKey } });
  if (!row) return undefined;
  const entries = await PackEntryModel.findAll({ where: { packId: row.id }, order: ['keptOrder'] });
  const runs = await runsByLabel(garageId, row.document.label);
  return {
    pack: row.document,
    entries: inOrder(entries.map(({ document }) => document)),
    runs: runsOn(row.document, runs),
  };
}

const inOrder = (entries: readonly PackEntry[]): PackEntry[] =>
  entries.toSorted((a, b) => Date.parse(a.at) - Date.parse(b.at));

interface RunRow {
  rig_id: string;
  number: number;
  document: Run;
  label: string;
}

/** Runs name a pack by its label. @param label only those of one; of all packs where it is left out */
async function runsByLabel(garageId: string, label?: string): Promise<RunRow[]> {
  return database().query<RunRow>(
    `SELECT r.rig_id, r.number, r.document, lower(r.document->>'pack') AS label
     FROM runs r JOIN rigs g ON g.id = r.rig_id
     WHERE g.garage_id = :garageId AND r.document->>'pack' <> ''
       AND lower(r.document->>'pack') IN
         (SELECT label FROM packs WHERE garage_id = :garageId ${label === undefined ? '' : 'AND label = lower(:label)'})
     ORDER BY r.driven_at DESC LIMIT ${RUNS_LOOKED_AT}`,
    { type: QueryTypes.SELECT, replacements: { garageId, label: label ?? '' } },
  );
}

/** Those of the same cells: another model may have had a pack of that name before. The oldest first. */
const runsOn = ({ label, cells }: ShelfPack, rows: readonly RunRow[]): PackRun[] =>
  rows
    .filter((row) => row.label === label.toLowerCase() && row.document.conditions.packCells === cells)
    .map(({ rig_id: rigId, number, document }): PackRun => ({
      rigId,
      rigName: document.rigName,
      number,
      drivenAt: document.drivenAt,
      minutes: document.minutes,
      lowestVolts: readingIn(document, 'lowestVolts') ?? null,
      putBackMah: readingIn(document, 'putBackMah') ?? null,
    }))
    .toReversed();

/** `sameLabel`: another pack of the garage has it; `used`: runs name this pack by its old label; `full`: no room. */
export type PackKept = 'kept' | 'sameLabel' | 'used' | 'full';

/** Keeps what a pack is: a new one, or in place of the one of its id. */
export async function keepPack(garageId: string, pack: ShelfPack): Promise<PackKept> {
  return database().transaction(async (transaction) => {
    await lockGarage(garageId, transaction);
    const label = pack.label.toLowerCase();
    const same = await PackModel.findOne({ where: { garageId, label }, transaction });
    if (same && same.documentKey !== pack.id) return 'sameLabel';
    const known = await PackModel.findOne({ where: { garageId, documentKey: pack.id }, transaction });
    if (!known) {
      if ((await PackModel.count({ where: { garageId }, transaction })) >= MOST_PACKS) return 'full';
      await PackModel.create({ garageId, documentKey: pack.id, document: pack }, { transaction });
      return 'kept';
    }
    const isRenamed = known.document.label.toLowerCase() !== label;
    if (isRenamed && runsOn(known.document, await runsByLabel(garageId, known.document.label)).length > 0)
      return 'used';
    await known.update({ document: pack }, { transaction });
    return 'kept';
  });
}

/** Adds to the life of a pack. What is there already is not added again. @returns false where the garage has no such pack */
export async function addPackEntries(
  garageId: string,
  documentKey: string,
  entries: readonly PackEntry[],
): Promise<boolean> {
  if (!isKey(documentKey)) return false;
  const pack = await PackModel.findOne({ where: { garageId, documentKey } });
  if (!pack) return false;
  await PackEntryModel.bulkCreate(
    entries.map((entry) => ({ packId: pack.id, documentKey: entry.id, document: entry })),
    { ignoreDuplicates: true },
  );
  return true;
}

/** Takes an entry back that was made by mistake. */
export async function dropPackEntry(garageId: string, packKey: string, entryKey: string): Promise<void> {
  if (!isKey(packKey) || !isKey(entryKey)) return;
  const pack = await PackModel.findOne({ where: { garageId, documentKey: packKey } });
  if (pack) await PackEntryModel.destroy({ where: { packId: pack.id, documentKey: entryKey } });
}

/** Takes a pack from the shelf. Its runs stay. */
export async function deletePack(garageId: string, documentKey: string): Promise<void> {
  if (isKey(documentKey)) await PackModel.destroy({ where: { garageId, documentKey } });
}

/** A pack from a file: new, or what its file knows more of its life. */
export async function takePack(
  garageId: string,
  { pack, entries }: Pick<PackLife, 'pack' | 'entries'>,
): Promise<'added' | 'equal' | 'grown' | Exclude<PackKept, 'kept'>> {
  const known = await findPack(garageId, pack.id);
  const kept = known ? 'kept' : await keepPack(garageId, pack);
  if (kept !== 'kept') return kept;
  await addPackEntries(garageId, pack.id, entries);
  if (!known) return 'added';
  const isSame = entries.every((entry) => known.entries.some((one) => sameJson(one, entry)));
  return isSame ? 'equal' : 'grown';
}
