import type { QueryInterface } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { database } from './database';

const migrations = import.meta.glob<{ up: (queries: QueryInterface) => Promise<void> }>(
  './migrations/0*.ts',
  {
    eager: true,
  },
);

/** Brings the database up to this version's tables. Forward only; safe to call at every start. */
export async function migrate(): Promise<void> {
  const umzug = new Umzug({
    migrations: Object.entries(migrations).map(([path, { up }]) => ({
      name: path.replace('./migrations/', '').replace('.ts', ''),
      up: ({ context }: { context: QueryInterface }) => up(context),
    })),
    context: database().getQueryInterface(),
    storage: new SequelizeStorage({ sequelize: database() }),
    logger: undefined,
  });
  await umzug.up();
}
