/** `GET /live`: a line that stays open, on which a page hears that others changed something (server-sent events, WHATWG HTML 9.2). */
import type { RequestHandler, Response } from 'express';
import { whoAsks, type Principal } from '../access/who';
import { areThere } from '../repositories/devices';
import { watchChanges, type Change } from './changes';

const BEAT_MS = 15_000;
/** A page that lost its line comes back after this. */
const COME_BACK_MS = 1000;
/** A phone has some pages open; a club has some phones. */
const MOST_OF_DEVICE = 8;
const MOST_LINES = 400;

/** A phone that takes nothing any more, though its line is open. */
const MOST_UNREAD_BYTES = 64_000;

/** Somebody who listens. */
interface Line {
  principal: Principal;
  say: (text: string) => void;
  end: () => void;
}

const lines = new Set<Line>();

export const live: RequestHandler = (_request, response) => {
  const principal = whoAsks();
  const mine = [...lines].filter((line) => line.principal.deviceId === principal.deviceId);
  // The oldest line of a device is most likely one whose page is gone.
  if (mine.length >= MOST_OF_DEVICE) mine[0]!.end();
  if (lines.size >= MOST_LINES) {
    response.status(503).set('Retry-After', '10').end();
    return;
  }
  // Compressed, it would be held back until there is enough of it.
  response.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store, no-transform' });
  const line = lineOf(principal, response);
  lines.add(line);
  line.say(`retry: ${COME_BACK_MS}\n\n`);
  const stopWatching = watchChanges((change) => {
    if (concerns(principal, change))
      line.say(`event: change\ndata: ${JSON.stringify({ rigId: change.rigId, by: change.name })}\n\n`);
  });
  response.on('close', () => {
    stopWatching();
    lines.delete(line);
  });
};

function lineOf(principal: Principal, response: Response): Line {
  const line: Line = {
    principal,
    say: (text) => {
      // Nothing may be written behind the end, which may take a while on a poor network.
      if (response.writableEnded) return;
      if (response.writableLength > MOST_UNREAD_BYTES) response.destroy();
      else response.write(text);
    },
    end: () => {
      lines.delete(line);
      response.end();
    },
  };
  return line;
}

/** Whether somebody is told of a change. Whoever did it knows. */
export const concerns = ({ garageId, deviceId, sees }: Principal, change: Change): boolean =>
  change.garageId === garageId &&
  change.deviceId !== deviceId &&
  (sees === undefined || sees.rigId === change.rigId);

/** Closes the lines of devices that are no longer paired. */
export async function closeLines(): Promise<void> {
  const ids = [...lines].flatMap(({ principal }) => principal.deviceId ?? []);
  const there = await areThere([...new Set(ids)]);
  for (const { principal, end } of [...lines])
    if (principal.deviceId !== undefined && !there.has(principal.deviceId)) end();
}

/** Closes all, so that the server can stop. */
export function closeAllLines(): void {
  for (const { end } of [...lines]) end();
}

/** Keeps lines from being taken for dead, and finds those that are. */
export function beat(): NodeJS.Timeout {
  return setInterval(() => {
    for (const { say } of lines) say(': \n\n');
    void closeLines().catch(() => undefined);
  }, BEAT_MS).unref();
}
