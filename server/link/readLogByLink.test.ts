import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { requestLine, FACTORY_PASS_CODE, type Verb } from '#core/link/protocol';
import { LinkBench } from './loadByLink.fixture';
import { LinkError, type EscLink } from './escLink';
import { readLogByLink, type ReadLog } from './readLogByLink';
import { openTcpLink } from './tcpEscLink';

const BYTES = Uint8Array.from({ length: 1234 }, (_, n) => (n * 7) % 256);
const SEEN = { seconds: 180, leastVolts: 7.3, mostRpm: 26_500, mostMotorCelsius: 61, mostEscCelsius: 40 };

let on: LinkBench;
beforeEach(async () => {
  on = new LinkBench();
  await on.open();
  on.bench.record(SEEN, BYTES);
});
afterEach(() => on.close());

/** A link on which the pass code was said. The bench may still think that the one before is there: it is asked until it does not. */
async function paired(): Promise<EscLink> {
  for (let tried = 1; ; tried += 1) {
    const link = await openTcpLink(on.port, { connectMs: 5000, replyMs: 300, tries: 3 });
    try {
      await link.pair(FACTORY_PASS_CODE);
      return link;
    } catch (error) {
      link.close();
      if (tried === 20) throw error;
    }
  }
}

/** Reads the log, as the server does. */
async function read(): Promise<ReadLog> {
  const link = await paired();
  try {
    return await readLogByLink(link, () => undefined);
  } finally {
    link.close();
  }
}

/** Bytes at which a line is cut: at its begin, in it, at its end, in the reply, and at the end of that. */
const placesOf = (line: string): number[] => [
  0,
  3,
  line.length - 1,
  line.length,
  line.length + 4,
  line.length + 60,
];

describe('a log read over the link', () => {
  it('is whole, with what the ESC said of it', async () => {
    const { bytes, summary } = await read();
    expect(bytes).toEqual(BYTES);
    expect(summary).toMatchObject({ log: 1, isFull: true, ...SEEN });
  });

  it.each<[Verb, string]>([
    ['ID', requestLine({ number: 1, body: { verb: 'ID', version: 3 } })],
    ['SUMMARY', requestLine({ number: 3, body: { verb: 'SUMMARY' } })],
    ['LOG', requestLine({ number: 4, body: { verb: 'LOG', block: 1 } })],
  ])('that is cut while %s is asked is nothing, and whole when it is read again', async (verb, line) => {
    for (const byte of placesOf(line)) {
      on.bench.fault = { kind: 'cut', verb, byte, staysAway: false };
      await expect(read()).rejects.toBeInstanceOf(LinkError);
      expect((await read()).bytes).toEqual(BYTES);
    }
  });

  it('with garbled lines is read again line by line until it gives up, and is nothing then', async () => {
    const link = await paired();
    on.bench.fault = { kind: 'garbled' };
    await expect(readLogByLink(link, () => undefined)).rejects.toMatchObject({ code: 'silent' });
    link.close();
  });

  it('that becomes another one meanwhile is not taken for the first', async () => {
    const link = await paired();
    const reading = readLogByLink(link, (done) => {
      if (done > 0.4 && on.bench.esc!.log!.summary.log === 1) {
        on.bench.leave({ ...on.bench.esc!, log: undefined });
        on.bench.record(
          SEEN,
          BYTES.map((byte) => 255 - byte),
        );
      }
    });
    await expect(reading).rejects.toMatchObject({ code: 'mismatch' });
    link.close();
  });

  it('is cleared only by its own number, and stays over a restart until then', async () => {
    await on.restart();
    const link = await paired();
    await expect(link.clearLog(9)).rejects.toMatchObject({ code: 'refused' });
    expect(await link.logSummary()).toMatchObject({ log: 1, bytes: BYTES.length });
    await link.clearLog(1);
    await expect(link.logSummary()).rejects.toMatchObject({ code: 'refused' });
    link.close();
  });

  it('full, the ESC logs no more until it is cleared', () => {
    expect(() => on.bench.record(SEEN, BYTES)).toThrow('full');
  });
});
