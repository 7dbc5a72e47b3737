import type { QueryInterface } from 'sequelize';

/** Packs on a shelf with what was done with them, and days at the track. */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    CREATE TABLE packs (
      id uuid PRIMARY KEY,
      garage_id uuid NOT NULL REFERENCES garages ON DELETE CASCADE,
      document_key text NOT NULL,
      document jsonb NOT NULL,
      -- What stands on a pack names it: two of a garage never read alike.
      label text GENERATED ALWAYS AS (lower(document->>'label')) STORED,
      UNIQUE (garage_id, document_key),
      UNIQUE (garage_id, label)
    );
    CREATE TABLE pack_entries (
      id uuid PRIMARY KEY,
      pack_id uuid NOT NULL REFERENCES packs ON DELETE CASCADE,
      document_key text NOT NULL,
      document jsonb NOT NULL,
      kept_order bigint NOT NULL DEFAULT nextval('kept_on_bench'),
      UNIQUE (pack_id, document_key)
    );
    CREATE TABLE days (
      id uuid PRIMARY KEY,
      garage_id uuid NOT NULL REFERENCES garages ON DELETE CASCADE,
      document_key text NOT NULL,
      document jsonb NOT NULL,
      -- Every save names the one that it is based on.
      revision integer NOT NULL DEFAULT 0,
      day text GENERATED ALWAYS AS (document->>'date') STORED,
      UNIQUE (garage_id, document_key)
    );
    CREATE INDEX days_by_day ON days (garage_id, day);
    -- Runs name a pack as it is labelled.
    CREATE INDEX runs_by_pack ON runs (lower(document->>'pack'), driven_at) WHERE document->>'pack' <> '';
    CREATE INDEX runs_by_question ON runs ((document->'question'->>'id')) WHERE document->'question' <> 'null';
    -- What is to do at home is asked on the first page: no history may be read through for it.
    CREATE INDEX observations_of_updates ON observations (rig_id) WHERE basis = 'firmwareUpdate';
  `);
}
