/** Archives over the line: as streams, beside the pages, since they may be larger than anything else that is sent. */
import { Router, type Request, type Response } from 'express';
import { createWriteStream, rmSync } from 'node:fs';
import { rm } from 'node:fs/promises';
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { currentGarage } from '../repositories/garages';
import { today } from '../today';
import { compareArchive } from './compareArchive';
import { arrivalsFolder } from './folder';
import { BadArchive, openArchive, type OpenArchive } from './readArchive';
import { CHOICES, restoreArchive, type Choice } from './restoreArchive';
import { saveGarage } from './saveGarage';

const LARGEST_ARCHIVE_BYTES = 4_000_000_000;
/** More than anybody looks at, at once. */
const MOST_ARRIVED = 3;
/** One that was only looked at is forgotten after this long. */
const FORGOTTEN_AFTER_MS = 3_600_000;

/** Archives that arrived and were found sound, by a name that only their page knows. */
const arrived = new Map<string, { garageId: string; file: string; archive: OpenArchive }>();
/** One at a time: each is looked at and brought in as a whole. */
let busy: Promise<unknown> = Promise.resolve();

/** `GET /archive`, `POST /archive`, `POST /archive/:token?choice=keep|replace|both`. */
export function archiveRoutes(): Router {
  // What a server before this one was looking at.
  rmSync(arrivalsFolder(), { recursive: true, force: true });
  const routes = Router();
  routes.get('/archive', (_request, response) => send(response));
  routes.post('/archive', (request, response) => inTurn(() => arrive(request, response)));
  routes.post('/archive/:token', (request, response) => inTurn(() => restore(request, response)));
  return routes;
}

function inTurn(work: () => Promise<void>): Promise<void> {
  const mine = busy.then(work, work);
  busy = mine.catch(() => undefined);
  return mine;
}

async function send(response: Response): Promise<void> {
  const garage = await currentGarage();
  response.set({
    'Content-Type': 'application/zip',
    'Content-Disposition': `attachment; filename="live-tune-${today()}.zip"`,
  });
  const { bytes, done } = saveGarage(garage.id);
  try {
    await Promise.all([pipeline(bytes, response), done]);
  } catch (error) {
    // Who is gone gets no answer; a download that breaks off is none that looks whole.
    response.destroy();
    if ((error as NodeJS.ErrnoException).code !== 'ERR_STREAM_PREMATURE_CLOSE') throw error;
  }
}

async function arrive(request: Request, response: Response): Promise<void> {
  const token = randomUUID();
  const file = join(arrivalsFolder(), `${token}.zip`);
  try {
    await pipeline(request, atMost(LARGEST_ARCHIVE_BYTES), createWriteStream(file));
    const archive = await openArchive(file);
    const { id: garageId } = await currentGarage();
    const compared = await compareArchive(garageId, archive);
    arrived.set(token, { garageId, file, archive });
    const [oldest] = arrived.keys();
    if (arrived.size > MOST_ARRIVED && oldest !== undefined) await forget(oldest);
    setTimeout(() => void forget(token), FORGOTTEN_AFTER_MS).unref();
    response.json({ token, compared });
  } catch (error) {
    await rm(file, { force: true });
    if (!(error instanceof BadArchive)) throw error;
    response.status(400).json({ sentence: error.message });
  }
}

async function restore(request: Request, response: Response): Promise<void> {
  const token = String(request.params.token);
  const choice = request.query.choice;
  const found = arrived.get(token);
  const { id: garageId } = await currentGarage();
  if (found?.garageId !== garageId || !isChoice(choice)) {
    response.status(400).json({ sentence: 'Nothing was changed. Choose the archive again.' });
    return;
  }
  try {
    const { restored } = await restoreArchive(garageId, found.archive, choice);
    response.json({ restored });
  } finally {
    await forget(token);
  }
}

/** Hands bytes on, as long as there are not too many. */
const atMost = (most: number) =>
  async function* (source: AsyncIterable<Buffer>): AsyncGenerator<Buffer> {
    let count = 0;
    for await (const chunk of source) {
      count += chunk.byteLength;
      if (count > most) throw new BadArchive('This is larger than any archive of Live Tune.');
      yield chunk;
    }
  };

const isChoice = (choice: unknown): choice is Choice => CHOICES.some((one) => one === choice);

async function forget(token: string): Promise<void> {
  const found = arrived.get(token);
  arrived.delete(token);
  if (!found) return;
  found.archive.close();
  await rm(found.file, { force: true });
}
