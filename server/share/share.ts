/** The door to the network: HTTPS beside loopback, only where `./start --share` asked for it. */
import { createServer, type Server } from 'node:https';
import { application } from '../application';
import { inAddress, nearbyHosts } from './addresses';
import { authorityIn } from './authority';
import { nowShared } from './shared';

/**
 * Opens the door.
 * @param folder where the authority lies
 * @param only listens on this address alone and answers to it, for tests; undefined for all of the machine's
 */
export async function openShare(folder: string, port: number, only: string | undefined): Promise<Server> {
  const hosts = only === undefined ? nearbyHosts() : [only];
  const authority = await authorityIn(folder);
  // The machine itself asks here, too, to see that it works.
  const identity = await authority.sign([...hosts, 'localhost', '127.0.0.1']);
  const names = new Set([...hosts.map(inAddress), 'localhost', '127.0.0.1']);
  const server = createServer({ ...identity, minVersion: 'TLSv1.2' }, application('share', names));
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, only, resolve);
  });
  nowShared({
    addresses: hosts.map((host) => `https://${inAddress(host)}:${port}`),
    certificate: authority.certificate,
    fingerprint: authority.fingerprint,
  });
  return server;
}
