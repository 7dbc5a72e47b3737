import { FACTORY_PASS_CODE } from '#core/link/protocol';
import type { Log } from '#core/runs/log/channels';
import { factoryMemory } from '#core/device/simulatedEsc';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { PlayedDrive } from '../../stand-in/playedDrive';
import { LinkBench, profile } from './loadByLink.fixture';
import type { EscLink } from './escLink';
import { openTcpLink } from './tcpEscLink';

/** Ten minutes; nobody waits for their end. */
const LOG: Log = {
  seconds: Float64Array.from([0, 599, 600]),
  channels: [
    { kind: 'packVolts', name: 'Pack voltage', unit: 'V', values: Float32Array.from([8.25, 7, 7]) },
    { kind: 'rpm', name: 'Motor rpm', unit: 'rpm', values: Float32Array.from([NaN, 1, 1]) },
  ],
};
const SEEN = { seconds: 600, leastVolts: 7, mostRpm: 1, mostMotorCelsius: 20, mostEscCelsius: 20 };

let on: LinkBench;
let link: EscLink;
beforeEach(async () => {
  on = new LinkBench();
  await on.open();
  link = await openTcpLink(on.port, { connectMs: 5000, replyMs: 5000, tries: 1 });
});
afterEach(() => {
  on.bench.driving?.stop();
  link.close();
  on.close();
});

const drive = (whenOver = (): void => undefined, pace = 1): void =>
  on.bench.drive(new PlayedDrive(LOG, pace, whenOver));

const paired = (): Promise<void> => link.pair(FACTORY_PASS_CODE);

describe('an ESC that is driven', () => {
  it('tells its numbers of this moment, without those that it has not', async () => {
    drive();
    await paired();
    expect((await link.live()).values).toEqual({ packVolts: 8.25 });
  });

  it('does nothing else, so that nobody changes what a running motor goes by', async () => {
    drive();
    await paired();
    await expect(link.write(1, 1)).rejects.toThrow('it is being driven');
    await expect(link.save()).rejects.toThrow('it is being driven');
    await expect(link.clearLog(1)).rejects.toThrow('it is being driven');
    await expect(link.identify()).resolves.toMatchObject({ version: 3 });
  });

  it('tells nobody anything before the pass code was said', async () => {
    drive();
    await expect(link.live()).rejects.toMatchObject({ code: 'locked' });
  });

  it('stands still again when its drive is logged', async () => {
    const over = new Promise<void>((resolve) => {
      drive(() => {
        on.bench.record(SEEN, Uint8Array.of(1, 2, 3));
        resolve();
      }, 1e9);
    });
    await over;
    await paired();
    await expect(link.live()).rejects.toMatchObject({ code: 'still' });
    expect(await link.logSummary()).toMatchObject({ log: 1, seconds: 600 });
  });

  it('logs nothing where another one is plugged in meanwhile', () => {
    drive();
    on.bench.place(profile, 'another-esc', { memory: factoryMemory(profile), writes: 0 });
    expect(on.bench.driving).toBeUndefined();
    expect(on.bench.esc!.log).toBeUndefined();
  });

  it('is still driven where the same one is plugged in once more', () => {
    drive();
    on.place();
    expect(on.bench.driving).toBeDefined();
  });
});
