import { escProfileToVersion6 } from '#formats/escProfile';
import { rigToVersion6 } from '#formats/rig';
import type { QueryInterface } from 'sequelize';
import { upgradeDocuments } from './upgradeDocuments';

/** Documents go to version 6 of their formats, by the same upgrades that files get. */
export async function up(queries: QueryInterface): Promise<void> {
  await upgradeDocuments(queries, 'esc_profiles', escProfileToVersion6);
  await upgradeDocuments(queries, 'rigs', rigToVersion6);
}
