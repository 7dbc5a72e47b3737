/**
 * A shared bench under load: 50 devices watch one plan and ask for it again whenever somebody else changed something, and pages of all
 * kinds are asked for at a steady rate. `node bench/pit.mjs [minutes] [requests a second] [seconds between changes]`; then the rate is
 * raised until it no longer holds. On a quiet machine; the figures go to docs/performance.md by hand. Addresses of the loopback range
 * stand for the devices.
 */
import { spawn } from 'node:child_process';
import { readFileSync, rmSync } from 'node:fs';
import { request } from 'node:https';
import { choosePassword, pairDevice, post } from './paired.mjs';
import { firstFreePort } from '../tools/lib/ports.mjs';
import { sleep } from '../tools/lib/run.mjs';

const DATA = '.data/pit-load';
const HOST = '127.0.0.2';
const DEVICES = 50;
const MINUTES = Number(process.argv[2] ?? 10);
const RATE = Number(process.argv[3] ?? 60);
const CHANGE_EVERY_S = Number(process.argv[4] ?? 10);
const GOAL_MS = 150;
const RAISED_FOR_S = 30;
const LOOK_EVERY_MS = 10_000;
/** As `useLive` has it. */
const TOGETHER_MS = 120;
const SPREAD_MS = 500;

const port = (await firstFreePort(4700, 20)) ?? 0;
const sharePort = (await firstFreePort(4720, 20)) ?? 0;
const bench = `http://127.0.0.1:${port}`;
const network = `https://${HOST}:${sharePort}`;

/** @typedef {import('./paired.mjs').Device} Device */

/** When the last change was asked for, and how many there were. */
let changedAt = 0;
let changes = 0;

rmSync(DATA, { recursive: true, force: true });
const live = spawn(
  './start',
  ['--fresh', '--yes', '--port', String(port), '--share', '--share-port', String(sharePort)],
  { env: { ...process.env, LIVE_TUNE_DATA: DATA, SHARE_ONLY: HOST }, stdio: 'ignore' },
);
try {
  await untilWell();
  await measure();
} finally {
  live.kill('SIGTERM');
}

async function measure() {
  const rigId = /\/rigs\/([0-9a-f-]{36})/.exec(await (await fetch(`${bench}/`)).text())?.[1] ?? '';
  await choosePassword(bench);
  const devices = [];
  for (let n = 0; n < DEVICES; n += 1) devices.push(await pairDevice(bench, network, n));
  const heard = devices.map((device) => watch(device, `/rigs/${rigId}/load.data`));
  await sleep(1000);
  // Whoever opens Live Tune gets a page; whoever goes on within it, and whose page is renewed, gets its data.
  const mixed = [
    `/rigs/${rigId}/load`,
    `/rigs/${rigId}/load.data`,
    `/rigs/${rigId}/tune.data`,
    '/',
    '/_root.data',
    `/rigs/${rigId}/runs.data`,
    '/days/demo-test-day.data',
    '/packs.data',
    `/rigs/${rigId}/set-ups.data`,
    '/healthz',
  ];
  console.log(`${DEVICES} devices watch, ${RATE} requests a second for ${MINUTES} min`);
  const before = memoryMb();
  const steady = await ask(devices, mixed, RATE, MINUTES * 60, true);
  console.log(
    `p50 ${at(steady.times, 0.5)}, p95 ${at(steady.times, 0.95)}, p99 ${at(steady.times, 0.99)} ms`,
  );
  const late = heard.flatMap((one) => one.late);
  const shown = heard.flatMap((one) => one.shown);
  console.log(`${steady.times.length} answered, ${steady.failed} failed`);
  console.log(`a change was heard of after p50 ${at(late, 0.5)}, p95 ${at(late, 0.95)} ms,`);
  console.log(`  and all 50 had the plan again after p50 ${at(shown, 0.5)}, p95 ${at(shown, 0.95)} ms`);
  console.log(`memory before ${before} MB, every ${LOOK_EVERY_MS / 1000} s: ${steady.memory.join(' ')}`);
  for (const path of mixed) {
    const own = steady.byPath.get(path) ?? [];
    console.log(`  ${path.replace(rigId, '…').padEnd(24)} p50 ${at(own, 0.5)}, p95 ${at(own, 0.95)}`);
  }
  for (let rate = RATE; rate <= RATE * 8; rate = Math.round(rate * 1.25)) {
    const { times, failed } = await ask(devices, mixed, rate, RAISED_FOR_S, false);
    console.log(`${rate} a second: p95 ${at(times, 0.95)} ms, ${failed} failed`);
    if (at(times, 0.95) > GOAL_MS || failed > 0) break;
  }
}

