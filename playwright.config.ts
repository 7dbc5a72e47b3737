import { defineConfig } from '@playwright/test';
import { ADDRESS, CHROMIUM, CHROMIUM_FLAGS, DATA, PIT, PORT, server, VIEWPORT } from './e2e/setting';

/** Tests that kill what serves all others. */
const KILLS = '**/kill.spec.ts';
/** Tests round the shared bench: some sign all its devices out, so they run one after the other. */
const PIT_SPECS = ['**/pit.spec.ts', '**/pitTogether.spec.ts', '**/pitOffline.spec.ts'];
/** From its second garage on that bench is closed to whoever has no password. */
const GARAGES = '**/pitGarages.spec.ts';

export default defineConfig({
  testDir: 'e2e',
  // What kills the server must not run beside a test that opens a page: a page whose scripts never came says nothing.
  projects: [
    { name: 'pit', testMatch: PIT_SPECS, workers: 1 },
    { name: 'garages', testMatch: GARAGES, dependencies: ['pit'] },
    { name: 'drivers', testIgnore: ['screenshots/**', KILLS, GARAGES, ...PIT_SPECS] },
    { name: 'kills', testMatch: KILLS, dependencies: ['drivers', 'pit', 'garages'] },
  ],
  fullyParallel: true,
  workers: 2,
  // Only to end a test that hangs: the slowest takes a minute on a busy machine.
  timeout: 240_000,
  // What fails once is a race: in the application, until proven otherwise.
  retries: 0,
  // A busy machine may take its time over a page; what is expected on it does not depend on that.
  expect: { timeout: 15_000 },
  reporter: [['list'], ['json', { outputFile: '.cache/e2e.json' }]],
  outputDir: '.cache/e2e',
  use: {
    baseURL: ADDRESS,
    // What cannot be pressed after so long never can: a test that hangs would hold one of two workers for minutes.
    actionTimeout: 60_000,
    viewport: VIEWPORT,
    // A trace of every step doubles the time of a run: TRACE=1 writes it, for whoever looks for a fault.
    trace: process.env.TRACE ? 'retain-on-failure' : 'off',
    screenshot: 'only-on-failure',
    launchOptions: { executablePath: CHROMIUM, args: CHROMIUM_FLAGS },
  },
  webServer: [server(PORT, DATA), server(PIT.port, PIT.data, PIT)],
});
