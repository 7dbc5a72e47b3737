import type { QueryInterface } from 'sequelize';

/** What the driver is after with a rig: purpose, ground, and the sides taken where practitioners disagree. */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query('ALTER TABLE rigs ADD COLUMN goals jsonb;');
}
