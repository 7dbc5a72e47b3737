/** What is asked of the runs of a rig: changes that are tried, and questions of one value against another. */
import type { Asked } from '#core/runs/asked';
import { database } from '../database';
import { AskedModel } from '../models';
import { isKey } from './ids';
import { lockRig } from './locks';

/** More than anybody asks. */
export const MOST_ASKED = 500;

export interface StoredAsked {
  asked: Asked;
  isClosed: boolean;
}

const plain = ({ document, closedAt }: AskedModel): StoredAsked => ({
  asked: document,
  isClosed: closedAt != null,
});

/** All that was asked of a rig's runs, the newest first. */
export async function askedOf(rigId: string): Promise<StoredAsked[]> {
  return (await AskedModel.findAll({ where: { rigId }, order: [['keptOrder', 'DESC']] })).map(plain);
}

/** Keeps what is asked. A change that is tried takes the place of the one before. @returns false where there is no room */
export async function keepAsked(rigId: string, asked: Asked): Promise<boolean> {
  return database().transaction(async (transaction) => {
    await lockRig(rigId, transaction);
    const where = { rigId, documentKey: asked.id };
    if (await AskedModel.findOne({ where, transaction })) return true;
    if ((await AskedModel.count({ where: { rigId }, transaction })) >= MOST_ASKED) return false;
    if (asked.kind === 'change') {
      const open = await AskedModel.findAll({ where: { rigId, closedAt: null }, transaction });
      for (const row of open)
        if (row.document.kind === 'change') await row.update({ closedAt: new Date() }, { transaction });
    }
    await AskedModel.create({ rigId, documentKey: asked.id, document: asked }, { transaction });
    return true;
  });
}

/** Lays it aside. @returns false where the rig has none of this id */
export async function closeAsked(rigId: string, documentKey: string): Promise<boolean> {
  if (!isKey(documentKey)) return false;
  const [changed] = await AskedModel.update({ closedAt: new Date() }, { where: { rigId, documentKey } });
  return changed > 0;
}
