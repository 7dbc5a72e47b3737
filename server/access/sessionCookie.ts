/** The cookie by which a device is known again. */
import { parse } from 'cookie';
import type { Request, Response } from 'express';

/** `__Host-`: a browser takes it only over HTTPS, for this host alone and the whole of it (RFC 6265bis 4.1.3.2). */
const OVER_HTTPS = '__Host-live-tune';
/** At the bench itself, by plain HTTP on loopback, no cookie can be that strict. */
const AT_BENCH = 'live-tune-bench';

const LASTS_MS = 180 * 24 * 60 * 60_000;

const nameFor = (request: Request): string => (request.secure ? OVER_HTTPS : AT_BENCH);

/** Lax: a link in a message leads in. Nothing is changed by following one. */
const options = (request: Request) =>
  ({ httpOnly: true, secure: request.secure, sameSite: 'lax', path: '/' }) as const;

/** What the device shows; undefined where it shows nothing. */
export const shownBy = (request: Request): string | undefined =>
  parse(request.headers.cookie ?? '')[nameFor(request)];

/** Gives the device what it shows from now on. */
export function give(request: Request, response: Response, token: string): void {
  response.cookie(nameFor(request), token, { ...options(request), maxAge: LASTS_MS });
}

/** Takes it away again. */
export function takeAway(request: Request, response: Response): void {
  response.clearCookie(nameFor(request), options(request));
}
