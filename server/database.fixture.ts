/** A database of its own for tests of the repositories: real PostgreSQL, real tables, a garage with the demo. */
import { mkdirSync } from 'node:fs';
import { eraseCluster, startCluster } from '../tools/lib/cluster.mjs';
import { closeDatabase } from './database';
import { firstGarage } from './repositories/garages';
import { startUp } from './startUp';

export interface TestDatabase {
  garageId: string;
  close: () => Promise<void>;
}

/** One at a time: the models are tied to its connection. @param data each test file has a folder of its own */
export async function openTestDatabase(data = '.data/unit'): Promise<TestDatabase> {
  await eraseCluster(data);
  mkdirSync(data, { recursive: true });
  const cluster = await startCluster(data);
  process.env.DATABASE_URL = cluster.url;
  await startUp();
  return {
    garageId: (await firstGarage()).id,
    close: async () => {
      await closeDatabase();
      await cluster.stop();
      await eraseCluster(data);
    },
  };
}
