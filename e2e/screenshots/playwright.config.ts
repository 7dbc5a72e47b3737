import { defineConfig } from '@playwright/test';
import { CHROMIUM, CHROMIUM_FLAGS, server } from '../setting';

const PORT = 4391;

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
  webServer: { ...server(PORT, '.data/screenshots'), cwd: '../..' },
});
