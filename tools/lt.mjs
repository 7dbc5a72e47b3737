/** Runs the command line, building it first where its source has changed. Called by `npm run lt`. */
import { spawnSync } from 'node:child_process';
import { buildForNode, installNpmPackages } from './lib/install.mjs';
import { Plain } from './lib/run.mjs';

// What is said while building is not the answer.
console.log = console.error;
try {
  installNpmPackages();
  buildForNode();
} catch (error) {
  if (!(error instanceof Plain)) throw error;
  process.stdout.write(`${JSON.stringify({ ok: false, sentence: error.message, problems: [] }, null, 2)}\n`);
  process.exit(2);
}
const { status } = spawnSync(process.execPath, ['build/node/lt.js', ...process.argv.slice(2)], {
  stdio: 'inherit',
});
process.exitCode = status ?? 2;
