/** The web server: a small express application round the React Router build. */
import { createRequestHandler } from '@react-router/express';
import compression from 'compression';
import express, { type RequestHandler } from 'express';
import helmet from 'helmet';
import { randomBytes } from 'node:crypto';
import type { AddressInfo } from 'node:net';
import { RouterContextProvider } from 'react-router';
import * as build from 'virtual:react-router/server-build';
import { archiveRoutes } from './archive/archiveRoutes';
import { keepDailyCopy, startDailyCopies } from './archive/dailyCopies';
import { copiesFolder } from './archive/folder';
import { closeDatabase, hasRoom, pingDatabase } from './database';
import { keptByNobody, onlyFittingBodies, onlyKnownMethods } from './limits';
import { nonceContext } from './nonce';
import { onlyLoopback, onlyOwnPagesChange } from './sameOrigin';
import { currentGarage } from './repositories/garages';
import { settleDoubts } from './repositories/standings';
import { startUp } from './startUp';
import { today } from './today';

const CLIENT_FILES = new URL('../client/', import.meta.url).pathname;
const YEAR = '1y';
/** A stop waits this long for running requests; the database has what was saved either way. */
const STOP_WITHIN_MS = 5000;
const IDLE_LINE_MS = 75_000;

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
  // Loopback speaks plain HTTP.
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

function log(event: string, fields: Record<string, unknown>): void {
  console.log(JSON.stringify({ at: new Date().toISOString(), event, ...fields }));
}

function application(): express.Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(onlyLoopback, giveNonce, securityHeaders, compression());
  app.use('/assets', express.static(`${CLIENT_FILES}assets`, { immutable: true, maxAge: YEAR }));
  app.use(express.static(CLIENT_FILES, { maxAge: '1h' }));
  app.get('/healthz', async (request, response) => {
    try {
      await pingDatabase();
      if ('room' in request.query && !(await hasRoom()))
        response.status(507).json({ ok: false, reason: 'nothing more can be written' });
      else response.json({ ok: true });
    } catch {
      response.status(503).json({ ok: false, reason: 'the database does not answer' });
    }
  });
  app.use(logRequests, keptByNobody, onlyKnownMethods, onlyOwnPagesChange);
  // Before what limits the size of a request: an archive has limits of its own.
  app.use(archiveRoutes());
  app.use(onlyFittingBodies);
  app.use(
    createRequestHandler({
      build,
      mode: 'production',
      getLoadContext: (_request, response) => {
        const context = new RouterContextProvider();
        context.set(nonceContext, (response as unknown as WithNonce).locals.nonce);
        return context;
      },
    }),
  );
  return app;
}

await startUp();
const server = application().listen(Number(process.env.PORT ?? 0), '127.0.0.1', () => {
  const { port } = server.address() as AddressInfo;
  log('ready', { port });
  process.send?.({ ready: true, port });
  // Behind the first answers. What is not settled now is when it is shown.
  settleDoubts().catch((error: unknown) => log('doubts left', { reason: String(error) }));
  startDailyCopies(
    async () => {
      const outcome = await keepDailyCopy((await currentGarage()).id, copiesFolder(), today());
      if (outcome !== 'there already') log('daily copy', { outcome });
    },
    (error) => log('daily copy failed', { reason: String(error) }),
  );
});
// A browser that asks again just when an idle line is being closed is cut off: a line is closed long after anybody asks again.
server.keepAliveTimeout = IDLE_LINE_MS;
server.headersTimeout = IDLE_LINE_MS + 5000;
server.on('error', (error: NodeJS.ErrnoException) => {
  log('cannot listen', { code: error.code });
  process.exit(1);
});

let stopping = false;
function stop(signal: string): void {
  if (stopping) return;
  stopping = true;
  log('stopping', { signal });
  const finish = (): void => void closeDatabase().finally(() => process.exit(0));
  setTimeout(finish, STOP_WITHIN_MS).unref();
  server.close(finish);
  server.closeIdleConnections();
}
process.on('SIGTERM', () => stop('SIGTERM'));
process.on('SIGINT', () => stop('SIGINT'));
