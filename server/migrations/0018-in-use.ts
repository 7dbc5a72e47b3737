import type { QueryInterface } from 'sequelize';
import { rigToVersion10 } from '#formats/rig';
import { upgradeDocuments } from './upgradeDocuments';

/** A rig says how it sheds heat and how hard it is driven. */
export async function up(queries: QueryInterface): Promise<void> {
  await upgradeDocuments(queries, 'rigs', rigToVersion10);
}
