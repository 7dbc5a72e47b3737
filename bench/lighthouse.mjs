/**
 * Prints what Lighthouse says of each main view of the local build, on a desk and on a phone, and of a paired phone in the pit:
 * `npm run -s lighthouse`, or `-- pit` for the last alone.
 * Lighthouse is fetched by npm when it is first asked for; nothing of the application needs it.
 */
import { spawn, spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { choosePassword, pairDevice } from './paired.mjs';
import { firstFreePort } from '../tools/lib/ports.mjs';

const LIGHTHOUSE = 'lighthouse@13.5.0';
const CATEGORIES = /** @type {const} */ (['performance', 'accessibility', 'best-practices', 'seo']);
/** @typedef {Record<(typeof CATEGORIES)[number], number>} Scores */
const DATA = '.data/lighthouse';
const REPORT = '.cache/lighthouse.json';
const CHROMIUM = '/usr/bin/chromium';
/** A phone is slowed down by calculation, which makes more of every disturbance: the middle of so many counts. */
const ROUNDS = { desktop: 1, phone: 5 };

const port = await firstFreePort(4550, 50);
const address = `http://127.0.0.1:${port}`;
const sharePort = await firstFreePort(4610, 50);
const network = `https://127.0.0.2:${sharePort}`;
const live = spawn(
  './start',
  ['--port', String(port), '--share', '--share-port', String(sharePort), '--fresh', '--yes'],
  { env: { ...process.env, LIVE_TUNE_DATA: DATA, SHARE_ONLY: '127.0.0.2' }, stdio: 'ignore' },
);
await answering();
mkdirSync('.cache', { recursive: true });

const rig = await firstRig();
const views = [
  '/',
  `${rig}/rig`,
  `${rig}/endpoints`,
  `${rig}/tune`,
  `${rig}/load`,
  `${rig}/esc`,
  `${rig}/sheets`,
];
if (!process.argv.includes('pit'))
  for (const view of [...views, '/profiles', '/glossary'])
    for (const form of /** @type {const} */ (['desktop', 'phone']))
      console.log(`${form.padEnd(8)} ${name(view).padEnd(12)} ${inTheMiddle(address + view, form)}`);
await choosePassword(address);
const { cookie } = await pairDevice(address, network, 1);
// What takes any certificate stands for a phone that trusts the bench.
const asPaired = [
  `--extra-headers=${JSON.stringify({ Cookie: cookie })}`,
  '--chrome-flags=--headless=new --no-sandbox --ignore-certificate-errors',
];
for (const view of ['/', `${rig}/load`, `${rig}/tune`, `${rig}/runs`, '/days/demo-race-day', '/kept'])
  console.log(`pit      ${name(view).padEnd(20)} ${inTheMiddle(network + view, 'phone', asPaired)}`);

const stopped = new Promise((resolve) => live.once('exit', resolve));
live.kill('SIGINT');
await stopped;
rmSync(DATA, { recursive: true, force: true });

/** @param {string} view */
function name(view) {
  return view.replace(/^\/rigs\/[^/]+/, '') || 'garage';
}

/**
 * What Lighthouse says of a view, the round in the middle by performance.
 * @param {string} url
 * @param {'desktop' | 'phone'} form
 * @param {string[]} more
 */
function inTheMiddle(url, form, more = []) {
  const once = () => report(url, form, more);
  const rounds = Array.from({ length: ROUNDS[form] }, () => once() ?? once()).filter(
    (one) => one !== undefined,
  );
  if (rounds.length === 0) return 'no report';
  rounds.sort((a, b) => a.performance - b.performance);
  const middle = /** @type {Scores} */ (rounds[rounds.length >> 1]);
  const all = rounds.map(({ performance }) => Math.round(performance * 100)).join(' ');
  return `${CATEGORIES.map((id) => `${id} ${Math.round(middle[id] * 100)}`).join('  ')}  (${all})`;
}

/**
 * @param {string} url
 * @param {'desktop' | 'phone'} form
 * @param {string[]} more
 * @returns {Scores | undefined} nothing where Lighthouse gave up
 */
function report(url, form, more) {
  const preset = form === 'desktop' ? ['--preset=desktop'] : [];
  const { status } = spawnSync(
    'npx',
    [
      '--yes',
      LIGHTHOUSE,
      url,
      ...preset,
      `--only-categories=${CATEGORIES.join(',')}`,
      '--output=json',
      `--output-path=${REPORT}`,
      '--quiet',
      ...(more.length > 0 ? more : ['--chrome-flags=--headless=new --no-sandbox']),
    ],
    { encoding: 'utf8', env: { ...process.env, CHROME_PATH: CHROMIUM } },
  );
  if (status !== 0) return undefined;
  const { categories, finalDisplayedUrl } = JSON.parse(readFileSync(REPORT, 'utf8'));
  // A device that is not let in any more would be measured at the doorstep.
  if (!finalDisplayedUrl.startsWith(url)) throw new Error(`${url} led to ${finalDisplayedUrl}`);
  return /** @type {Scores} */ (Object.fromEntries(CATEGORIES.map((id) => [id, categories[id].score])));
}

/** The path of the first rig of the demo. */
async function firstRig() {
  const page = await (await fetch(address)).text();
  const found = /\/rigs\/[^/"]+(?=\/tune)/.exec(page);
  if (!found) throw new Error('the garage shows no rig');
  return found[0];
}

async function answering() {
  for (let tries = 0; tries < 600; tries += 1) {
    try {
      if ((await fetch(`${address}/healthz`)).ok) return;
    } catch {
      // Not yet.
    }
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  throw new Error('Live Tune does not start');
}
