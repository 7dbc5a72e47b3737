import { createServer } from 'node:net';

/**
 * Whether nothing listens on a port of loopback.
 * @param {number} port
 * @returns {Promise<number | undefined>} the port, or undefined when it is busy
 */
function tryPort(port) {
  return new Promise((resolve) => {
    const server = createServer();
    server.once('error', () => resolve(undefined));
    server.listen(port, '127.0.0.1', () => {
      const address = /** @type {import('node:net').AddressInfo} */ (server.address());
      server.close(() => resolve(address.port));
    });
  });
}

/** Some free port of loopback. */
export async function freePort() {
  const port = await tryPort(0);
  if (port === undefined) throw new Error('no port of 127.0.0.1 is free');
  return port;
}

/**
 * The first free port from `first` on, among `count`.
 * @param {number} first
 * @param {number} count
 */
export async function firstFreePort(first, count) {
  for (let port = first; port < first + count; port += 1)
    if ((await tryPort(port)) !== undefined) return port;
  return undefined;
}
