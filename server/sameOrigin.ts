import type { RequestHandler } from 'express';

const LOOPBACK_HOSTS = new Set(['127.0.0.1', 'localhost', '[::1]']);

/** Whether a Host header names this machine; anything else is a rebinding trick or a wrong address. */
export const isLoopbackHost = (host: string | undefined): boolean =>
  host !== undefined && LOOPBACK_HOSTS.has(host.replace(/:\d+$/, ''));

/** Answers only requests that were sent to this machine by name. */
export const onlyLoopback: RequestHandler = (request, response, next) => {
  if (isLoopbackHost(request.headers.host)) next();
  else
    response
      .status(421)
      .type('text')
      .send('Live Tune answers only on this machine. Use the address that ./start printed.\n');
};

/** Refuses changes that another site asks for: whatever is not a read must come from our own pages. */
export const onlyOwnPagesChange: RequestHandler = (request, response, next) => {
  const reads = request.method === 'GET' || request.method === 'HEAD';
  const { origin, host } = request.headers;
  if (reads || (origin !== undefined && host !== undefined && sameHost(origin, host))) next();
  else
    response
      .status(403)
      .type('text')
      .send('This change did not come from a page of Live Tune, so it was not made.\n');
};

function sameHost(origin: string, host: string): boolean {
  return URL.canParse(origin) && new URL(origin).host === host;
}
