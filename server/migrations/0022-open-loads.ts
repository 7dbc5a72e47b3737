import type { QueryInterface } from 'sequelize';

/** Loads of one's own ESCs that are under way: what was said beside each, so that several devices work one. */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    CREATE TABLE open_loads (
      rig_id uuid NOT NULL REFERENCES rigs ON DELETE CASCADE,
      esc_number integer NOT NULL,
      id uuid NOT NULL UNIQUE,
      beginning jsonb NOT NULL,
      words jsonb NOT NULL DEFAULT '[]',
      -- Who works it now; no id for the bench itself, which is no device.
      doer_id uuid,
      doer_name text NOT NULL,
      said_at timestamptz NOT NULL DEFAULT now(),
      PRIMARY KEY (rig_id, esc_number)
    );
  `);
}
