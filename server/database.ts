import { Sequelize } from 'sequelize';

let connection: Sequelize | undefined;

/**
 * The one connection pool of this process, made when first asked for.
 * @throws {Error} without DATABASE_URL: `./start` sets it
 */
export function database(): Sequelize {
  if (!connection) {
    const url = process.env.DATABASE_URL;
    if (!url) throw new Error('DATABASE_URL is not set; start Live Tune with ./start');
    connection = new Sequelize(url, { dialect: 'postgres', logging: false, pool: { max: 10 } });
  }
  return connection;
}

/** Closes the pool, for a clean stop. */
export async function closeDatabase(): Promise<void> {
  await connection?.close();
  connection = undefined;
}

/** @throws {Error} when the database does not answer */
export async function pingDatabase(): Promise<void> {
  await database().query('SELECT 1');
}
