/**
 * Runs the whole ./test several times in a row and adds a line to docs/test-runs.csv for each: what fails once in ten is
 * a fault. Called by hand: `node tools/repeat.mjs --times 10`, with --busy to keep the processors busy meanwhile.
 */
import { spawn, spawnSync } from 'node:child_process';
import { appendFileSync, existsSync, mkdirSync, openSync, readFileSync, writeFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { parseArgs } from 'node:util';

const TALLY = 'docs/test-runs.csv';
const LOGS = '.cache/runs';
const HEAD = 'when,commit,machine,passed,failed,seconds\n';
/** A loop that keeps one processor busy, as a neighbour of this machine may. */
const BUSY_LOOP = 'for (;;) Math.sqrt(Math.random());';

const { values } = parseArgs({
  options: { times: { type: 'string', default: '10' }, busy: { type: 'boolean', default: false } },
});

mkdirSync(LOGS, { recursive: true });
if (!existsSync(TALLY)) writeFileSync(TALLY, HEAD);
const commit = spawnSync('git', ['rev-parse', '--short', 'HEAD'], { encoding: 'utf8' }).stdout.trim();
const neighbours = values.busy
  ? Array.from({ length: availableParallelism() }, () => spawn(process.execPath, ['-e', BUSY_LOOP]))
  : [];
let inARow = 0;
for (let n = 1; n <= Number(values.times); n += 1) {
  const log = `${LOGS}/${n}.log`;
  const started = Date.now();
  const file = openSync(log, 'w');
  spawnSync('./test', { stdio: ['ignore', file, file] });
  const seconds = Math.round((Date.now() - started) / 1000);
  const { passed, failed } = countsIn(readFileSync(log, 'utf8').trimEnd().split('\n').at(-1) ?? '');
  inARow = failed === '0' ? inARow + 1 : 0;
  const when = new Date(started).toISOString().slice(0, 16);
  appendFileSync(
    TALLY,
    `${[when, commit, values.busy ? 'busy' : 'quiet', passed, failed, seconds].join(',')}\n`,
  );
  console.log(`run ${n}: ${passed} passed, ${failed} failed, ${seconds} s; ${inARow} in a row; ${log}`);
}
for (const neighbour of neighbours) neighbour.kill();

/** @param {string} line the last one of a run */
function countsIn(line) {
  const [, passed = '0', failed = 'no end'] = /^(\d+) passed, (\d+) failed/.exec(line) ?? [];
  return { passed, failed };
}
