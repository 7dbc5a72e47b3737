import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
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
