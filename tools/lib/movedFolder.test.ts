import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { startCluster } from './cluster.mjs';

const DATA = '.data/unit-moved';

beforeEach(() => {
  rmSync(DATA, { recursive: true, force: true });
  mkdirSync(DATA, { recursive: true });
});
afterEach(() => rmSync(DATA, { recursive: true, force: true }));

it('a data folder whose database stayed behind says where it is, and begins no empty one', async () => {
  writeFileSync(`${DATA}/database-place`, '/var/lib/live-tune/elsewhere\n');
  await expect(startCluster(DATA)).rejects.toThrow(
    /stayed behind in \/var\/lib\/live-tune\/elsewhere[^]*sudo cp -a/,
  );
});
