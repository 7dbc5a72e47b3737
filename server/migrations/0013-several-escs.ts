import { sheetToVersion8 } from '#formats/sheet';
import type { QueryInterface } from 'sequelize';
import { upgradeDocuments } from './upgradeDocuments';

/** Each ESC of a model has its own history and its own memory; sheets list them all. What was seen before was the first one's. */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    ALTER TABLE observations ADD COLUMN esc_number smallint NOT NULL DEFAULT 1;
    DROP INDEX observations_by_item;
    CREATE INDEX observations_by_item ON observations (rig_id, esc_number, item_key, id);

    ALTER TABLE simulated_escs ADD COLUMN esc_number smallint NOT NULL DEFAULT 1;
    ALTER TABLE simulated_escs DROP CONSTRAINT simulated_escs_pkey;
    ALTER TABLE simulated_escs ADD PRIMARY KEY (rig_id, esc_number);

    -- Of the others nobody has written anything down: they count as fresh from their boxes.
    INSERT INTO simulated_escs (rig_id, esc_number, memory)
      SELECT r.id, n, jsonb_build_object('range', p.document -> 'factoryRange', 'stops', (
        SELECT jsonb_object_agg(i ->> 'id', i ->> 'factoryStopId') FROM jsonb_array_elements(p.document -> 'items') i
      ))
      FROM rigs r JOIN esc_profiles p ON p.id = r.esc_profile_id
      CROSS JOIN LATERAL generate_series(2, (r.document ->> 'motorCount')::int) n;
    INSERT INTO observations (rig_id, esc_number, item_key, stop_key, basis)
      SELECT r.id, n, i ->> 'id', i ->> 'factoryStopId', 'assumedFactory'
      FROM rigs r JOIN esc_profiles p ON p.id = r.esc_profile_id
      CROSS JOIN LATERAL generate_series(2, (r.document ->> 'motorCount')::int) n
      CROSS JOIN LATERAL jsonb_array_elements(p.document -> 'items') i;
  `);
  await upgradeDocuments(queries, 'sheets', sheetToVersion8);
}
