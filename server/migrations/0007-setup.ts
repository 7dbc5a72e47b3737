import type { QueryInterface } from 'sequelize';

/** A draft may change the model and its radio, too; a sheet says what they had. Neither did before. */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    UPDATE drafts SET document = document || '{"setup": {}}';
    UPDATE sheets SET document = document || '{"setup": {}}';
    UPDATE rigs SET goals = jsonb_set(goals, '{waiting,setup}', '{}')
      WHERE jsonb_typeof(goals->'waiting') = 'object';
  `);
}
