/** Who may read and who may change what, address by address. What stands in no line is nobody's but the owner's. */
import { matchRoutes } from 'react-router';
import { isAtLeast, type Principal, type Role } from './who';

/** Anyone who reaches this machine at all. */
type Least = Role | 'stranger';

interface Right {
  read: Least;
  change: Least;
  /** What a change is, for the log of who did what. */
  deed: string;
}

const owners = (deed: string): Right => ({ read: 'owner', change: 'owner', deed });
const readBy = (read: Least, deed = ''): Right => ({ read, change: 'owner', deed });
const noted = (deed: string): Right => ({ read: 'helper', change: 'helper', deed });

/**
 * By address, as the routes of the application have it. Helpers read all of the garage, tick steps and note runs; visitors read one
 * rig, or one set-up of it.
 */
export const RIGHTS: Readonly<Record<string, Right>> = {
  '/pair': { read: 'stranger', change: 'stranger', deed: '' },
  '/sign-in': { read: 'stranger', change: 'stranger', deed: '' },
  '/trust': readBy('stranger'),
  '/trust/authority.crt': readBy('stranger'),
  '/sign-out': { read: 'visitor', change: 'visitor', deed: '' },
  '/not-allowed': readBy('visitor'),
  '/pit': owners('changed who may what'),
  '/garages': owners('worked on the garages'),
  '/': readBy('helper', 'worked on the list of rigs'),
  '/alike': readBy('helper', 'worked on models that match'),
  '/alike/:groupId': readBy('helper', 'worked on models that match'),
  '/archive': owners('brought an archive'),
  '/archive/:token': owners('brought an archive'),
  '/copies': owners(''),
  '/days': readBy('helper', 'added a day'),
  // A helper ticks what is on the plan; the action holds that to it.
  '/days/:dayId': noted('worked on a day'),
  '/days/:dayId.json': readBy('helper'),
  '/days/rig/:rigId': readBy('helper'),
  '/packs': readBy('helper', 'worked on packs'),
  '/packs/:packId': readBy('helper', 'worked on packs'),
  '/packs/:packId.json': readBy('helper'),
  '/rehearse': readBy('helper'),
  '/rehearse/:profileKey': readBy('helper'),
  '/rehearse/:profileKey/keep': readBy('helper', 'rehearsed'),
  '/rehearse/:profileKey/practice.json': readBy('owner'),
  '/rehearse/:profileKey/signs': readBy('helper'),
  '/rehearse/:profileKey/:lessonId': readBy('helper'),
  '/rules': readBy('helper', 'worked on event rules'),
  '/glossary': readBy('visitor'),
  '/profiles': readBy('helper', 'worked on ESC profiles'),
  '/profiles/new': owners('worked on ESC profiles'),
  '/profiles/:profileKey/edit': owners('worked on ESC profiles'),
  '/profiles/:profileKey.json': readBy('helper'),
  '/rigs/new': owners('described a rig'),
  '/rigs/:rigId': readBy('visitor'),
  '/rigs/:rigId/rig': readBy('visitor', 'described a rig'),
  '/rigs/:rigId/revision': owners('moved a rig to another revision of its ESC'),
  '/rigs/:rigId/endpoints': readBy('helper', 'worked on end points'),
  '/rigs/:rigId/endpoints/first-power': readBy('helper'),
  '/rigs/:rigId/endpoints/bench-test': readBy('helper', 'worked on end points'),
  '/rigs/:rigId/endpoints/pulses': readBy('helper'),
  '/rigs/:rigId/endpoints/supply': readBy('helper', 'worked on end points'),
  '/rigs/:rigId/endpoints/trigger': readBy('helper'),
  '/rigs/:rigId/endpoints/trouble': readBy('helper'),
  '/rigs/:rigId/endpoints/record': readBy('helper'),
  '/rigs/:rigId/tune': readBy('visitor'),
  '/rigs/:rigId/list': readBy('helper'),
  '/rigs/:rigId/trouble': readBy('helper'),
  '/rigs/:rigId/load': noted('ticked a load'),
  '/rigs/:rigId/load/paper': readBy('helper'),
  '/rigs/:rigId/esc': readBy('visitor', 'entered what the ESC holds'),
  '/rigs/:rigId/firmware': owners('worked on a firmware update'),
  '/rigs/:rigId/runs': readBy('helper'),
  '/rigs/:rigId/runs/between': readBy('helper'),
  '/rigs/:rigId/runs/questions': readBy('helper', 'worked on questions'),
  '/rigs/:rigId/runs/measure': readBy('helper', 'measured with the camera'),
  '/rigs/:rigId/runs/compare': readBy('helper'),
  '/rigs/:rigId/runs/learned': readBy('helper', 'took what runs told into the rig'),
  '/rigs/:rigId/runs/:number': readBy('helper', 'changed a run'),
  '/rigs/:rigId/runs/:number.json': readBy('helper'),
  '/rigs/:rigId/runs/:number/log': readBy('helper', 'changed a log'),
  '/rigs/:rigId/runs/:number/log.bin': readBy('helper', 'brought a log'),
  '/rigs/:rigId/sheets': readBy('visitor', 'worked on sheets'),
  '/rigs/:rigId/sheets/:number': readBy('visitor', 'worked on sheets'),
  '/rigs/:rigId/sheets/:number.json': readBy('visitor'),
  '/rigs/:rigId/set-ups': readBy('visitor', 'worked on set-ups'),
  '/rigs/:rigId/set-ups/:setUpId': readBy('visitor', 'worked on set-ups'),
  '/rigs/:rigId/set-ups/:setUpId/card': readBy('visitor'),
  '/rigs/:rigId/set-ups/:setUpId.json': readBy('visitor'),
  '/rigs/:rigId/set-ups/:setUpId.csv': readBy('visitor'),
  '/rigs/:rigId/compare': readBy('helper', 'compared set-ups'),
  '/rigs/:rigId/translate': readBy('helper', 'translated values'),
  '/rigs/:rigId/history': readBy('helper'),
  '/rigs/:rigId/measured': owners('measured a stop'),
  '/rigs/:rigId/bench-notes': noted('noted the bench'),
  '/rigs/:rigId/picture': readBy('visitor', 'changed a picture'),
  '/rigs/:rigId/rules': owners('chose the rules of an event'),
  // Writes into the ESC that lies on the bench: who does that stands beside it.
  '/rigs/:rigId/link': owners('worked an ESC by link'),
  '/rigs/:rigId/goals': owners('chose what a rig is for'),
  '/rigs/:rigId/draft': owners('moved the draft'),
  '/rigs/:rigId/rig.json': readBy('helper'),
  '/rigs/:rigId/own-load': noted('worked a load'),
  '/rigs/:rigId/bench-record': noted('noted what an ESC showed'),
  '/rigs/:rigId/keep-run': noted('noted a run'),
  '/rigs/:rigId/run-by-link': owners('drove by link'),
  '/set-up': readBy('visitor'),
  '/kept': readBy('visitor'),
  '/kept.json': readBy('visitor'),
  '/healthz': readBy('visitor'),
  '/live': readBy('visitor'),
};

