import { DatabaseError, Sequelize } from 'sequelize';

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

/** More than fits into what a full disk has left in its files. */
const TRIED_BYTES = 256_000;

/**
 * Whether something new can be written: tried, and taken back. For whoever has just failed to.
 * @throws {Error} when the database does not answer
 */
export async function hasRoom(): Promise<boolean> {
  try {
    await database().query(
      `CREATE TEMPORARY TABLE room ON COMMIT DROP AS
         SELECT md5(random()::text) AS filling FROM generate_series(1, ${TRIED_BYTES} / 32)`,
    );
    return true;
  } catch (error) {
    if (error instanceof DatabaseError) return false;
    throw error;
  }
}
