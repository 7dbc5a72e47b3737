/** The set-ups of a rig: kept as they are, archived and not deleted. What is said of one may be written again, its values never. */
import type { SetUp, SetUpWords } from '#core/setUps/setUp';
import { literal } from 'sequelize';
import { database } from '../database';
import { SetUpModel } from '../models';
import { sameJson } from './escProfiles';
import { isKey } from './ids';
import { lockRig } from './locks';

export interface StoredSetUp {
  setUp: SetUp;
  archived: boolean;
}

const plain = ({ document, archivedAt }: SetUpModel): StoredSetUp => ({
  setUp: document,
  archived: archivedAt != null,
});

/** More than anybody names. */
export const MOST_SET_UPS = 200;

/** All set-ups of a rig, the oldest first. */
export async function setUpsOf(rigId: string): Promise<StoredSetUp[]> {
  return (await SetUpModel.findAll({ where: { rigId }, order: ['keptOrder'] })).map(plain);
}

/** The set-ups of some rigs that are in use, by their names alone. */
export async function namedSetUps(
  rigIds: readonly string[],
): Promise<{ rigId: string; id: string; name: string }[]> {
  const rows = await SetUpModel.findAll({
    where: { rigId: [...rigIds], archivedAt: null },
    attributes: ['rigId', 'documentKey', [literal("document->>'name'"), 'name']],
    order: ['keptOrder'],
  });
  return rows.map((row) => ({ rigId: row.rigId, id: row.documentKey, name: row.get('name') as string }));
}

/** One set-up of a rig by its permanent id. */
export async function findSetUp(rigId: string, documentKey: string): Promise<StoredSetUp | undefined> {
  if (!isKey(documentKey)) return undefined;
  const row = await SetUpModel.findOne({ where: { rigId, documentKey } });
  return row ? plain(row) : undefined;
}

export type SetUpKept = 'added' | 'equal' | 'differs' | 'full';

/** Keeps a set-up. One that the rig already has is compared, never overwritten. */
export async function keepSetUp(rigId: string, setUp: SetUp): Promise<SetUpKept> {
  return database().transaction(async (transaction) => {
    await lockRig(rigId, transaction);
    const known = await SetUpModel.findOne({ where: { rigId, documentKey: setUp.id }, transaction });
    if (known) return sameJson(known.document, setUp) ? 'equal' : 'differs';
    if ((await SetUpModel.count({ where: { rigId }, transaction })) >= MOST_SET_UPS) return 'full';
    await SetUpModel.create({ rigId, documentKey: setUp.id, document: setUp }, { transaction });
    return 'added';
  });
}

/** Writes again what is said of a set-up. @returns false where the rig has none of this id */
export async function describeSetUp(rigId: string, documentKey: string, words: SetUpWords): Promise<boolean> {
  return database().transaction(async (transaction) => {
    const row = await SetUpModel.findOne({ where: { rigId, documentKey }, transaction, lock: true });
    await row?.update({ document: { ...row.document, ...words } }, { transaction });
    return row !== null;
  });
}

/** Archives a set-up or takes it back. @returns false where the rig has none of this id */
export async function archiveSetUp(rigId: string, documentKey: string, archived: boolean): Promise<boolean> {
  if (!isKey(documentKey)) return false;
  const [changed] = await SetUpModel.update(
    { archivedAt: archived ? new Date() : null },
    { where: { rigId, documentKey } },
  );
  return changed > 0;
}
