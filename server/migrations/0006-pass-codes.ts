import type { QueryInterface } from 'sequelize';

/** The pass code with which the ESC of a rig lets a link in, as far as the user has changed it. */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query('ALTER TABLE rigs ADD COLUMN link_pass_code integer;');
}
