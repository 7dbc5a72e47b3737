import { Transform } from 'node:stream';
import { AFTER_PAINT } from './ui/AfterPaint';

/** How the router begins what loads and starts a page, and how it is written instead. */
const LATER = [
  ['<link rel="modulepreload" ', `<link rel="${AFTER_PAINT}" `],
  ['type="module" async="">', `type="${AFTER_PAINT}">`],
] as const;

/** Lets scripts wait until the page was painted, see `AfterPaint`. A tag that is not whole yet is held back until the next chunk. */
export function scriptsLater(): Transform {
  let heldBack = '';
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      // Byte by byte: a letter may lie between two chunks as well.
      const text = heldBack + chunk.toString('latin1');
      const open = text.lastIndexOf('<');
      const end = open !== -1 && !text.includes('>', open) ? open : text.length;
      heldBack = text.slice(end);
      const written = LATER.reduce((so, [now, later]) => so.replaceAll(now, later), text.slice(0, end));
      done(null, Buffer.from(written, 'latin1'));
    },
    flush(done) {
      done(null, Buffer.from(heldBack, 'latin1'));
    },
  });
}
