/**
 * How long lists and polls take in a garage that has grown for years: 1,000 rigs, 50,000 sheets, one rig with 2,000 sheets and
 * 50,000 observations, written straight into a database of its own. `node bench/garage.mjs`; on a quiet machine. Times are
 * those of whole requests over loopback.
 */
import { get } from 'node:http';
import { eraseCluster } from '../tools/lib/cluster.mjs';
import { GROWN, grow, RIGS, whileRunning } from './grownGarage.mjs';

const ROUNDS = 60;
/** The goal, at the 95th percentile. */
const GOAL_MS = 100;

const bigRigId = await grow();
await whileRunning(async (address) => {
  // Nobody writes a thousand rigs at once: where they stand is worked out before anything is timed.
  for (let n = 0; n < RIGS / 25; n += 1) await fetch(`${address}/`);
});
await whileRunning(async (address) => {
  console.log(`what, over loopback, ms                    median    95 %   kB sent`);
  // Doubted at the start: each page for the first time since.
  await time(address, 'All rigs', ['/']);
  await time(
    address,
    'All rigs, any page',
    pages(40, (n) => `/?page=${n + 1}`),
  );
  await time(
    address,
    'All rigs, searched',
    pages(40, (n) => `/?q=fleet+${n}`),
  );
  for (const sort of ['name', 'class', 'due'])
    await time(address, `All rigs, by ${sort}`, [`/?sort=${sort}`]);
  await time(
    address,
    'Sheets of the one with 2,000',
    pages(40, (n) => `/rigs/${bigRigId}/sheets?page=${n * 5 + 1}`),
  );
  await time(
    address,
    'Sheets, searched',
    pages(40, (n) => `/rigs/${bigRigId}/sheets?q=${n + 100}`),
  );
  await time(address, 'The whole sheet, with what to compare', [`/rigs/${bigRigId}/list`]);
  await time(address, 'Firmware guard', [`/rigs/${bigRigId}/firmware`]);
  await time(address, 'Tune', [`/rigs/${bigRigId}/tune`]);
  await time(address, 'ESC profiles', ['/profiles']);
  await time(address, 'Event rules', ['/rules']);
  await time(address, 'Poll: how the link stands', [`/rigs/${bigRigId}/link`]);
  await time(address, 'Poll: whether the server is well', ['/healthz']);
  await firstScreen(address);
});
await eraseCluster(GROWN);

/** @param {number} count @param {(n: number) => string} path */
function pages(count, path) {
  return Array.from({ length: count }, (_, n) => path(n));
}

/**
 * Asks for paths in turn and prints how long whole requests took.
 * @param {string} address
 * @param {string} what
 * @param {string[]} paths
 * @param {number} rounds
 */
async function time(address, what, paths, rounds = ROUNDS) {
  /** @type {number[]} */
  const times = [];
  let bytes = 0;
  for (let n = 0; n < rounds; n += 1) {
    const started = performance.now();
    bytes = Math.max(bytes, await bytesSent(`${address}${paths[n % paths.length]}`));
    times.push(performance.now() - started);
  }
  times.sort((a, b) => a - b);
  const at = (/** @type {number} */ share) => times[Math.ceil(share * times.length) - 1] ?? Number.NaN;
  const [median, high] = [at(0.5), at(0.95)];
  console.log(
    `${what.padEnd(42)} ${median.toFixed(0).padStart(6)} ${high.toFixed(0).padStart(7)} ${(bytes / 1000).toFixed(0).padStart(9)}${high > GOAL_MS ? '   over the goal' : ''}`,
  );
}

/** What a path sends over the line, as a browser asks for it. @param {string} url @returns {Promise<number>} bytes */
function bytesSent(url) {
  return new Promise((resolve, reject) => {
    get(url, { headers: { 'accept-encoding': 'br, gzip' } }, (response) => {
      let bytes = 0;
      response.on('data', (chunk) => (bytes += chunk.length));
      response.on('end', () =>
        response.statusCode === 200 ? resolve(bytes) : reject(new Error(`${url}: ${response.statusCode}`)),
      );
    }).on('error', reject);
  });
}

/** What the list of all rigs takes with all that it loads. @param {string} address */
async function firstScreen(address) {
  const html = await (await fetch(`${address}/`)).text();
  const parts = [...new Set(html.match(/\/assets\/[\w.-]+\.(?:js|css)/g))];
  const sizes = await Promise.all(['/', ...parts].map((path) => bytesSent(`${address}${path}`)));
  const sum = sizes.reduce((all, one) => all + one, 0);
  console.log(
    `First screen: ${(sum / 1000).toFixed(0)} kB over the line, ${parts.length} scripts and styles with it; its page alone ${(html.length / 1000).toFixed(0)} kB before compression`,
  );
}
