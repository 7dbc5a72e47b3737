/** The web server: two doors to one application, started and stopped cleanly. */
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { application } from './application';
import { keepDailyCopy, startDailyCopies } from './archive/dailyCopies';
import { copiesFolderOf } from './archive/folder';
import { closeDatabase } from './database';
import { beat, closeAllLines } from './live/liveRoutes';
import { log } from './log';
import { allGarages } from './repositories/garages';
import { settleDoubts } from './repositories/standings';
import { LOOPBACK_HOSTS } from './sameOrigin';
import { openShare } from './share/share';
import { howShared } from './share/shared';
import { startUp } from './startUp';
import { today } from './today';

/** A stop waits this long for running requests; the database has what was saved either way. */
const STOP_WITHIN_MS = 5000;
const IDLE_LINE_MS = 75_000;

const { PORT = '0', SHARE_PORT, SHARE_ONLY, LIVE_TUNE_SHARE_FOLDER = '.', OPEN_GARAGE } = process.env;

await startUp();
const servers: Server[] = [createServer(application('bench', LOOPBACK_HOSTS, OPEN_GARAGE))];
if (SHARE_PORT !== undefined)
  servers.push(await openShare(LIVE_TUNE_SHARE_FOLDER, Number(SHARE_PORT), SHARE_ONLY));
for (const server of servers) {
  // A browser that asks again just when an idle line is being closed is cut off: a line is closed long after anybody asks again.
  server.keepAliveTimeout = IDLE_LINE_MS;
  server.headersTimeout = IDLE_LINE_MS + 5000;
  server.on('error', (error: NodeJS.ErrnoException) => {
    log('cannot listen', { code: error.code });
    process.exit(1);
  });
}
servers[0]!.listen(Number(PORT), '127.0.0.1', () => {
  const { port } = servers[0]!.address() as AddressInfo;
  log('ready', { port, shared: howShared()?.addresses });
  process.send?.({ ready: true, port, shared: howShared() });
  beat();
  // Behind the first answers. What is not settled now is when it is shown.
  settleDoubts().catch((error: unknown) => log('doubts left', { reason: String(error) }));
  startDailyCopies(keepCopies, (error) => log('daily copy failed', { reason: String(error) }));
});

async function keepCopies(): Promise<void> {
  for (const { id } of await allGarages()) {
    const outcome = await keepDailyCopy(id, await copiesFolderOf(id), today());
    if (outcome !== 'there already') log('daily copy', { outcome });
  }
}

let stopping = false;
function stop(signal: string): void {
  if (stopping) return;
  stopping = true;
  log('stopping', { signal });
  const finish = (): void => void closeDatabase().finally(() => process.exit(0));
  setTimeout(finish, STOP_WITHIN_MS).unref();
  closeAllLines();
  let open = servers.length;
  for (const server of servers) {
    server.close(() => {
      open -= 1;
      if (open === 0) finish();
    });
    server.closeIdleConnections();
  }
}
process.on('SIGTERM', () => stop('SIGTERM'));
process.on('SIGINT', () => stop('SIGINT'));
