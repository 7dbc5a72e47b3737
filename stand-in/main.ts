/** The stand-in: a simulated ESC on two sockets of loopback, the link and the hands. Started by ./start. */
import { once } from 'node:events';
import type { Server } from 'node:net';
import { StandInBench } from './bench';
import { controlServer } from './controlServer';
import { linkServer } from './linkServer';

const setting = (name: string): string => {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set; start Live Tune with ./start`);
  return value;
};

async function listen(server: Server, port: string): Promise<void> {
  server.listen(Number(port), '127.0.0.1');
  await once(server, 'listening');
}

const bench = new StandInBench(setting('STAND_IN_FOLDER'));
await listen(linkServer(bench), setting('STAND_IN_LINK_PORT'));
await listen(controlServer(bench), setting('STAND_IN_CONTROL_PORT'));
process.send?.({ ready: true });
for (const signal of ['SIGTERM', 'SIGINT'] as const) process.on(signal, () => process.exit(0));
