import type { QueryInterface } from 'sequelize';

/** Rehearsals that were finished, and how well tones and blinks are known, by ESC profile. */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    CREATE TABLE practice_results (
      id uuid PRIMARY KEY,
      garage_id uuid NOT NULL REFERENCES garages ON DELETE CASCADE,
      -- Patterns can be practised, too: they are in no table.
      profile_key text NOT NULL,
      document_key text NOT NULL,
      document jsonb NOT NULL,
      kept_order bigint NOT NULL DEFAULT nextval('kept_on_bench'),
      UNIQUE (garage_id, document_key)
    );
    CREATE INDEX practice_by_profile ON practice_results (garage_id, profile_key, kept_order);
    CREATE TABLE signs_learned (
      id uuid PRIMARY KEY,
      garage_id uuid NOT NULL REFERENCES garages ON DELETE CASCADE,
      profile_key text NOT NULL,
      document jsonb NOT NULL,
      UNIQUE (garage_id, profile_key)
    );
  `);
}
