import type { QueryInterface } from 'sequelize';

/** The log of a run: what is known of it, and its samples as compact arrays. */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    CREATE TABLE run_logs (
      rig_id uuid NOT NULL,
      number integer NOT NULL,
      document jsonb NOT NULL,
      samples bytea NOT NULL,
      kept_at timestamptz NOT NULL DEFAULT now(),
      PRIMARY KEY (rig_id, number),
      FOREIGN KEY (rig_id, number) REFERENCES runs (rig_id, number) ON DELETE CASCADE
    );
    -- Floats that differ from one to the next hardly shrink: trying costs more than it saves.
    ALTER TABLE run_logs ALTER COLUMN samples SET STORAGE EXTERNAL;
  `);
}
