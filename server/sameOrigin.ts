import type { RequestHandler } from 'express';

export const LOOPBACK_HOSTS: ReadonlySet<string> = new Set(['127.0.0.1', 'localhost', '[::1]']);

/** Whether a Host header, with or without its port, is one of these. */
export const isOneOf = (hosts: ReadonlySet<string>, host: string | undefined): boolean =>
  host !== undefined && hosts.has(host.replace(/:\d+$/, '').toLowerCase());

/** Answers only requests that were sent to this machine by its name or address. */
export const onlyHosts =
  (hosts: ReadonlySet<string>): RequestHandler =>
  (request, response, next) => {
    if (isOneOf(hosts, request.headers.host)) next();
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
  const scheme = 'encrypted' in request.socket ? 'https' : 'http';
  if (reads || (origin !== undefined && host !== undefined && isSame(origin, `${scheme}://${host}`))) next();
  else
    response
      .status(403)
      .type('text')
      .send('This change did not come from a page of Live Tune, so it was not made.\n');
};

const isSame = (origin: string, own: string): boolean =>
  URL.canParse(origin) && URL.canParse(own) && new URL(origin).origin === new URL(own).origin;
