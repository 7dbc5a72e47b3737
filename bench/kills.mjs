/**
 * Twenty rounds of kill -9 at random moments of saves and loads, and what was there afterwards of what had been called kept.
 * `node bench/kills.mjs [rounds]`; the figures go to docs/reliability.md by hand.
 */
import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { readFileSync, rmSync } from 'node:fs';
import { firstFreePort } from '../tools/lib/ports.mjs';
import { sleep } from '../tools/lib/run.mjs';

const DATA = '.data/kills';
const ROUNDS = Number(process.argv[2] ?? 20);
const PARTS = /** @type {const} */ (['web', 'database', 'standIn']);
const WELL_WITHIN_MS = 60_000;
/** A part is killed within so long of the first word of a round. */
const LONGEST_MS = 900;

const port = (await firstFreePort(4600, 20)) ?? 0;
const address = `http://127.0.0.1:${port}`;
rmSync(DATA, { recursive: true, force: true });
const live = spawn('./start', ['--fresh', '--yes', '--port', String(port)], {
  env: { ...process.env, LIVE_TUNE_DATA: DATA },
  stdio: 'ignore',
});

/**
 * @param {string} path
 * @param {object} body
 * @param {boolean} asForm
 */
async function post(path, body, asForm = false) {
  const form = new URLSearchParams(/** @type {Record<string, string>} */ (body));
  const response = await fetch(`${address}${path}`, {
    method: 'POST',
    redirect: 'manual',
    headers: { origin: address, ...(!asForm && { 'content-type': 'application/json' }) },
    body: asForm ? form : JSON.stringify(body),
    signal: AbortSignal.timeout(10_000),
  });
  return { status: response.status, text: await response.text() };
}

async function untilWell() {
  const giveUp = Date.now() + WELL_WITHIN_MS;
  while (Date.now() < giveUp) {
    const well = await fetch(`${address}/healthz`).then(
      ({ ok }) => ok,
      () => false,
    );
    if (well) return;
    await sleep(100);
  }
  throw new Error(`not well within ${WELL_WITHIN_MS / 1000} s`);
}

/** What a link job came to. @param {string} rigId */
async function linkJobEnd(rigId) {
  for (let n = 0; n < 200; n += 1) {
    const { job } = /** @type {{ job: any }} */ (await (await fetch(`${address}/rigs/${rigId}/link`)).json());
    if (!job || job.state !== 'running') return job;
    await sleep(100);
  }
  return { state: 'running for ever' };
}

async function rigFromList() {
  const page = await (await fetch(`${address}/`)).text();
  const found =
    /rigs\/([0-9a-f-]{36})\/tune[^>]*>[\s\S]{0,400}?Kelp-beach buggy/.exec(page) ??
    /rigs\/([0-9a-f-]{36})/.exec(page);
  if (!found) throw new Error('the demo is not there');
  return found[1] ?? '';
}

const tally = {
  rounds: 0,
  saves: 0,
  lostSaves: 0,
  sheets: 0,
  lostSheets: 0,
  loads: 0,
  hanging: 0,
  /** Rounds after which the ESC could be read, and those of them in which it held what nobody had believed. */
  readings: 0,
  untrue: 0,
  slowestMs: 0,
};
/** The sheets that were called kept, by the id that they were sent with, and all that are there. */
const acknowledged = new Set();
const there = new Set();
let sheetsSeen = 0;
/** Saves count up, so that a lost one is seen: tenths of a µs of jitter. */
let savesSent = 0;
let lastKept = 0;
/** @type {Record<string, number>} */
const killed = {};

await untilWell();
const rigId = await rigFromList();
const profile = JSON.parse(readFileSync('demo/tamsel-r60.esc-profile.json', 'utf8'));
const [item] = profile.items.filter((/** @type {any} */ { id }) => id === 'stopper');

for (let round = 0; round < ROUNDS; round += 1) {
  const part = PARTS[round % PARTS.length] ?? 'web';
  const at = Math.random() * LONGEST_MS;
  let working = true;
  const killing = sleep(at).then(() => {
    process.kill(JSON.parse(readFileSync(`${DATA}/processes.json`, 'utf8'))[part], 'SIGKILL');
    killed[part] = (killed[part] ?? 0) + 1;
  });
  // A load by link in every round; saves and sheets beside it until something dies.
  const stopId = item.stops[round % item.stops.length].id;
  const begun = await post(`/rigs/${rigId}/link`, { do: 'begin', intents: { stopper: stopId } }).catch(
    () => undefined,
  );
  if (begun?.status === 200) tally.loads += 1;
  const until = Date.now() + LONGEST_MS;
  while (working) {
    savesSent += 1;
    const saved = await post(`/rigs/${rigId}/bench-notes`, {
      note: 'jitter',
      jitterMicros: savesSent / 10,
    }).catch(() => undefined);
    if (saved?.status === 200) {
      lastKept = savesSent;
      tally.saves += 1;
    }
    const load = randomUUID();
    const kept = await post(`/rigs/${rigId}/load`, { load, medium: 'oneKey' }, true).catch(() => undefined);
    if (kept?.status === 200) {
      acknowledged.add(load);
      tally.sheets += 1;
    }
    working = saved?.status === 200 && Date.now() < until;
  }
  await killing;
  const died = Date.now();
  await untilWell();
  tally.slowestMs = Math.max(tally.slowestMs, Date.now() - died);
  tally.rounds += 1;

  const { rig } = /** @type {any} */ (await (await fetch(`${address}/rigs/${rigId}/rig.json`)).json());
  // The last that was called kept, or a later one that was on its way when it died.
  if (Math.round((rig.channel.jitterMicros ?? 0) * 10) < lastKept) tally.lostSaves += 1;
  await lookAtSheets();
  tally.lostSheets = [...acknowledged].filter((id) => !there.has(id)).length;
  const end = await linkJobEnd(rigId);
  if (end?.state === 'running for ever') tally.hanging += 1;
  // What is believed must be what the ESC holds: a reading finds nothing else, where nobody said that it is unknown.
  await sleep(1000);
  const asked = await post(`/rigs/${rigId}/link`, { do: 'begin', intents: {} }).catch(() => undefined);
  const read = asked?.status === 200 ? await linkJobEnd(rigId) : undefined;
  if (read?.state === 'finished') {
    tally.readings += 1;
    const isUntrue = (/** @type {any} */ { believedStopId }) => believedStopId !== null;
    if (read.surprises.some(isUntrue)) tally.untrue += 1;
  } else console.log(`round ${round + 1}: no reading; ${JSON.stringify(read ?? asked)}`);
  console.log(`round ${round + 1}: ${part} killed after ${Math.round(at)} ms; ${JSON.stringify(tally)}`);
}

/** Sheets are numbered without a gap: looks at those that are new. */
async function lookAtSheets() {
  for (;;) {
    const sheet = await fetch(`${address}/rigs/${rigId}/sheets/${sheetsSeen + 1}.json`);
    if (sheet.status !== 200) return;
    sheetsSeen += 1;
    there.add(/** @type {any} */ (await sheet.json()).id);
  }
}

console.log(JSON.stringify({ ...tally, killed }, null, 1));
live.kill('SIGTERM');
