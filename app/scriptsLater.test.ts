import { Readable } from 'node:stream';
import { text } from 'node:stream/consumers';
import { describe, expect, it } from 'vitest';
import { scriptsLater } from './scriptsLater.server';

// As the router writes it.
const PAGE =
  '<head><link rel="modulepreload" href="/a.js"/><link rel="icon" href="/mark.svg"/></head><p>3 < 4, Größe</p>' +
  '<script nonce="n">first()</script><script nonce="n" type="module" async="">import "/a.js"</script>';
const LATER =
  '<head><link rel="after-paint" href="/a.js"/><link rel="icon" href="/mark.svg"/></head><p>3 < 4, Größe</p>' +
  '<script nonce="n">first()</script><script nonce="n" type="after-paint">import "/a.js"</script>';

const written = (chunks: Uint8Array[]): Promise<string> => text(Readable.from(chunks).pipe(scriptsLater()));

describe('scripts that wait until the page was painted', () => {
  it('are marked, and nothing else is touched', async () => {
    expect(await written([Buffer.from(PAGE)])).toBe(LATER);
  });

  it('are marked wherever a page is cut into pieces', async () => {
    const bytes = Buffer.from(PAGE);
    for (let at = 1; at < bytes.length; at += 1)
      expect(await written([bytes.subarray(0, at), bytes.subarray(at)])).toBe(LATER);
  });

  it('are marked when each piece is a single byte', async () => {
    expect(await written([...Buffer.from(PAGE)].map((byte) => Buffer.of(byte)))).toBe(LATER);
  });
});
