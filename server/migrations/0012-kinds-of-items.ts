import { escProfileToVersion8 } from '#formats/escProfile';
import type { QueryInterface } from 'sequelize';
import { upgradeDocuments } from './upgradeDocuments';

/** Items may hold a number, and have a key of their own. Documents go to version 8, by the same upgrades that files get. */
export const up = (queries: QueryInterface): Promise<void> =>
  upgradeDocuments(queries, 'esc_profiles', escProfileToVersion8);
