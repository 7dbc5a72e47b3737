import { availableParallelism } from 'node:os';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    // A guard against what never ends, not a measure of speed: that is for bench/.
    testTimeout: 120_000,
    // No test leaves anything behind in a module: what is loaded once serves all files of a thread.
    isolate: false,
    pool: 'threads',
    maxWorkers: availableParallelism(),
    include: ['{core,formats,server,demo,tools,cli,app,stand-in}/**/*.test.ts'],
  },
});
