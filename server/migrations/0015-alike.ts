import type { QueryInterface } from 'sequelize';

/** Rigs that ought to be alike, and what they should feel like. */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    CREATE TABLE alike_groups (
      id uuid PRIMARY KEY,
      garage_id uuid NOT NULL REFERENCES garages ON DELETE CASCADE,
      document jsonb NOT NULL
    );
    CREATE INDEX alike_groups_by_garage ON alike_groups (garage_id);
  `);
}
