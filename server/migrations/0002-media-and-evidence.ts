import type { QueryInterface } from 'sequelize';

/**
 * Unknown values say why they are unknown; sheets may be backups taken before a load; the simulated ESC counts
 * its writes, so that the newer of two memories can be told. Documents go to version 2 of their formats.
 */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    ALTER TABLE observations DROP CONSTRAINT observations_basis_check;
    ALTER TABLE observations ADD CONSTRAINT observations_basis_check CHECK (basis IN (
      'readBack', 'countedBack', 'seenStored', 'userWord', 'assumedFactory',
      'interrupted', 'firmwareUpdate', 'stopGone'
    ));

    ALTER TABLE sheets DROP CONSTRAINT sheets_origin_check;
    ALTER TABLE sheets ADD CONSTRAINT sheets_origin_check CHECK (origin IN ('loaded', 'imported', 'backup'));

    ALTER TABLE simulated_escs ADD COLUMN writes bigint NOT NULL DEFAULT 0;

    UPDATE esc_profiles SET document = (document - 'medium') || jsonb_build_object(
      'media', jsonb_build_array(document -> 'medium'),
      'calibration', document -> 'calibration' || jsonb_build_object(
        'keyName', document -> 'medium' -> 'keyName', 'lamp', document -> 'medium' -> 'menuLamp'
      )
    ) WHERE document ? 'medium';

    UPDATE rigs SET document = document
      || jsonb_build_object('vehicle', jsonb_build_object('kind', 'wheels') || (document -> 'vehicle'))
      || jsonb_build_object('channel', jsonb_build_object('rest', 'centre') || (document -> 'channel'));

    UPDATE calibrations SET document = document
      || jsonb_build_object('channel', jsonb_build_object('rest', 'centre') || (document -> 'channel'));

    UPDATE sheets SET document = jsonb_build_object('medium', null) || document;
  `);
}
