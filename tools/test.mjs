/** Runs every check and counts. Called by ./test; with --quick only those that matter while working. */
import { existsSync, mkdirSync } from 'node:fs';
import { inOrder, sumOf } from './lib/checks.mjs';
import { installPostgres } from './lib/cluster.mjs';
import { installDebianPackages, installNpmPackages } from './lib/install.mjs';
import { Plain, say } from './lib/run.mjs';

const CACHE = '.cache';
const UNIT_REPORT = `${CACHE}/unit.json`;
const E2E_REPORT = `${CACHE}/e2e.json`;
const BROWSER = 'chromium-headless-shell';
const quick = process.argv.includes('--quick');

/**
 * A program of an npm package.
 * @param {string} program
 * @param {string[]} args
 */
const npx = (program, ...args) => [`node_modules/.bin/${program}`, ...args];

const FORMAT = {
  name: 'format',
  // The cache goes by what is in the files: a file that is as it was is not looked at again.
  command: npx(
    'prettier',
    ...['--check', '--log-level', 'warn', '--cache', '--cache-strategy', 'content'],
    ...['--cache-location', `${CACHE}/prettier`, '.'],
  ),
};
const ROUTE_TYPES = {
  name: 'route types',
  command: npx('react-router', 'typegen'),
  needed: 'Lint and types wait for the route types: without them, every route would be an error.',
};
const LINT = { name: 'lint and types', command: npx('oxlint') };
const ARROWS = { name: 'dependency direction', command: ['npm', 'run', '-s', 'arrows'] };
const UNUSED = { name: 'unused code', command: npx('knip') };
const BUILD = {
  name: 'build',
  command: [process.execPath, 'tools/build.mjs'],
  needed: 'Without a build there is nothing for the browser to show.',
};
const UNIT = {
  name: 'unit tests',
  command: npx(
    'vitest',
    ...['run', '--reporter=default', '--reporter=json', `--outputFile.json=${UNIT_REPORT}`],
    ...(quick ? ['--exclude=**/*.long.test.ts'] : []),
  ),
  report: UNIT_REPORT,
  count: (/** @type {any} */ report) => ({ passed: report.numPassedTests, failed: report.numFailedTests }),
};
const BROWSER_TESTS = {
  name: 'browser tests',
  command: npx('playwright', 'test'),
  report: E2E_REPORT,
  // What passes at a second try only has failed.
  count: (/** @type {any} */ { stats }) => ({
    passed: stats.expected,
    failed: stats.unexpected + stats.flaky,
  }),
  shows: true,
};

async function main() {
  installNpmPackages();
  mkdirSync(CACHE, { recursive: true });
  if (!quick && !existsSync(`/usr/bin/${BROWSER}`))
    installDebianPackages([BROWSER], 'Chromium without windows');
  if (!quick) installPostgres();
  // Two lanes, for two processors.
  const still = [ROUTE_TYPES, LINT, ARROWS, FORMAT, ...(quick ? [] : [UNUSED, BUILD])];
  const lanes = await Promise.all([inOrder(still), inOrder([UNIT])]);
  const outcomes = lanes.flat();
  if (!quick && outcomes.some(({ name, counts }) => name === BUILD.name && counts.failed === 0))
    outcomes.push(...(await inOrder([BROWSER_TESTS])));
  return outcomes;
}

const started = Date.now();
/** @type {import('./lib/checks.mjs').Outcome[]} */
let outcomes = [];
let failedBefore = 0;
try {
  outcomes = await main();
} catch (error) {
  if (!(error instanceof Plain)) throw error;
  console.error(error.message);
  failedBefore = 1;
}
const { passed, failed } = sumOf(outcomes);
say('\nWhat took how long, s (the first lines ran side by side):');
for (const { name, seconds } of outcomes) say(`  ${name.padEnd(22)} ${seconds.toFixed(1).padStart(6)}`);
say(`  ${'all of it'.padEnd(22)} ${((Date.now() - started) / 1000).toFixed(1).padStart(6)}`);
say(`\n${passed} passed, ${failed + failedBefore} failed`);
process.exitCode = failed + failedBefore > 0 ? 1 : 0;
