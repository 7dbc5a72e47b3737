/**
 * In a browser: from a key on a rail to the moved trace, and the main thread's long tasks meanwhile. Prints one line a
 * drill. Takes an address with the demo data behind it.
 */
import { fortyItems } from '#core/archetypes/fortyItems.fixture';
import { chromium, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';

declare global {
  interface Window {
    longTasks: number[];
  }
}

const MOVES = 60;
/** Moves before those, with which the page gets going. */
const WARMING = 10;
/** Between two keys: as fast as a finger that looks at what it does, ms. */
const PAUSE_MS = 200;
/** Each drill is gone through so often, from a page loaded again: neighbours on the machine spoil some rounds. */
const ROUNDS = 3;
/** A move that shows nothing within this time changed nothing that is drawn, ms. */
const PATIENCE_MS = 2000;
const address = process.argv[2] ?? 'http://127.0.0.1:4173';

interface Scenario {
  drill: string;
  rails: [string, string];
}

/** Two rails for each drill: walked through so that no pair of values comes twice. */
const SCENARIOS: Scenario[] = [
  { drill: 'Launch', rails: ['Launch strength', 'Timing'] },
  { drill: 'Brake', rails: ['Brake strength', 'Brake frequency'] },
  { drill: 'Top speed', rails: ['Timing', 'Drive frequency'] },
  { drill: 'Stint', rails: ['Timing', 'Brake strength'] },
];

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.addInitScript(() => {
  window.longTasks = [];
  new PerformanceObserver((list) => {
    for (const { duration } of list.getEntries()) window.longTasks.push(duration);
  }).observe({ type: 'longtask' });
});
await page.goto(address);
await page.getByRole('link', { name: /^Kelp-beach buggy/ }).click();
await page.waitForURL('**/tune');
for (const scenario of SCENARIOS) await measure(scenario, '');
await openFortyItems(page);
for (const scenario of SCENARIOS) await measure(scenario, ', forty items');
await page.setViewportSize({ width: 390, height: 844 });
for (const scenario of SCENARIOS) await measure(scenario, ', forty items, docked strip of a phone');
await browser.close();

/** Takes in the buggy with an ESC of forty items, and goes to its rails. */
async function openFortyItems(on: Page): Promise<void> {
  const rig = JSON.parse(readFileSync('demo/kelp-beach-buggy.rig.json', 'utf8')) as {
    version: number;
    rig: object;
  };
  const profile = { format: 'live-tune/esc-profile', version: rig.version, ...fortyItems() };
  const renamed = { ...rig, escProfileId: profile.id, rig: { ...rig.rig, name: 'Long list' } };
  for (const document of [profile, renamed]) {
    await on.goto(address);
    await on.getByLabel('Import a file').setInputFiles({
      name: 'document.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify(document)),
    });
    await on.getByRole('button', { name: 'Import', exact: true }).click();
    await on.waitForLoadState('networkidle');
  }
  await on.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: /^Tune/ }).click();
  await on.waitForURL('**/tune');
}

/** On a phone the strip is drawn up, the drill chosen, and the strip let down again. */
async function chooseDrill(drill: string): Promise<void> {
  const isPhone = page.viewportSize()!.width < 600;
  if (isPhone) await page.getByRole('button', { name: /^Show all of/ }).click();
  await page.getByRole('tab', { name: drill, exact: true }).click();
  if (isPhone) await page.getByRole('button', { name: `Close ${drill}` }).click();
}

interface Round {
  moved: number;
  medianMs: number;
  p95Ms: number;
  longTasks: number;
  longestMs: number;
}

/** Measures some rounds, and prints the quietest and the 95th percentile of each. */
async function measure(scenario: Scenario, on: string): Promise<void> {
  const rounds: Round[] = [];
  for (let round = 0; round < ROUNDS; round += 1) rounds.push(await measureOnce(scenario));
  rounds.sort((a, b) => a.p95Ms - b.p95Ms);
  const { moved, ...quietest } = rounds[0]!;
  console.log(
    JSON.stringify({
      drill: scenario.drill + on,
      moved: `${moved} of ${MOVES}`,
      ...quietest,
      p95MsOfRounds: rounds.map(({ p95Ms }) => p95Ms),
    }),
  );
}

/** Moves the two rails through, and tells how long each move took. */
async function measureOnce({ drill, rails }: Scenario): Promise<Round> {
  // The worker remembers what it computed.
  await page.reload();
  await chooseDrill(drill);
  await page.locator('[data-trace=draft]').first().waitFor();
  const railOf = (name: string) => page.getByRole('slider', { name, exact: true });
  const [inner, outer] = [railOf(rails[0]), railOf(rails[1])];
  await outer.press('Home');
  await inner.press('Home');
  await page.waitForTimeout(500);
  await page.evaluate(() => void (/** @type {any} */ (window.longTasks.length = 0)));
  const stops = Number(await inner.getAttribute('aria-valuemax'));
  const times: number[] = [];
  let moves = 0;
  for (; moves < WARMING + MOVES; moves += 1) {
    const lap = Math.floor(moves / (stops + 1));
    const turns = moves % (stops + 1) === stops;
    await page.waitForTimeout(PAUSE_MS);
    const moved = page.evaluate(untilTraceMoves, PATIENCE_MS);
    await (turns ? outer : inner).press(turns || lap % 2 === 0 ? 'ArrowRight' : 'ArrowLeft');
    const ms = await moved;
    if (ms !== null && moves >= WARMING) times.push(ms);
  }
  const longTasks = await page.evaluate(() => window.longTasks);
  times.sort((a, b) => a - b);
  return {
    moved: times.length,
    medianMs: Math.round(times[times.length >> 1] ?? NaN),
    p95Ms: Math.round(times[Math.floor(times.length * 0.95)] ?? NaN),
    longTasks: longTasks.length,
    longestMs: Math.round(Math.max(0, ...longTasks)),
  };
}

/**
 * Runs in the page: from the next key until the draft's trace is another, to be shown in the same frame; null where it
 * stays.
 */
function untilTraceMoves(patienceMs: number): Promise<number | null> {
  const shape = () => document.querySelector('[data-trace=draft]')?.getAttribute('d');
  const before = shape();
  return new Promise((resolve) => {
    addEventListener(
      'keydown',
      ({ timeStamp }) => {
        const watching = new MutationObserver(() => {
          if (shape() === before) return;
          watching.disconnect();
          resolve(performance.now() - timeStamp);
        });
        watching.observe(document.body, { subtree: true, childList: true, attributeFilter: ['d'] });
        setTimeout(() => {
          watching.disconnect();
          resolve(null);
        }, patienceMs);
      },
      { once: true, capture: true },
    );
  });
}
