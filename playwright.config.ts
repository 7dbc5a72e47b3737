import { defineConfig } from '@playwright/test';
import { ADDRESS, CHROMIUM_FLAGS, DATA, PORT, server } from './e2e/setting';

export default defineConfig({
  testDir: 'e2e',
  testIgnore: 'screenshots/**',
  fullyParallel: true,
  workers: 2,
  // Only to end a test that hangs: the slowest takes a minute on a busy machine.
  timeout: 240_000,
  // Neighbours of a machine may stop it for seconds. What passes only then is listed as flaky, for somebody to look at.
  retries: 1,
  // A busy machine may take its time over a page; what is expected on it does not depend on that.
  expect: { timeout: 15_000 },
  reporter: [['list'], ['json', { outputFile: '.cache/e2e.json' }]],
  outputDir: '.cache/e2e',
  use: {
    baseURL: ADDRESS,
    viewport: { width: 1280, height: 800 },
    trace: 'retain-on-failure',
    launchOptions: { executablePath: '/usr/bin/chromium', args: CHROMIUM_FLAGS },
  },
  webServer: server(PORT, DATA),
});
