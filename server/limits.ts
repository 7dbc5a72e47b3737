/** What a request may be at all: which method, and how large. Looked at before anything of it is read. */
import type { RequestHandler } from 'express';

const METHODS = new Set(['GET', 'HEAD', 'POST', 'DELETE']);

/** Answers only methods that mean something here. */
export const onlyKnownMethods: RequestHandler = (request, response, next) => {
  if (METHODS.has(request.method)) next();
  else
    response
      .status(405)
      .set('Allow', [...METHODS].join(', '))
      .type('text')
      .send('Live Tune does not know this method.\n');
};

const MEGABYTE = 1_000_000;
/** The most bytes that a request of each type brings. */
const MOST_BYTES = new Map([
  ['application/json', MEGABYTE],
  ['application/x-www-form-urlencoded', MEGABYTE],
  ['multipart/form-data', 16 * MEGABYTE],
  // A log of a million rows and eight channels has 40.
  ['application/octet-stream', 64 * MEGABYTE],
]);

/** Refuses what is too large, of a type that nothing here takes, or of a length that is not said. */
export const onlyFittingBodies: RequestHandler = (request, response, next) => {
  const {
    'content-length': length,
    'transfer-encoding': encoding,
    'content-type': type = '',
  } = request.headers;
  if (encoding !== undefined) {
    response.status(411).type('text').send('The request must state its length.\n');
    return;
  }
  if (length === undefined || Number(length) === 0) {
    next();
    return;
  }
  const most = MOST_BYTES.get(type.split(';')[0]!.trim().toLowerCase());
  if (most === undefined) response.status(415).type('text').send('Live Tune does not accept this type.\n');
  else if (!(Number(length) <= most))
    response
      .status(413)
      .type('text')
      .send(`That is more than the allowed ${most / MEGABYTE} MB.\n`);
  else next();
};

/** Pages and data are of this moment: nobody keeps them. */
export const keptByNobody: RequestHandler = (_request, response, next) => {
  response.set('Cache-Control', 'no-store');
  next();
};
