/** Runs every check and counts. Called by ./test; with --quick only those that matter while working. */
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { installDebianPackages, installNpmPackages } from './lib/install.mjs';
import { Plain, openly, say } from './lib/run.mjs';

const CACHE = '.cache';
const UNIT_REPORT = `${CACHE}/unit.json`;
const E2E_REPORT = `${CACHE}/e2e.json`;
const quick = process.argv.includes('--quick');

/** @type {{ passed: number, failed: number }} */
const total = { passed: 0, failed: 0 };

/**
 * One check that passes or fails as a whole.
 * @param {string} name
 * @param {string[]} command
 */
async function check(name, command) {
  say(`\n── ${name}`);
  const started = Date.now();
  const code = await openly('npx', ['--no-install', ...command]);
  say(`── ${name}: ${code === 0 ? 'passed' : 'FAILED'}, ${Math.round((Date.now() - started) / 1000)} s`);
  if (code === 0) total.passed += 1;
  else total.failed += 1;
}

/**
 * A test runner that writes a JSON report; its tests are counted one by one.
 * @param {string} name
 * @param {string[]} command
 * @param {string} report
 * @param {(report: any) => { passed: number, failed: number }} read
 */
async function runner(name, command, report, read) {
  say(`\n── ${name}`);
  rmSync(report, { force: true });
  const code = await openly('npx', ['--no-install', ...command]);
  const counts = existsSync(report)
    ? read(JSON.parse(readFileSync(report, 'utf8')))
    : { passed: 0, failed: 0 };
  // A runner that fails without a failing test could not even begin.
  if (code !== 0 && counts.failed === 0) counts.failed = 1;
  total.passed += counts.passed;
  total.failed += counts.failed;
}

async function main() {
  installNpmPackages();
  mkdirSync(CACHE, { recursive: true });
  if (!quick && !existsSync('/usr/bin/chromium')) installDebianPackages(['chromium'], 'Chromium');

  await check('format', ['prettier', '--check', '--log-level', 'warn', '.']);
  // Before lint, which reads the types of the routes.
  await check('route types', ['react-router', 'typegen']);
  // What lint finds in one file depends on others, so its cache is good only for working.
  const cache = quick ? ['--cache', '--cache-location', `${CACHE}/eslint/`] : [];
  await check('lint', ['eslint', '.', '--max-warnings', '0', ...cache]);
  await check('types of core, without page or Node', ['tsc', '-p', 'core']);
  await check('types', ['tsc', '-p', '.']);
  await check('dependency direction', [
    'depcruise',
    '--config',
    '.dependency-cruiser.cjs',
    'core',
    'formats',
    'server',
    'stand-in',
    'cli',
    'app',
    'demo',
    'bench',
  ]);
  if (!quick) await check('unused code', ['knip']);
  await runner(
    'unit tests',
    ['vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${UNIT_REPORT}`],
    UNIT_REPORT,
    (report) => ({ passed: report.numPassedTests, failed: report.numFailedTests }),
  );
  if (!quick) {
    await check('build of the application', ['react-router', 'build']);
    await check('build for Node', ['vite', 'build', '-c', 'vite.node.config.ts']);
    await runner('browser tests', ['playwright', 'test'], E2E_REPORT, ({ stats }) => ({
      passed: stats.expected + stats.flaky,
      failed: stats.unexpected,
    }));
  }
}

try {
  await main();
} catch (error) {
  if (!(error instanceof Plain)) throw error;
  console.error(error.message);
  total.failed += 1;
}
say(`\n${total.passed} passed, ${total.failed} failed`);
process.exitCode = total.failed > 0 ? 1 : 0;