/**
 * Asks at a steady rate, whatever the answers take.
 * @param {Device[]} devices
 * @param {string[]} paths
 * @param {number} rate
 * @param {number} seconds
 * @param {boolean} ticks whether something is changed now and then, too
 */
async function ask(devices, paths, rate, seconds, ticks) {
  /** @type {number[]} */
  const times = [];
  /** @type {Map<string, number[]>} */
  const byPath = new Map();
  /** @type {number[]} */
  const memory = [];
  const asked = [];
  let failed = 0;
  const looks = setInterval(() => memory.push(memoryMb()), LOOK_EVERY_MS);
  const changes = setInterval(() => void (ticks && change()), 1000 * CHANGE_EVERY_S);
  const start = performance.now();
  for (let n = 0; n < rate * seconds; n += 1) {
    const due = start + (n * 1000) / rate;
    if (due > performance.now()) await sleep(due - performance.now());
    const path = paths[n % paths.length] ?? '/';
    const begun = performance.now();
    asked.push(
      get(devices[n % devices.length], path).then(
        (status) => {
          const ms = performance.now() - begun;
          if (status >= 400) failed += 1;
          times.push(ms);
          byPath.set(path, [...(byPath.get(path) ?? []), ms]);
        },
        () => (failed += 1),
      ),
    );
  }
  await Promise.all(asked);
  clearInterval(looks);
  clearInterval(changes);
  return { times, byPath, memory, failed };
}

/** Something that all who watch are told of, from the bench. */
async function change() {
  changes += 1;
  changedAt = performance.now();
  await post(bench, '/rules', { intent: 'keep', id: '', name: `Rule ${changes}`, note: '' });
}

/** @param {Device | undefined} device @param {string} path @returns {Promise<number>} the status, once all of it is there */
function get(device, path) {
  return new Promise((resolve, reject) => {
    const asked = request(
      `${network}${path}`,
      {
        agent: device?.agent,
        localAddress: device?.address,
        rejectUnauthorized: false,
        headers: { cookie: device?.cookie, accept: 'text/html' },
      },
      (response) => {
        response.resume();
        response.on('end', () => resolve(response.statusCode ?? 0));
      },
    );
    asked.on('error', reject);
    asked.end();
  });
}

/** @param {Device} device @param {string} plan is asked for again at each change @returns how late it heard of each, and had it, ms */
function watch(device, plan) {
  /** @type {number[]} */
  const late = [];
  /** @type {number[]} */
  const shown = [];
  const asked = request(
    `${network}/live`,
    {
      localAddress: device.address,
      rejectUnauthorized: false,
      agent: false,
      headers: { cookie: device.cookie },
    },
    (response) =>
      response.on('data', (/** @type {Buffer} */ text) => {
        if (!text.includes('event: change')) return;
        const began = changedAt;
        late.push(performance.now() - began);
        // As a page does: what is changed together is asked for once.
        setTimeout(
          () => void get(device, plan).then(() => shown.push(performance.now() - began)),
          TOGETHER_MS + SPREAD_MS * Math.random(),
        );
      }),
  );
  asked.on('error', () => undefined);
  asked.end();
  return { late, shown };
}

/** Of the web server, resident. */
function memoryMb() {
  const { web } = /** @type {{ web: number }} */ (JSON.parse(readFileSync(`${DATA}/processes.json`, 'utf8')));
  const kB = /VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${web}/status`, 'utf8'))?.[1];
  return Math.round(Number(kB) / 1024);
}

/** @param {number[]} times @param {number} part @returns whole ms */
function at(times, part) {
  const sorted = times.toSorted((a, b) => a - b);
  return Math.round(sorted[Math.min(sorted.length - 1, Math.floor(part * sorted.length))] ?? NaN);
}

async function untilWell() {
  for (let n = 0; n < 240; n += 1) {
    const well = await fetch(`${bench}/healthz`).then(
      ({ ok }) => ok,
      () => false,
    );
    if (well) return;
    await sleep(500);
  }
  throw new Error('Live Tune did not start');
}
