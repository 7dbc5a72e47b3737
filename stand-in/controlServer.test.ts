import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { once } from 'node:events';
import { connect, type AddressInfo, type Server } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { factoryMemory } from '#core/device/simulatedEsc';
import { smallProfile } from '#core/esc/smallProfile.fixture';
import { LONGEST_CONTROL_LINE } from '#core/device/control';
import { StandInBench } from './bench';
import { controlServer } from './controlServer';

const profile = smallProfile();
const memory = { memory: factoryMemory(profile), writes: 1 };
let folder: string;
let server: Server;
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'hands-'));
  server = controlServer(new StandInBench(folder)).listen(0, '127.0.0.1');
  await once(server, 'listening');
});
afterEach(() => {
  server.close();
  rmSync(folder, { recursive: true });
});

/** What is answered to a text until the line is closed, or one line came. */
async function answerTo(text: string): Promise<string> {
  const socket = connect({ port: (server.address() as AddressInfo).port, host: '127.0.0.1' });
  socket.on('error', () => undefined);
  socket.setEncoding('utf8');
  socket.write(text);
  let heard = '';
  for await (const chunk of socket as AsyncIterable<string>) {
    heard += chunk;
    if (heard.includes('\n')) break;
  }
  socket.destroy();
  return heard.trim();
}
const asked = async (request: object): Promise<unknown> =>
  JSON.parse(await answerTo(`${JSON.stringify(request)}\n`)) as unknown;

describe('the hands at the bench', () => {
  it('plug an ESC in, and tell what it remembers', async () => {
    expect(await asked({ do: 'place', serial: 'one', profile, memory })).toEqual({ ok: true, memory });
    expect(await asked({ do: 'memory', serial: 'one' })).toEqual({ ok: true, memory });
    expect(await asked({ do: 'memory', serial: 'two' })).toEqual({ ok: true });
  });

  it.each([
    ['nothing at all', ''],
    ['garbage', 'garbage'],
    ['null', 'null'],
    ['an empty object', '{}'],
    ['an unknown command', '{"do":"explode"}'],
    ['a serial that is a path', '{"do":"memory","serial":"../../etc"}'],
    ['two dots', '{"do":"memory","serial":".."}'],
    ['a place without a profile', '{"do":"place","serial":"one","profile":{},"memory":{}}'],
    ['an unknown fault', '{"do":"fault","fault":{"kind":"fire"}}'],
  ])('answer %s with a sentence, and live on', async (_, line) => {
    expect(JSON.parse(await answerTo(`${line}\n`))).toMatchObject({
      ok: false,
      sentence: expect.any(String) as string,
    });
    expect(await asked({ do: 'memory', serial: 'one' })).toEqual({ ok: true });
  });

  it('take no memory of another ESC', async () => {
    const strange = { ...memory, memory: { ...memory.memory, stops: { bite: 'no-such-stop' } } };
    expect(await asked({ do: 'place', serial: 'one', profile, memory: strange })).toMatchObject({
      ok: false,
    });
  });

  it('cut whoever floods them without an end, and live on', async () => {
    expect(await answerTo('x'.repeat(LONGEST_CONTROL_LINE + 10))).toBe('');
    expect(await asked({ do: 'memory', serial: 'one' })).toEqual({ ok: true });
  });

  it('take a file that cannot be read for an ESC that was never here', async () => {
    await asked({ do: 'place', serial: 'one', profile, memory });
    const file = join(folder, 'one.json');
    const whole = readFileSync(file, 'utf8');
    for (const broken of ['', 'null', whole.slice(0, 40), '{"memory":{},"writes":"many"}']) {
      writeFileSync(file, broken);
      expect(await asked({ do: 'memory', serial: 'one' })).toEqual({ ok: true });
      expect(await asked({ do: 'place', serial: 'one', profile, memory })).toEqual({ ok: true, memory });
    }
  });
});