const ADDRESSES = Object.keys(RIGHTS).map((path) => ({ path, id: path }));

/** What an address is, of all that there are: its line of the table, and its parameters. */
interface Place {
  right: Right;
  address: string;
  params: Readonly<Record<string, string | undefined>>;
}

/** Few addresses are asked for again and again; to go through the whole table each time takes as long as a query. */
const placesKnown = new Map<string, Place | undefined>();
const MOST_KNOWN = 500;

/** @returns undefined where there is no such address. @param pathname as the application sees it: without `.data` */
export function placeOf(pathname: string): Place | undefined {
  if (placesKnown.has(pathname)) return placesKnown.get(pathname);
  if (placesKnown.size >= MOST_KNOWN) placesKnown.clear();
  const place = findPlace(pathname);
  placesKnown.set(pathname, place);
  return place;
}

function findPlace(pathname: string): Place | undefined {
  const match = matchRoutes(ADDRESSES, pathname)?.at(-1);
  if (!match) return undefined;
  const address = match.route.id;
  return { right: RIGHTS[address]!, address, params: match.params };
}

/** The path of a request as the application reads it. Both must read the same: else one would guard what the other does not open. */
export function pathnameOf(originalUrl: string): string {
  const { pathname } = new URL(`http://bench${originalUrl}`);
  if (pathname === '/_root.data') return '/';
  const plain = pathname.replace(/\.data$/, '');
  return plain !== '/' && plain.endsWith('/') ? plain.slice(0, -1) : plain;
}

export type Verdict =
  /** Come in. */
  | 'allowed'
  /** Who are you? */
  | 'stranger'
  /** Not with this role, or not this rig. */
  | 'refused';

/** The addresses that somebody sees who sees one set-up only: nothing else of its rig. */
const OF_ONE_SET_UP = new Set([
  '/set-up',
  '/sign-out',
  '/not-allowed',
  '/glossary',
  '/healthz',
  '/kept',
  '/kept.json',
  '/live',
]);

/** Whether somebody may do this. @param principal undefined for a stranger @param reads whether nothing is changed */
export function judge(principal: Principal | undefined, pathname: string, reads: boolean): Verdict {
  const place = placeOf(pathname);
  const least = place ? (reads ? place.right.read : place.right.change) : 'owner';
  if (least === 'stranger') return 'allowed';
  if (!principal) return 'stranger';
  if (!isAtLeast(principal.role, least)) return 'refused';
  return principal.sees && place && !isSeen(principal.sees, place) ? 'refused' : 'allowed';
}

function isSeen({ rigId, setUpId }: NonNullable<Principal['sees']>, { address, params }: Place): boolean {
  if (setUpId !== undefined) return OF_ONE_SET_UP.has(address);
  return params.rigId === undefined || params.rigId === rigId;
}
