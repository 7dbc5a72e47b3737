/**
 * Saving and restoring a garage of 1,000 rigs and 50,000 sheets: how long, how large, how much memory the server takes, and how
 * long pages take meanwhile. `node bench/archive.mjs`; on a quiet machine.
 */
import { execFileSync } from 'node:child_process';
import { createReadStream, createWriteStream, readFileSync, rmSync, statSync } from 'node:fs';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { eraseCluster } from '../tools/lib/cluster.mjs';
import { sleep } from '../tools/lib/run.mjs';
import { GROWN, grow, whileRunning } from './grownGarage.mjs';

const FILE = '.data/grown.zip';
const EMPTY = '.data/garage-empty';

await grow();
await whileRunning(async (address) => {
  await measured('Save everything', GROWN, address, async () => {
    const { body } = await fetch(`${address}/archive`);
    await pipeline(Readable.fromWeb(/** @type {any} */ (body)), createWriteStream(FILE));
  });
  console.log(`The archive has ${(statSync(FILE).size / 1e6).toFixed(1)} MB.`);
});
await eraseCluster(GROWN);

rmSync(EMPTY, { recursive: true, force: true });
await whileRunning(async (address) => {
  const headers = { origin: address, 'content-type': 'application/zip' };
  let token = '';
  await measured('Look at it', EMPTY, address, async () => {
    const body = /** @type {any} */ (Readable.toWeb(createReadStream(FILE)));
    const request = /** @type {any} */ ({ method: 'POST', headers, body, duplex: 'half' });
    const response = await fetch(`${address}/archive`, request);
    if (!response.ok) throw new Error(await response.text());
    ({ token } = /** @type {any} */ (await response.json()));
  });
  await measured('Restore it', EMPTY, address, async () => {
    const response = await fetch(`${address}/archive/${token}?choice=keep`, { method: 'POST', headers });
    if (!response.ok) throw new Error(await response.text());
    console.log(await response.json());
  });
}, EMPTY);
rmSync(FILE);
await eraseCluster(EMPTY);
rmSync(EMPTY, { recursive: true, force: true });

/**
 * Does something, and meanwhile asks for a page twice a second and looks at the memory of the server.
 * @param {string} what
 * @param {string} data
 * @param {string} address
 * @param {() => Promise<void>} work
 */
async function measured(what, data, address, work) {
  const { web } = JSON.parse(readFileSync(`${data}/processes.json`, 'utf8'));
  const resident = () =>
    Number(execFileSync('ps', ['-o', 'rss=', '-p', String(web)], { encoding: 'utf8' })) / 1000;
  const before = resident();
  let most = before;
  /** @type {number[]} */
  const pages = [];
  let isDone = false;
  const watch = async () => {
    while (!isDone) {
      const started = performance.now();
      await (await fetch(`${address}/glossary`)).arrayBuffer();
      pages.push(performance.now() - started);
      most = Math.max(most, resident());
      await sleep(500);
    }
  };
  const watching = watch();
  const started = performance.now();
  await work();
  const seconds = (performance.now() - started) / 1000;
  isDone = true;
  await watching;
  pages.sort((a, b) => a - b);
  const high = pages[Math.ceil(0.95 * pages.length) - 1] ?? Number.NaN;
  console.log(
    `${what}: ${seconds.toFixed(1)} s; server ${before.toFixed(0)} MB before, ${most.toFixed(0)} MB at most; a page meanwhile ${high.toFixed(0)} ms at the 95th percentile of ${pages.length}`,
  );
}
