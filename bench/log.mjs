/**
 * A log of a million rows and eight channels: how long until it is read, checked and drawn, what holds the page up meanwhile, and
 * how much memory the page takes; and a rig of 20,000 runs: how long its list takes. `node bench/log.mjs`; on a quiet machine.
 */
import { execFileSync } from 'node:child_process';
import { createWriteStream, mkdirSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { once } from 'node:events';
import { finished } from 'node:stream/promises';
import { chromium } from '@playwright/test';
import { QueryTypes, Sequelize } from 'sequelize';
import { eraseCluster, startCluster } from '../tools/lib/cluster.mjs';
import { whileRunning } from './grownGarage.mjs';

const DATA = '.data/logs';
const FILE = '.data/logs.csv';
const ROWS = 1_000_000;
const RUNS = 20_000;
/** Behind the runs that the demo has. */
const FIRST_COPY = 100;
/** Run in the page: what holds it up. */
const NOTE_LONG_TASKS = `globalThis.held = [];
  new PerformanceObserver((list) => held.push(...list.getEntries().map(({ duration }) => duration)))
    .observe({ entryTypes: ['longtask'] });`;
/** Run in the page: whether the first channel has a line in its middle. */
const IS_DRAWN = `(() => {
  const canvas = document.querySelector('canvas');
  if (!canvas?.width) return false;
  const { data } = canvas.getContext('2d').getImageData(canvas.width / 2, 0, 1, canvas.height);
  return data.filter((value, n) => n % 4 === 3 && value > 100).length > 3;
})()`;
const BROWSER = '/usr/bin/chromium-headless-shell';

await eraseCluster(DATA);
mkdirSync(DATA, { recursive: true });
await writeLog();
await whileRunning(async (address) => {
  const rigId = /rigs\/([0-9a-f-]{36})\/tune/.exec(await (await fetch(`${address}/`)).text())?.[1];
  await readAndDraw(address, `${address}/rigs/${rigId}/runs`);
}, DATA);
await manyRuns();
await whileRunning(async (address) => {
  const rigId = /rigs\/([0-9a-f-]{36})\/tune/.exec(await (await fetch(`${address}/`)).text())?.[1];
  // What a page that is open asks for, and the first of them opened anew.
  for (const path of [
    'runs.data',
    'runs.data?page=1000',
    'runs.data?q=blue+19999',
    'runs/questions.data',
    'runs/compare.data',
    'runs',
  ])
    await timed(`${address}/rigs/${rigId}/${path}`, path);
}, DATA);
await eraseCluster(DATA);
rmSync(FILE);

/** A made-up drive: nothing in it repeats, and one sample stands out. */
async function writeLog() {
  const file = createWriteStream(FILE);
  file.write(
    'Time (s),Throttle (%),Voltage (V),Current (A),rpm,Motor temp (C),ESC temp (C),Pack temp (C),Speed (km/h)\n',
  );
  for (let n = 0; n < ROWS; n += 1) {
    const t = n / 100;
    const wave = Math.sin(t) * Math.cos(t / 7);
    const rpm = n === 432_101 ? 44_000 : 20_000 + 15_000 * wave;
    const warm = (/** @type {number} */ from, /** @type {number} */ per) => (from + n / per).toFixed(1);
    const cells = [
      t.toFixed(2),
      (50 + 50 * wave).toFixed(1),
      (8 - 0.5 * wave).toFixed(2),
      (20 + 20 * wave).toFixed(1),
      rpm.toFixed(0),
      warm(20, 25_000),
      warm(20, 50_000),
      warm(20, 90_000),
      (30 + 20 * wave).toFixed(1),
    ];
    if (!file.write(`${cells.join(',')}\n`)) await once(file, 'drain');
  }
  file.end();
  await finished(file);
}

/**
 * @param {string} origin
 * @param {string} runs
 */
async function readAndDraw(origin, runs) {
  const browser = await chromium.launch({ executablePath: BROWSER, args: ['--no-sandbox', '--disable-gpu'] });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(runs);
  await page.locator('html[data-answers]').waitFor({ state: 'attached' });
  await page.getByLabel('In your words').fill('measured');
  await page.getByRole('button', { name: 'Save the run' }).click();
  await page.getByText('Run noted.').waitFor();
  // The demo's rigs have runs already.
  const newest = page.getByRole('link', { name: /^Run \d+$/ }).first();
  const number = Number(/\d+/.exec(await newest.innerText())?.[0]);
  await page.goto(`${runs}/${number}/log`);
  await page.locator('html[data-answers]').waitFor({ state: 'attached' });
  await page.evaluate(NOTE_LONG_TASKS);
  const heldUp = async () => {
    const all = /** @type {number[]} */ (await page.evaluate('held.splice(0)'));
    return all.length === 0 ? 'nothing over 50 ms' : `at most ${Math.round(Math.max(...all))} ms at a time`;
  };
  await page.getByLabel('A log as CSV').setInputFiles(FILE);
  await page.getByRole('button', { name: 'Read the log' }).waitFor();
  console.log(`Renderer before: ${rendererMegabytes()} MB of its own.`);
  const started = performance.now();
  await page.getByRole('button', { name: 'Read the log' }).click();
  // The page's own policy lets nobody evaluate words in it, but for the one who steers the browser.
  while (!(await page.evaluate(IS_DRAWN))) await page.waitForTimeout(50);
  console.log(`Read, checked, drawn: ${seconds(started)}; the page was held up ${await heldUp()}.`);
  console.log(`Renderer: ${rendererMegabytes()} MB of its own, as one process with its workers.`);
  await page.getByRole('button', { name: /^Keep it with run/ }).click();
  await page.getByText('Take this log away').waitFor({ timeout: 60_000 });
  // Whoever steers the browser copies what is sent: what the server took says more.
  console.log(`Kept: ${keptMs()} ms at the server; the page was held up ${await heldUp()}.`);
  const group = page.getByRole('group', { name: /^The log/ });
  await group.focus();
  for (let n = 0; n < 20; n += 1) {
    await page.keyboard.press(n < 14 ? '+' : 'ArrowRight');
    await page.waitForTimeout(150);
  }
  console.log(`Zoomed and panned by keys: held up ${await heldUp()}.`);
  await page.goto(`${origin}/glossary`);
  const opened = performance.now();
  await page.goto(`${runs}/${number}/log`);
  await page.locator('canvas').nth(7).waitFor({ timeout: 60_000 });
  console.log(`Opened again from the server: ${seconds(opened)}.`);
  await page.waitForTimeout(5000);
  console.log(`Renderer then: ${rendererMegabytes()} MB of its own.`);
  await browser.close();
}

/** The largest process that draws a page. */
function rendererMegabytes() {
  const lines = execFileSync('ps', ['-eo', 'pid=,args='], { encoding: 'utf8' }).split('\n');
  const sizes = lines
    .filter((line) => line.includes('--type=renderer'))
    .map((line) => privateKilobytes(Number.parseInt(line, 10)));
  return Math.round(Math.max(...sizes) / 1000);
}

/**
 * What a process has to itself, as Chromium's own task manager counts its memory footprint: what it has written, and not the
 * browser's program, which lies on disk.
 * @param {number} pid
 */
function privateKilobytes(pid) {
  const status = readFileSync(`/proc/${pid}/status`, 'utf8');
  return [...status.matchAll(/^(?:RssAnon|VmSwap):\s+(\d+) kB/gm)].reduce(
    (sum, [, size]) => sum + Number(size),
    0,
  );
}

/** What the server says that keeping took. */
function keptMs() {
  const folder = `${DATA}/logs`;
  const lines = readdirSync(folder).flatMap((name) => readFileSync(`${folder}/${name}`, 'utf8').split('\n'));
  const line = lines.filter((one) => one.includes('"POST"') && one.includes('log.bin')).at(-1);
  return line === undefined ? Number.NaN : /** @type {number} */ (JSON.parse(line).ms);
}

/** One run as the application keeps it, twenty thousand times. */
async function manyRuns() {
  const cluster = await startCluster(DATA);
  const database = new Sequelize(cluster.url, { logging: false });
  await database.query(
    `INSERT INTO runs (id, rig_id, document_key, number, document, driven_at)
     SELECT gen_random_uuid(), rig_id, 'copy-' || n, n,
       document || jsonb_build_object('id', 'copy-' || n, 'pack', CASE WHEN n % 2 = 0 THEN 'Blue' ELSE 'Red' END),
       driven_at
     FROM runs, generate_series(${FIRST_COPY}, ${FIRST_COPY + RUNS}) AS n WHERE number = 1`,
    { type: QueryTypes.INSERT },
  );
  // As PostgreSQL does by itself a minute after so many rows came.
  await database.query('VACUUM ANALYZE runs');
  await database.close();
  await cluster.stop();
}

/**
 * @param {string} address
 * @param {string} name
 */
async function timed(address, name) {
  /** @type {number[]} */
  const times = [];
  for (let n = 0; n < 21; n += 1) {
    const started = performance.now();
    await (await fetch(address)).arrayBuffer();
    times.push(performance.now() - started);
  }
  times.sort((a, b) => a - b);
  console.log(
    `${name}: ${Math.round(times[10] ?? 0)} ms in the middle, ${Math.round(times[19] ?? 0)} at most but one.`,
  );
}

/** @param {number} since */
function seconds(since) {
  return `${((performance.now() - since) / 1000).toFixed(1)} s`;
}
