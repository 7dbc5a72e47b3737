import { sheetToVersion9 } from '#formats/sheet';
import type { QueryInterface } from 'sequelize';
import { upgradeDocuments } from './upgradeDocuments';

/** A rig has set-ups; drafts and sheets say which they are of, and why values were chosen. What hands change has a name of its own. */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    CREATE TABLE set_ups (
      id uuid PRIMARY KEY,
      rig_id uuid NOT NULL REFERENCES rigs ON DELETE CASCADE,
      document_key text NOT NULL,
      document jsonb NOT NULL,
      archived_at timestamptz,
      kept_order bigint NOT NULL DEFAULT nextval('kept_on_bench'),
      UNIQUE (rig_id, document_key)
    );
    CREATE INDEX set_ups_by_order ON set_ups (rig_id, kept_order);

    UPDATE drafts SET document = (document - 'setup')
      || jsonb_build_object('byHand', coalesce(document->'setup', '{}'::jsonb), 'reasons', '{}'::jsonb, 'setUpId', null);
    UPDATE rigs SET goals = jsonb_set(goals, '{waiting}', ((goals->'waiting') - 'setup')
      || jsonb_build_object('byHand', coalesce(goals->'waiting'->'setup', '{}'::jsonb), 'reasons', '{}'::jsonb, 'setUpId', null))
      WHERE jsonb_typeof(goals->'waiting') = 'object';
  `);
  await upgradeDocuments(queries, 'sheets', sheetToVersion9);
}
