import { calibrationToVersion4 } from '#formats/calibration';
import { escProfileUpgrades } from '#formats/escProfile';
import { rigToVersion4 } from '#formats/rig';
import { QueryTypes, type QueryInterface } from 'sequelize';
import { upgradeDocuments } from './upgradeDocuments';

/**
 * What is tested on the bench is kept, and what was looked at before the first power. Documents go to version 4 of
 * their formats, by the same upgrades that files get; a calibration says of which ESC it is.
 */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    CREATE TABLE bench_tests (
      id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
      rig_id uuid NOT NULL REFERENCES rigs ON DELETE CASCADE,
      document jsonb NOT NULL,
      kept_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE INDEX bench_tests_by_rig ON bench_tests (rig_id, kept_at DESC);

    CREATE TABLE build_checks (
      rig_id uuid NOT NULL REFERENCES rigs ON DELETE CASCADE,
      line text NOT NULL,
      checked_at timestamptz NOT NULL DEFAULT now(),
      PRIMARY KEY (rig_id, line)
    );
  `);
  await upgradeDocuments(queries, 'esc_profiles', escProfileUpgrades[2]!);
  await upgradeDocuments(queries, 'rigs', rigToVersion4);
  const profileOf = await profileOfCalibrations(queries);
  await upgradeDocuments(queries, 'calibrations', (document, id) =>
    calibrationToVersion4(document, profileOf.get(id)!),
  );
}

/** The profile of the ESC in the rig of each calibration, by the calibration's id. */
async function profileOfCalibrations({ sequelize }: QueryInterface): Promise<Map<string, string>> {
  const rows = await sequelize.query<{ id: string; profile: string }>(
    `SELECT calibrations.id, esc_profiles.profile_key AS profile FROM calibrations
       JOIN rigs ON rigs.id = calibrations.rig_id
       JOIN esc_profiles ON esc_profiles.id = rigs.esc_profile_id`,
    { type: QueryTypes.SELECT },
  );
  return new Map(rows.map(({ id, profile }) => [id, profile]));
}
