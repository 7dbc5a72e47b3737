import { createReadableStreamFromReadable } from '@react-router/node';
import { isbot } from 'isbot';
import { Transform } from 'node:stream';
import { renderToPipeableStream, type RenderToPipeableStreamOptions } from 'react-dom/server';
import { ServerRouter, type EntryContext, type RouterContextProvider } from 'react-router';
import { nonceContext } from '#server/nonce';

const GIVE_UP_AFTER_MS = 6000;

const PRELOAD = '<link rel="modulepreload" ';

/**
 * Lets scripts wait for what is read: their preloads come after style sheet and fonts on a slow network. The router writes
 * them without a priority. What may be the beginning of one is held back until the next chunk.
 */
function scriptsLater(): Transform {
  let heldBack = '';
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      // Byte by byte: a letter may lie between two chunks as well.
      const text = heldBack + chunk.toString('latin1');
      const open = text.lastIndexOf('<');
      const end = open !== -1 && text.length - open < PRELOAD.length ? open : text.length;
      heldBack = text.slice(end);
      const written = text.slice(0, end).replaceAll(PRELOAD, `${PRELOAD}fetchPriority="low" `);
      done(null, Buffer.from(written, 'latin1'));
    },
    flush(done) {
      done(null, Buffer.from(heldBack, 'latin1'));
    },
  });
}

export default function handleRequest(
  request: Request,
  status: number,
  headers: Headers,
  entry: EntryContext,
  context: RouterContextProvider,
): Promise<Response> {
  const nonce = context.get(nonceContext) ?? undefined;
  const whole: keyof RenderToPipeableStreamOptions = isbot(request.headers.get('user-agent'))
    ? 'onAllReady'
    : 'onShellReady';
  return new Promise((resolve, reject) => {
    let responseStatus = status;
    const { pipe, abort } = renderToPipeableStream(
      <ServerRouter context={entry} url={request.url} nonce={nonce} />,
      {
        nonce,
        [whole]() {
          const body = scriptsLater();
          headers.set('Content-Type', 'text/html; charset=utf-8');
          resolve(new Response(createReadableStreamFromReadable(body), { headers, status: responseStatus }));
          pipe(body);
        },
        onShellError: reject,
        onError(error: unknown) {
          responseStatus = 500;
          console.error(error);
        },
      },
    );
    setTimeout(abort, GIVE_UP_AFTER_MS);
  });
}
