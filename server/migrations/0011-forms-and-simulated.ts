import { escProfileToVersion7 } from '#formats/escProfile';
import { sheetToVersion7 } from '#formats/sheet';
import type { QueryInterface } from 'sequelize';
import { upgradeDocuments } from './upgradeDocuments';

/** Values may be read off another program's form. Documents go to version 7, by the same upgrades that files get. */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    ALTER TABLE observations DROP CONSTRAINT observations_basis_check;
    ALTER TABLE observations ADD CONSTRAINT observations_basis_check CHECK (basis IN (
      'readBack', 'countedBack', 'readOffForm', 'seenStored', 'userWord', 'setAlong', 'assumedFactory',
      'interrupted', 'firmwareUpdate', 'stopGone'
    ));
  `);
  await upgradeDocuments(queries, 'esc_profiles', escProfileToVersion7);
  await upgradeDocuments(queries, 'sheets', sheetToVersion7);
}
