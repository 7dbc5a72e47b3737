/** Groups of rigs that ought to be alike. */
import type { AlikeGroup } from '#core/setUps/alike';
import { AlikeModel } from '../models';
import { isUuid } from './ids';

export interface StoredAlike {
  id: string;
  group: AlikeGroup;
}

const plain = ({ id, document }: AlikeModel): StoredAlike => ({ id, group: document });

/** All groups of a garage, by name. */
export async function alikeGroups(garageId: string): Promise<StoredAlike[]> {
  const rows = (await AlikeModel.findAll({ where: { garageId } })).map(plain);
  return rows.toSorted((a, b) => a.group.name.localeCompare(b.group.name, 'en'));
}

/** One group; undefined where the garage has none of this id. */
export async function findAlike(garageId: string, id: string): Promise<StoredAlike | undefined> {
  const row = isUuid(id) ? await AlikeModel.findOne({ where: { id, garageId } }) : null;
  return row ? plain(row) : undefined;
}

/** Keeps a group: a new one, or in place of the one with this id. @returns its id; undefined where the garage has none of it */
export async function keepAlike(
  garageId: string,
  id: string | undefined,
  group: AlikeGroup,
): Promise<string | undefined> {
  if (id === undefined) return (await AlikeModel.create({ garageId, document: group })).id;
  if (!isUuid(id)) return undefined;
  const [changed] = await AlikeModel.update({ document: group }, { where: { id, garageId } });
  return changed > 0 ? id : undefined;
}

/** Takes a group away; its rigs stay. */
export async function deleteAlike(garageId: string, id: string): Promise<void> {
  if (isUuid(id)) await AlikeModel.destroy({ where: { id, garageId } });
}
