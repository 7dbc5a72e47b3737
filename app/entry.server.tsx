import { createReadableStreamFromReadable } from '@react-router/node';
import { isbot } from 'isbot';
import { renderToPipeableStream, type RenderToPipeableStreamOptions } from 'react-dom/server';
import { ServerRouter, type EntryContext, type RouterContextProvider } from 'react-router';
import { nonceContext } from '#server/nonce';
import { scriptsLater } from './scriptsLater.server';

const GIVE_UP_AFTER_MS = 6000;

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
