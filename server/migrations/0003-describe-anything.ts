import { escProfileUpgrades } from '#formats/escProfile';
import { channelToVersion3, rigToVersion3 } from '#formats/rig';
import type { QueryInterface } from 'sequelize';
import { upgradeDocuments } from './upgradeDocuments';

/**
 * Rigs may be archived, deleted for a while, shown with a picture and held against event rules. Documents go to
 * version 3 of their formats, by the same upgrades that files get.
 */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    ALTER TABLE observations DROP CONSTRAINT observations_basis_check;
    ALTER TABLE observations ADD CONSTRAINT observations_basis_check CHECK (basis IN (
      'readBack', 'countedBack', 'seenStored', 'userWord', 'setAlong', 'assumedFactory',
      'interrupted', 'firmwareUpdate', 'stopGone'
    ));

    CREATE TABLE event_rules (
      id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
      garage_id uuid NOT NULL REFERENCES garages ON DELETE CASCADE,
      name text NOT NULL,
      document jsonb NOT NULL,
      created_at timestamptz NOT NULL DEFAULT now()
    );

    ALTER TABLE rigs ADD COLUMN archived_at timestamptz;
    ALTER TABLE rigs ADD COLUMN deleted_at timestamptz;
    ALTER TABLE rigs ADD COLUMN event_rules_id uuid REFERENCES event_rules ON DELETE SET NULL;

    CREATE TABLE rig_pictures (
      rig_id uuid PRIMARY KEY REFERENCES rigs ON DELETE CASCADE,
      image bytea NOT NULL,
      kept_at timestamptz NOT NULL DEFAULT now()
    );
  `);
  await upgradeDocuments(queries, 'esc_profiles', escProfileUpgrades[1]!);
  await upgradeDocuments(queries, 'rigs', rigToVersion3);
  await upgradeDocuments(queries, 'calibrations', (document) => ({
    ...document,
    channel: channelToVersion3(document.channel),
  }));
}
