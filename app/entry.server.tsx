import { createReadableStreamFromReadable } from '@react-router/node';
import { isbot } from 'isbot';
import { Transform } from 'node:stream';
import { renderToPipeableStream, type RenderToPipeableStreamOptions } from 'react-dom/server';
import { ServerRouter, type EntryContext, type RouterContextProvider } from 'react-router';
import { nonceContext } from '#server/nonce';

const GIVE_UP_AFTER_MS = 6000;

/**
 * Lets scripts wait for what is read: their preloads come after style sheet and fonts on a slow network. A hint that falls
 * between two chunks stays as it was; it is only a hint.
 */
const scriptsLater = (): Transform =>
  new Transform({
    transform(chunk: Buffer, _encoding, done) {
      const text = chunk.toString('latin1');
      done(
        null,
        Buffer.from(
          text.replaceAll('<link rel="modulepreload" ', '<link rel="modulepreload" fetchPriority="low" '),
          'latin1',
        ),
      );
    },
  });

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
