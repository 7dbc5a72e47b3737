/** Where the browser tests run: a Live Tune of their own, with its own data folder and port. */
export const PORT = 4390;
export const ADDRESS = `http://127.0.0.1:${PORT}`;

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
