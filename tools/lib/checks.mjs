/** Checks that run side by side: each says when it is done and how long it took; only what fails is shown whole. */
import { spawn } from 'node:child_process';
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { say } from './run.mjs';

/**
 * @typedef {object} Counts
 * @property {number} passed
 * @property {number} failed
 *
 * @typedef {object} Check
 * @property {string} name
 * @property {string[]} command
 * @property {string} [report] a JSON report whose tests are counted one by one
 * @property {(report: any) => Counts} [count] how they are counted
 * @property {boolean} [shows] whether its output is worth reading while it runs
 *
 * @typedef {object} Outcome
 * @property {string} name
 * @property {number} seconds
 * @property {Counts} counts
 */

/**
 * Runs checks one after the other, and stops where one fails that others need.
 * @param {(Check & { needed?: string })[]} checks with `needed`: what cannot be said when it fails
 * @returns {Promise<Outcome[]>}
 */
export async function inOrder(checks) {
  /** @type {Outcome[]} */
  const outcomes = [];
  for (const check of checks) {
    const outcome = await run(check);
    outcomes.push(outcome);
    if (check.needed && outcome.counts.failed > 0) {
      say(`   ${check.needed}`);
      break;
    }
  }
  return outcomes;
}

/**
 * @param {Check} check
 * @returns {Promise<Outcome>}
 */
async function run({ name, command, report, count, shows }) {
  if (report) rmSync(report, { force: true });
  const started = Date.now();
  const { code, output } = await finished(command, shows ?? false);
  const seconds = (Date.now() - started) / 1000;
  const counts =
    report && count
      ? existsSync(report)
        ? count(JSON.parse(readFileSync(report, 'utf8')))
        : { passed: 0, failed: 0 }
      : { passed: code === 0 ? 1 : 0, failed: 0 };
  // A runner that fails without a failing test could not even begin.
  if (code !== 0 && counts.failed === 0) counts.failed = 1;
  say(`── ${name}: ${counts.failed === 0 ? 'passed' : 'FAILED'}, ${seconds.toFixed(1)} s`);
  if (counts.failed > 0 && !shows) say(output.trim());
  return { name, seconds, counts };
}

/**
 * @param {string[]} command
 * @param {boolean} shows
 * @returns {Promise<{ code: number, output: string }>}
 */
function finished(command, shows) {
  const [file = '', ...args] = command;
  return new Promise((resolve) => {
    const child = spawn(file, args, {
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, NO_COLOR: '1' },
    });
    let output = '';
    for (const stream of [child.stdout, child.stderr])
      stream.setEncoding('utf8').on('data', (/** @type {string} */ text) => {
        output += text;
        if (shows) process.stdout.write(text);
      });
    child.on('error', (error) => resolve({ code: 127, output: String(error) }));
    child.on('close', (code) => resolve({ code: code ?? 1, output }));
  });
}

/**
 * @param {readonly Outcome[]} outcomes
 * @returns {Counts}
 */
export const sumOf = (outcomes) => ({
  passed: outcomes.reduce((sum, { counts }) => sum + counts.passed, 0),
  failed: outcomes.reduce((sum, { counts }) => sum + counts.failed, 0),
});
