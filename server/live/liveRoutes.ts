/** `GET /live`: a line that stays open, on which a page hears that others changed something (server-sent events, WHATWG HTML 9.2). */
import type { Request, RequestHandler, Response } from 'express';
import { whoAsks, type Principal } from '../access/who';
import { areThere } from '../repositories/devices';
import { watchChanges, type Change } from './changes';

const BEAT_MS = 15_000;
/** A page that lost its line comes back after this. */
const COME_BACK_MS = 1000;
/** A phone has some pages open; a club has some phones. */
const MOST_OF_DEVICE = 8;
const MOST_LINES = 400;

interface Line {
  principal: Principal;
  response: Response;
}

const lines = new Set<Line>();

export const live: RequestHandler = (_request: Request, response: Response) => {
  const principal = whoAsks();
  const mine = [...lines].filter((line) => line.principal.deviceId === principal.deviceId);
  // The oldest line of a device is most likely one whose page is gone.
  if (mine.length >= MOST_OF_DEVICE) mine[0]!.response.end();
  if (lines.size >= MOST_LINES) {
    response.status(503).set('Retry-After', '10').end();
    return;
  }
  const line = { principal, response };
  lines.add(line);
  // Compressed, it would be held back until there is enough of it.
  response.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store, no-transform' });
  response.write(`retry: ${COME_BACK_MS}\n\n`);
  const stopWatching = watchChanges((change) => {
    if (concerns(principal, change))
      response.write(`event: change\ndata: ${JSON.stringify({ rigId: change.rigId, by: change.name })}\n\n`);
  });
  response.on('close', () => {
    stopWatching();
    lines.delete(line);
  });
};

/** Whoever did it knows. */
const concerns = ({ garageId, deviceId, sees }: Principal, change: Change): boolean =>
  change.garageId === garageId &&
  change.deviceId !== deviceId &&
  (sees === undefined || sees.rigId === change.rigId);

/** Closes the lines of devices that are no longer paired. */
export async function closeLines(): Promise<void> {
  const ids = [...lines].flatMap(({ principal }) => principal.deviceId ?? []);
  const there = await areThere([...new Set(ids)]);
  for (const { principal, response } of lines)
    if (principal.deviceId !== undefined && !there.has(principal.deviceId)) response.end();
}

/** Closes all, so that the server can stop. */
export function closeAllLines(): void {
  for (const { response } of lines) response.end();
}

/** Keeps lines from being taken for dead, and finds those that are. */
export function beat(): NodeJS.Timeout {
  return setInterval(() => {
    for (const { response } of lines) response.write(': \n\n');
    void closeLines().catch(() => undefined);
  }, BEAT_MS).unref();
}
