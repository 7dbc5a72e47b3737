/** Prints the figures of this machine: traces, plans, start-up, and the page itself. `npm run -s bench`; on a quiet machine. */
import { spawn, spawnSync } from 'node:child_process';
import { rmSync } from 'node:fs';
import { availableParallelism, cpus } from 'node:os';
import { buildApplication, buildForNode, installNpmPackages } from '../tools/lib/install.mjs';
import { firstFreePort } from '../tools/lib/ports.mjs';

const DATA = '.data/bench';

installNpmPackages();
buildApplication();
buildForNode();
console.log(
  `${cpus()[0]?.model ?? 'a processor'}, ${availableParallelism()} threads, Node ${process.version}`,
);

console.log('\ntraces, bands and plans, ms');
const built = spawnSync(
  'npx',
  ['--no-install', 'vite', 'build', '-c', 'bench/vite.config.ts', '--logLevel', 'warn'],
  { stdio: 'inherit' },
);
if (built.status !== 0) process.exit(1);
const { status, stdout } = spawnSync(process.execPath, ['.cache/bench/traces.js'], { encoding: 'utf8' });
if (status !== 0) process.exit(1);
for (const line of stdout.trim().split('\n')) {
  const { scenario, medianMs, p95Ms } = JSON.parse(line);
  console.log(
    `  ${scenario.padEnd(44)} median ${medianMs.toFixed(2).padStart(8)}   95 % ${p95Ms.toFixed(2).padStart(8)}`,
  );
}

console.log('\nthe ear');
console.log(spawnSync(process.execPath, ['.cache/bench/ear.js'], { encoding: 'utf8' }).stdout);
console.log('\nthe eye');
console.log(spawnSync(process.execPath, ['.cache/bench/eye.js'], { encoding: 'utf8' }).stdout);

console.log('\nthe stint on each kind of model');
console.log(spawnSync(process.execPath, ['.cache/bench/stint.js'], { encoding: 'utf8' }).stdout);

console.log('\nstart-up, s');
const first = await start('first start, everything installed and built', ['--fresh', '--yes']);
await first.stop();
const second = await start('second start', []);
console.log('\nfrom a key on a rail to the moved trace, in the browser');
console.log(
  spawnSync(process.execPath, ['.cache/bench/page.js', second.address], { encoding: 'utf8' }).stdout,
);
await second.stop();
rmSync(DATA, { recursive: true, force: true });

/**
 * From ./start to a web server that answers; prints how long it took.
 * @param {string} name
 * @param {string[]} options
 */
async function start(name, options) {
  const port = await firstFreePort(4500, 50);
  const address = `http://127.0.0.1:${port}`;
  const started = Date.now();
  const live = spawn('./start', ['--port', String(port), ...options], {
    env: { ...process.env, LIVE_TUNE_DATA: DATA },
    stdio: 'ignore',
  });
  const healthy = async () => {
    try {
      return (await fetch(`${address}/healthz`)).ok;
    } catch {
      return false;
    }
  };
  while (!(await healthy())) await new Promise((resolve) => setTimeout(resolve, 20));
  console.log(`  ${name.padEnd(44)} ${((Date.now() - started) / 1000).toFixed(2).padStart(8)}`);
  const stop = async () => {
    const gone = new Promise((resolve) => live.once('exit', resolve));
    live.kill('SIGTERM');
    await gone;
  };
  return { address, stop };
}
