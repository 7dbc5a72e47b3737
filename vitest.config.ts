import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    // A guard against what never ends, not a measure of speed: that is for bench/.
    testTimeout: 120_000,
    include: [
      'core/**/*.test.ts',
      'formats/**/*.test.ts',
      'server/**/*.test.ts',
      'demo/**/*.test.ts',
      'tools/**/*.test.ts',
      'cli/**/*.test.ts',
      'app/**/*.test.ts',
      'stand-in/**/*.test.ts',
    ],
  },
});
