/** Where the browser tests run: a Live Tune of their own, with its own data folder and port. */
export const PORT = Number(process.env.LIVE_TUNE_TEST_PORT ?? 4390);
export const ADDRESS = `http://127.0.0.1:${PORT}`;
export const DATA = '.data/e2e';

/** A second Live Tune, that is shared: another address of the loopback range stands for the network. */
export const PIT = {
  port: PORT + 1,
  data: '.data/e2e-pit',
  bench: `http://127.0.0.1:${PORT + 1}`,
  sharePort: PORT + 2,
  host: '127.0.0.2',
  network: `https://127.0.0.2:${PORT + 2}`,
};

/** A small desk. */
export const VIEWPORT = { width: 1280, height: 800 };

/** The browser, from Debian’s packages: the one without windows draws a page in half the time. */
export const CHROMIUM = '/usr/bin/chromium-headless-shell';

/** Chromium without its background errands, none of which may leave the machine. */
export const CHROMIUM_FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** A Live Tune with nothing in it but the demo, started and stopped by Playwright. */
export const server = (port: number, data: string, shared?: typeof PIT) => ({
  command: `./start --fresh --yes --port ${port}${shared ? ` --share --share-port ${shared.sharePort}` : ''}`,
  env: { LIVE_TUNE_DATA: data, ...(shared && { SHARE_ONLY: shared.host }) },
  url: `http://127.0.0.1:${port}/healthz`,
  timeout: 240_000,
  stdout: 'ignore' as const,
  stderr: 'pipe' as const,
  gracefulShutdown: { signal: 'SIGTERM' as const, timeout: 20_000 },
});
