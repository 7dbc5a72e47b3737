/** The one place that decides who comes in: in front of all pages, data, files and streams, at both doors. */
import type { Request, RequestHandler, Response } from 'express';
import { garagesHere } from '../repositories/garages';
import { noteDeed } from '../repositories/deeds';
import { whoShows } from '../repositories/devices';
import { tellOthers } from '../live/changes';
import { howShared } from '../share/shared';
import { judge, pathnameOf, placeOf } from './rights';
import { give, shownBy, takeAway } from './sessionCookie';
import { askedBy, type Principal } from './who';

/** By which door somebody comes: the machine itself, or the network. */
export type Door = 'bench' | 'share';

/** Lets in who may, and remembers who it is until all is answered. @param openGarage opened at the bench without a password */
export function guard(door: Door, openGarage: string | undefined): RequestHandler {
  return async (request, response, next) => {
    const pathname = pathnameOf(request.originalUrl);
    const reads = request.method === 'GET' || request.method === 'HEAD';
    const principal = (await bySession(request, response)) ?? (await atBench(door, openGarage));
    const verdict = judge(principal, pathname, reads);
    if (verdict !== 'allowed') {
      turnAway(request, response, verdict === 'stranger' ? DOORSTEP[door] : '/not-allowed');
      return;
    }
    if (!principal) {
      next();
      return;
    }
    if (!reads) response.on('finish', () => void afterwards(principal, pathname, response.statusCode));
    askedBy(principal, next);
  };
}

async function bySession(request: Request, response: Response): Promise<Principal | undefined> {
  const shown = shownBy(request);
  if (shown === undefined) return undefined;
  const known = await whoShows(shown);
  if (!known) takeAway(request, response);
  else if (known.token !== undefined) give(request, response, known.token);
  return known?.principal;
}

/** At the machine itself its only garage is open. Of several each asks for its owner. */
async function atBench(door: Door, openGarage: string | undefined): Promise<Principal | undefined> {
  if (door !== 'bench') return undefined;
  const garages = await garagesHere();
  const garage = garages.length === 1 ? garages[0] : garages.find(({ name }) => name === openGarage);
  return (
    garage && { garageId: garage.id, role: 'owner', name: THE_BENCH, deviceId: undefined, sees: undefined }
  );
}

const THE_BENCH = 'the bench';

const DOORSTEP = { bench: '/sign-in', share: '/pair' } as const;

/** The same for whatever was asked, so that it says nothing of what there is. */
function turnAway(request: Request, response: Response, to: '/sign-in' | '/pair' | '/not-allowed'): void {
  const isData = new URL(`http://bench${request.originalUrl}`).pathname.endsWith('.data');
  // A script that takes anything wants no page: it would take the doorstep for its answer.
  const wantsPage = request.method === 'GET' && (request.headers.accept ?? '').includes('text/html');
  response.set('Cache-Control', 'no-store');
  if (isData && request.method === 'GET')
    // How the router is told to go elsewhere and to load that anew.
    response
      .status(204)
      .set({ 'X-Remix-Redirect': to, 'X-Remix-Status': '302', 'X-Remix-Reload-Document': 'true' })
      .end();
  else if (wantsPage && !isData) response.redirect(303, to);
  else response.status(403).json(to === '/not-allowed' ? NOT_ALLOWED : NOT_KNOWN);
}

const NOT_KNOWN = { sentence: 'This device is not paired.' };
const NOT_ALLOWED = { sentence: 'This device may not do that. Its owner can, at the bench.' };

/** Once a change is done: it is noted, and the others are told. */
async function afterwards(principal: Principal, pathname: string, status: number): Promise<void> {
  const place = placeOf(pathname);
  // Where nobody else can come in, nobody has to be told.
  if (status >= 400 || !place?.right.deed || !howShared()) return;
  const { garageId, deviceId, name } = principal;
  const rigId = place.params.rigId ?? null;
  tellOthers({ garageId, rigId, deviceId, name });
  // What was changed is kept either way.
  await noteDeed(principal, place.right.deed, rigId).catch(() => undefined);
}
