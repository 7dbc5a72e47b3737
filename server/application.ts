/** What answers a request: the same at the bench and on the network, but for who is let in. */
import { createRequestHandler } from '@react-router/express';
import compression from 'compression';
import express, { type ErrorRequestHandler, type RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
import { randomBytes } from 'node:crypto';
import { RouterContextProvider } from 'react-router';
import * as build from 'virtual:react-router/server-build';
import { guard, type Door } from './access/guard';
import { give, shownBy, takeAway } from './access/sessionCookie';
import { archiveRoutes } from './archive/archiveRoutes';
import { hasRoom, pingDatabase } from './database';
import { doorContext } from './doorContext';
import { keptByNobody, onlyFittingBodies, onlyKnownMethods } from './limits';
import { live } from './live/liveRoutes';
import { log } from './log';
import { nonceContext } from './nonce';
import { onlyHosts, onlyOwnPagesChange } from './sameOrigin';
import { shell } from './shell';

const CLIENT_FILES = new URL('../client/', import.meta.url).pathname;
const YEAR = '1y';

/** More than a quick hand asks for; a page that is opened asks for some forty files, which are not counted. */
const PAGES_A_MINUTE = 1200;
/** Of whoever is not known: a page to pair, tried again and again. */
const STRANGERS_A_MINUTE = 60;

type WithNonce = { locals: { nonce: string } };

const giveNonce: RequestHandler = (_request, response, next) => {
  response.locals.nonce = randomBytes(18).toString('base64');
  next();
};

const nonceOf = (_request: unknown, response: unknown): string =>
  `'nonce-${(response as WithNonce).locals.nonce}'`;

const securityHeaders = helmet({
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      defaultSrc: ["'none'"],
      scriptSrc: ["'self'", nonceOf],
      styleSrc: ["'self'", nonceOf],
      // Positions on rails and rulers are style attributes; they cannot load or run anything.
      styleSrcAttr: ["'unsafe-inline'"],
      fontSrc: ["'self'"],
      imgSrc: ["'self'"],
      connectSrc: ["'self'"],
      workerSrc: ["'self'"],
      manifestSrc: ["'self'"],
      formAction: ["'self'"],
      baseUri: ["'none'"],
      frameAncestors: ["'none'"],
    },
  },
  // Without any, a form that is sent before its page answers would not say that it is ours. Other sites are told nothing.
  referrerPolicy: { policy: 'same-origin' },
  // Loopback speaks plain HTTP; on the network a browser that insists could not be led past its warning to the pairing page.
  strictTransportSecurity: false,
});

const logRequests: RequestHandler = (request, response, next) => {
  const started = performance.now();
  response.on('finish', () => {
    const ms = Math.round(performance.now() - started);
    log('request', { method: request.method, path: request.path, status: response.statusCode, ms });
  });
  next();
};

/** By address, apart for those who show a token, right or wrong: whoever makes up tokens gains nothing by it. */
const notTooMany = rateLimit({
  windowMs: 60_000,
  limit: (request) => (shownBy(request) === undefined ? STRANGERS_A_MINUTE : PAGES_A_MINUTE),
  standardHeaders: false,
  legacyHeaders: false,
  keyGenerator: (request) =>
    `${shownBy(request) === undefined ? 'stranger' : 'device'} ${request.socket.remoteAddress}`,
  message: 'That was too much in a minute. Wait a moment.\n',
  validate: false,
});

const health: RequestHandler = async (request, response) => {
  try {
    await pingDatabase();
    if ('room' in request.query && !(await hasRoom()))
      response.status(507).json({ ok: false, reason: 'nothing more can be written' });
    else response.json({ ok: true });
  } catch {
    response.status(503).json({ ok: false, reason: 'the database does not answer' });
  }
};

const AGAIN_AFTER_S = 3;

/** Where nothing else could answer: the request is no request, or most likely the database is away. The inside stays inside. */
const lastWord: ErrorRequestHandler = (error: unknown, _request, response, _next) => {
  log('failed', { reason: String(error) });
  const { status } = error as { status?: unknown };
  if (response.headersSent) response.destroy();
  else if (typeof status === 'number' && status >= 400 && status < 500)
    response.status(status).type('text').send('Live Tune cannot read this request.\n');
  else
    response
      .status(503)
      .set('Refresh', String(AGAIN_AFTER_S))
      .type('text')
      .send('Live Tune does not answer just now. This page tries again by itself.\n');
};

const pages = (door: Door): RequestHandler =>
  createRequestHandler({
    build,
    mode: 'production',
    getLoadContext: (request, response) => {
      const context = new RouterContextProvider();
      context.set(nonceContext, (response as unknown as WithNonce).locals.nonce);
      context.set(doorContext, {
        door,
        address: request.socket.remoteAddress ?? '',
        giveToken: (token) => give(request, response, token),
        takeTokenAway: () => takeAway(request, response),
      });
      return context;
    },
  });

/**
 * @param hosts by which it is asked, without a port; anything else is a rebinding trick or a wrong address
 * @param openGarage opened at the bench without its password
 */
export function application(door: Door, hosts: ReadonlySet<string>, openGarage?: string): express.Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(onlyHosts(hosts), giveNonce, securityHeaders, compression());
  app.use('/assets', express.static(`${CLIENT_FILES}assets`, { immutable: true, maxAge: YEAR }));
  app.get('/shell.json', shell(CLIENT_FILES));
  app.use(express.static(CLIENT_FILES, { maxAge: '1h' }));
  if (door === 'bench') app.get('/healthz', health);
  else app.use(notTooMany);
  app.use(logRequests, keptByNobody, onlyKnownMethods, onlyOwnPagesChange, guard(door, openGarage));
  app.get('/healthz', health);
  app.get('/live', live);
  // Before what limits the size of a request: an archive has limits of its own.
  app.use(archiveRoutes());
  app.use(onlyFittingBodies);
  app.use(pages(door));
  app.use(lastWord);
  return app;
}
