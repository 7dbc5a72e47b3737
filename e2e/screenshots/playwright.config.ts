import { defineConfig } from '@playwright/test';
import { CHROMIUM, CHROMIUM_FLAGS, PIT, server } from '../setting';

const PORT = 4401;

/** Makes docs/screenshots/ from the demo: `npm run screenshots`, after a view has changed. */
export default defineConfig({
  testDir: '.',
  workers: 1,
  timeout: 180_000,
  reporter: 'list',
  outputDir: '../../.cache/screenshots',
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: CHROMIUM, args: CHROMIUM_FLAGS },
  },
  // Shared, as for the picture of the pit: with an address of the loopback range for the network.
  webServer: { ...server(PORT, '.data/screenshots', { ...PIT, sharePort: PORT + 1 }), cwd: '../..' },
});
