import { createServer, type Server, type Socket } from 'node:net';
import { once } from 'node:events';
import type { AddressInfo } from 'node:net';
import { afterEach, describe, expect, it } from 'vitest';
import { LONGEST_CONTROL_LINE } from '#core/device/control';
import { askHands } from './hands';

let server: Server | undefined;
const sockets = new Set<Socket>();
afterEach(() => {
  sockets.forEach((socket) => socket.destroy());
  server?.close();
});

/** A stand-in that lies: it does this with whoever asks. @returns its port */
async function lying(how: (socket: Socket) => void): Promise<number> {
  server = createServer((socket) => {
    sockets.add(socket);
    socket.on('error', () => undefined);
    how(socket);
  });
  server.listen(0, '127.0.0.1');
  await once(server, 'listening');
  return (server.address() as AddressInfo).port;
}

const ask = (port: number) => askHands(port, { do: 'memory', serial: 'one' }, 150);

describe('hands that lie', () => {
  it.each([
    ['say nothing', () => undefined],
    ['hang up at once', (socket: Socket) => socket.destroy()],
    ['hang up in the middle', (socket: Socket) => socket.end('{"ok":true,"mem')],
    [
      'drip, and never come to an end',
      (socket: Socket) => void setInterval(() => socket.write('{'), 10).unref(),
    ],
  ])('who %s are away', async (_, how) => {
    await expect(ask(await lying(how))).rejects.toMatchObject({ code: 'away' });
  });

  it.each([
    ['garbage'],
    ['null'],
    ['[]'],
    ['{}'],
    ['{"ok":1}'],
    ['{"ok":false}'],
    ['{"ok":true,"memory":null}'],
    ['{"ok":true,"memory":{"writes":1e400,"memory":{"stops":{},"range":{}}}}'],
    ['{"ok":true,"memory":{"writes":2,"memory":{"stops":{"a":7},"range":{}}}}'],
  ])('who answer %s are something else', async (line) => {
    await expect(ask(await lying((socket) => socket.write(`${line}\n`)))).rejects.toMatchObject({
      code: 'strange',
    });
  });

  it('who flood without an end fill no memory', async () => {
    const chunk = 'x'.repeat(LONGEST_CONTROL_LINE / 2);
    const port = await lying((socket) => {
      for (let n = 0; n < 5; n += 1) socket.write(chunk);
    });
    await expect(askHands(port, { do: 'memory', serial: 'one' }, 3000)).rejects.toMatchObject({
      code: 'strange',
    });
  });

  it('who refuse say why', async () => {
    const port = await lying((socket) => socket.write('{"ok":false,"sentence":"no room"}\n'));
    await expect(ask(port)).rejects.toThrow('The simulated ESC refused: no room');
  });
});
