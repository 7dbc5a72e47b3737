/** Builds everything that `./start` runs, unless this very source was built already. Called by ./test. */
import { buildApplication, buildForNode } from './lib/install.mjs';
import { Plain } from './lib/run.mjs';

try {
  buildApplication();
  buildForNode();
} catch (error) {
  if (!(error instanceof Plain)) throw error;
  console.error(error.message);
  process.exitCode = 1;
}
