import type { QueryInterface } from 'sequelize';

/** A rig counts its changes, as a draft does: a form that was opened before the last one is told from one that was not. */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query('ALTER TABLE rigs ADD COLUMN revision integer NOT NULL DEFAULT 0');
}
