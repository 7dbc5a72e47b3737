import { replyLine, requestLine } from '#core/link/protocol';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { LinkBench } from './loadByLink.fixture';

let line: LinkBench;
beforeEach(async () => {
  line = new LinkBench();
  await line.open();
});
afterEach(() => line.close());

describe.each([
  ['stays away', true],
  ['comes back', false],
])('a line that is cut and %s', (_what, staysAway) => {
  // The longest number that these loads reach has two digits.
  const writeBytes = requestLine({ number: 10, body: { verb: 'WRITE', item: 3, stop: 5 } }).length;
  const saveBytes = requestLine({ number: 10, body: { verb: 'SAVE' } }).length;
  const replyBytes = replyLine({ number: 10, body: { ok: true, words: ['3', '5'] } }).length;

  it.each([
    ['WRITE', writeBytes + replyBytes],
    ['SAVE', saveBytes + replyBytes],
  ] as const)('at every byte of a %s leaves no wrong belief', async (verb, bytes) => {
    for (let byte = 0; byte < bytes; byte += 1) {
      line.bench.lineDead = false;
      line.bench.fault = { kind: 'none' };
      line.place(byte * 100 + 100);
      line.bench.fault = { kind: 'cut', verb, byte, staysAway };
      const { error, history } = await line.load({ bite: 'bite-5' });
      const unknown = line.honest(history);
      // A cut behind the last byte of the reply is none.
      if (!error) expect(byte).toBeGreaterThan(requestLine({ number: 10, body: { verb: 'SAVE' } }).length);
      else expect(unknown).toEqual(staysAway ? ['bite'] : []);
    }
  });
});
