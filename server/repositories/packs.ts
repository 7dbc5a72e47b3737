/** The packs of a garage: what each is, what was done with it, and the runs that were driven on it. */
import type { PackEntry, PackLife, PackRun, ShelfPack } from '#core/packs/shelfPack';
import type { Reading, ReadingId } from '#core/runs/readings';
import { readingIn } from '#core/runs/run';
import { QueryTypes } from 'sequelize';
import { database } from '../database';
import { PackEntryModel, PackModel } from '../dayModels';
import { sameJson } from './escProfiles';
import { isKey } from './ids';
import { lockGarage } from './locks';

/** More than anybody's shelf has. */
export const MOST_PACKS = 500;
/** More than a pack lives through. */
const RUNS_EACH = 200;

/**
 * All packs of a garage with their lives, by label.
 * @param runsEach of each pack, the newest
 */
export async function packLives(garageId: string, runsEach = RUNS_EACH): Promise<PackLife[]> {
  const [packs, runs] = await Promise.all([packsWithEntries(garageId), runsOnPacks(garageId, runsEach)]);
  const lives = packs.map(({ id, document, entries }) =>
    lifeOf(
      document,
      entries,
      runs.filter(({ pack_id: packId }) => packId === id),
    ),
  );
  return lives.toSorted((a, b) => a.pack.label.localeCompare(b.pack.label, 'en', { numeric: true }));
}

/** In one query, and as they are: every list and every day asks for all of them. */
const packsWithEntries = (
  garageId: string,
): Promise<{ id: string; document: ShelfPack; entries: PackEntry[] }[]> =>
  database().query(
    `SELECT p.id, p.document,
       (SELECT coalesce(jsonb_agg(e.document ORDER BY e.kept_order), '[]') FROM pack_entries e WHERE e.pack_id = p.id) AS entries
     FROM packs p WHERE p.garage_id = :garageId`,
    { type: QueryTypes.SELECT, replacements: { garageId } },
  );

/** The labels of the packs that have so many cells. */
export async function packLabels(garageId: string, cells: number): Promise<string[]> {
  const packs = await PackModel.findAll({ where: { garageId }, order: ['label'] });
  return packs.flatMap(({ document }) => (document.cells === cells ? [document.label] : []));
}

/** One pack; undefined where the garage has none of this id. */
export async function findPack(garageId: string, documentKey: string): Promise<PackLife | undefined> {
  if (!isKey(documentKey)) return undefined;
  const row = await PackModel.findOne({ where: { garageId, documentKey } });
  if (!row) return undefined;
  const entries = await PackEntryModel.findAll({ where: { packId: row.id }, order: ['keptOrder'] });
  return lifeOf(
    row.document,
    entries.map(({ document }) => document),
    await runsOnPacks(garageId, RUNS_EACH, row.id),
  );
}

const lifeOf = (pack: ShelfPack, entries: readonly PackEntry[], runs: readonly RunRow[]): PackLife => ({
  pack,
  entries: entries.toSorted((a, b) => Date.parse(a.at) - Date.parse(b.at)),
  runs: runs.map(asPackRun),
});

interface RunRow {
  pack_id: string;
  rig_id: string;
  number: number;
  rig_name: string;
  driven_at: string;
  minutes: number | null;
  readings: Reading[];
}

/**
 * Runs name a pack by its label; those of another number of cells were another pack of that name. The oldest first.
 * @param packId only those of one; of all packs where it is left out
 */
async function runsOnPacks(garageId: string, runsEach: number, packId?: string): Promise<RunRow[]> {
  return database().query<RunRow>(
    `SELECT p.id AS pack_id, r.*
     FROM packs p CROSS JOIN LATERAL (
       SELECT r.rig_id, r.number, r.document->>'rigName' AS rig_name, r.document->>'drivenAt' AS driven_at,
         (r.document->>'minutes')::float AS minutes, r.document->'readings' AS readings
       FROM runs r JOIN rigs g ON g.id = r.rig_id AND g.garage_id = p.garage_id
       WHERE r.document->>'pack' <> '' AND lower(r.document->>'pack') = p.label
         AND r.document->'conditions'->'packCells' = p.document->'cells'
       ORDER BY r.driven_at DESC LIMIT :runsEach
     ) AS r
     WHERE p.garage_id = :garageId ${packId === undefined ? '' : 'AND p.id = :packId'}
     ORDER BY r.driven_at`,
    { type: QueryTypes.SELECT, replacements: { garageId, runsEach, packId: packId ?? '' } },
  );
}

function asPackRun({
  rig_id: rigId,
  rig_name: rigName,
  number,
  driven_at,
  minutes,
  readings,
}: RunRow): PackRun {
  const read = (kind: ReadingId): number | null => readingIn({ readings }, kind) ?? null;
  return {
    rigId,
    rigName,
    number,
    drivenAt: driven_at,
    minutes,
    lowestVolts: read('lowestVolts'),
    putBackMah: read('putBackMah'),
  };
}

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
    if (isRenamed && (await runsOnPacks(garageId, 1, known.id)).length > 0) return 'used';
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
