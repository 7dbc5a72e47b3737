/**
 * How long lists and polls take in a garage that has grown for years: 1,000 rigs, 50,000 sheets, one rig with 2,000 sheets and
 * 50,000 observations, written straight into a database of its own. `node bench/garage.mjs`; on a quiet machine. Times are
 * those of whole requests over loopback.
 */
import { spawn } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { get } from 'node:http';
import { QueryTypes, Sequelize } from 'sequelize';
import { eraseCluster, startCluster } from '../tools/lib/cluster.mjs';
import { firstFreePort } from '../tools/lib/ports.mjs';
import { sleep } from '../tools/lib/run.mjs';

const DATA = '.data/garage';
const RIGS = 1000;
const SHEETS = 50_000;
const SHEETS_OF_ONE = 2000;
const OBSERVATIONS_OF_ONE = 50_000;
const ROUNDS = 60;
/** The goal, at the 95th percentile. */
const GOAL_MS = 100;

await eraseCluster(DATA);
mkdirSync(DATA, { recursive: true });
await whileRunning(async (address) => {
  // One sheet as the application itself writes it: the others are made from it.
  const rigId = /rigs\/([0-9a-f-]{36})\/tune/.exec(await (await fetch(`${address}/`)).text())?.[1];
  await fetch(`${address}/rigs/${rigId}/load`, {
    method: 'POST',
    headers: { origin: address },
    body: new URLSearchParams({ load: crypto.randomUUID(), medium: 'oneKey' }),
  });
});
const bigRigId = await fill();
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
await eraseCluster(DATA);

/** @param {number} count @param {(n: number) => string} path */
function pages(count, path) {
  return Array.from({ length: count }, (_, n) => path(n));
}

/**
 * Starts Live Tune on the data folder, does something, and stops it.
 * @param {(address: string) => Promise<void>} work
 */
async function whileRunning(work) {
  const port = await firstFreePort(4700, 50);
  const address = `http://127.0.0.1:${port}`;
  const live = spawn('./start', ['--port', String(port)], {
    env: { ...process.env, LIVE_TUNE_DATA: DATA },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  const gone = new Promise((resolve) => live.once('exit', resolve));
  const isWell = () =>
    fetch(`${address}/healthz`).then(
      ({ ok }) => ok,
      () => false,
    );
  while (!(await isWell())) await sleep(100);
  try {
    await work(address);
  } finally {
    live.kill('SIGTERM');
    await gone;
  }
}

/** Fills the database. @returns the id of the rig with the long history */
async function fill() {
  const cluster = await startCluster(DATA);
  const database = new Sequelize(cluster.url, { logging: false, pool: { max: 1 } });
  await database.query(`
    CREATE TEMPORARY TABLE fleet AS
      SELECT gen_random_uuid() AS id, source.id AS from_id, n
      FROM generate_series(1, ${RIGS}) AS n
      JOIN (SELECT id, row_number() OVER (ORDER BY name) - 1 AS place, count(*) OVER () AS demos FROM rigs) AS source
        ON source.place = n % source.demos;
    INSERT INTO rigs (id, garage_id, esc_profile_id, name, document)
      SELECT fleet.id, garage_id, esc_profile_id, 'Fleet ' || n, jsonb_set(document, '{name}', to_jsonb('Fleet ' || n))
      FROM fleet JOIN rigs ON rigs.id = fleet.from_id;
    INSERT INTO drafts (rig_id, revision, document)
      SELECT fleet.id, 0, document FROM fleet JOIN drafts ON drafts.rig_id = fleet.from_id;
    INSERT INTO simulated_escs (rig_id, memory)
      SELECT fleet.id, memory FROM fleet JOIN simulated_escs e ON e.rig_id = fleet.from_id;
    INSERT INTO observations (rig_id, item_key, stop_key, basis)
      SELECT fleet.id, item_key, stop_key, basis FROM fleet JOIN observations o ON o.rig_id = fleet.from_id;
    INSERT INTO observations (rig_id, item_key, stop_key, basis)
      SELECT o.rig_id, o.item_key, o.stop_key, 'readBack'
      FROM (SELECT * FROM observations WHERE rig_id = (SELECT id FROM fleet WHERE n = 1)) AS o,
        generate_series(1, 1 + ${OBSERVATIONS_OF_ONE} / (SELECT count(*)::int FROM observations WHERE rig_id = (SELECT id FROM fleet WHERE n = 1)));
    INSERT INTO sheets (rig_id, document_key, number, origin, document, kept_at, observed_up_to)
      SELECT fleet.id, made.key, number, 'loaded',
        sheet.document || jsonb_build_object('id', made.key, 'rigName', 'Fleet ' || n, 'note', 'Round ' || number), now(), 0
      FROM fleet
      CROSS JOIN LATERAL generate_series(1, CASE WHEN n = 1 THEN ${SHEETS_OF_ONE}
        ELSE ${Math.round((SHEETS - SHEETS_OF_ONE) / (RIGS - 1))} END) AS number
      CROSS JOIN (SELECT document FROM sheets LIMIT 1) AS sheet
      CROSS JOIN LATERAL (SELECT gen_random_uuid()::text AS key WHERE number > 0) AS made;
    ANALYZE;
  `);
  const [made] = /** @type {any[]} */ (
    await database.query(
      `SELECT
    (SELECT count(*) FROM rigs) AS rigs, (SELECT count(*) FROM sheets) AS sheets,
    (SELECT count(*) FROM observations) AS observations, (SELECT id FROM fleet WHERE n = 1) AS big`,
      { type: QueryTypes.SELECT },
    )
  );
  const { rigs, sheets, observations, big } = made;
  console.log(`${rigs} rigs, ${sheets} sheets, ${observations} observations`);
  await database.close();
  await cluster.stop();
  return big;
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
