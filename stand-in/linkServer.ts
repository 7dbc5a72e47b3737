/** The socket on which the ESC of the bench speaks the link protocol. One client at a time. */
import { answer, isOpenTo, restart, save } from '#core/device/linkedEsc';
import {
  LONGEST_LINE,
  readRequest,
  replyLine,
  type Numbered,
  type Reply,
  type Request,
  type Verb,
} from '#core/link/protocol';
import type { Fault } from '#core/device/control';
import { liveWords } from '#core/link/live';
import { LineReader } from '#core/link/lines';
import { createServer, type Server, type Socket } from 'node:net';
import type { StandInBench } from './bench';
import { NO_FAULT } from './faults';

/** @returns a server that is not listening yet */
export function linkServer(bench: StandInBench): Server {
  let client: Socket | undefined;
  return createServer((socket) => {
    socket.on('error', () => undefined);
    if (bench.lineDead || !bench.esc) return void socket.destroy();
    if (client && !client.destroyed) {
      return void socket.end(replyLine({ number: 0, body: { ok: false, refusal: 'busy' } }));
    }
    client = socket;
    speak(socket, bench);
  });
}

/** What the ESC knows of who is on the line. */
interface Line {
  /** Whether the pass code was said. */
  paired: boolean;
}

/** After each wrong code in a row the answer comes later: nobody tries nine thousand of them in an evening. */
const FIRST_WAIT_MS = 50;
/** Not so late that a computer takes it for silence. */
const LONGEST_WAIT_MS = 800;

function speak(socket: Socket, bench: StandInBench): void {
  const line: Line = { paired: false };
  const reader = new LineReader(LONGEST_LINE);
  socket.setEncoding('latin1');
  socket.on('data', (chunk: string) => {
    for (const words of reader.take(chunk)) if (!socket.destroyed) hear(socket, bench, line, words);
    if (reader.overflowed) socket.destroy();
  });
}

function hear(socket: Socket, bench: StandInBench, line: Line, words: string): void {
  const { fault } = bench;
  const read = readRequest(words);
  const request = read?.body;
  if (!read) say(socket, bench, 0, { ok: false, refusal: 'garbled' });
  else if (!request) say(socket, bench, read.number, { ok: false, refusal: 'unknown' });
  else if (fault.kind === 'cut' && fault.verb === request.verb) {
    cutWithin(socket, bench, fault, words, line, { number: read.number, body: request });
  } else if (fault.kind === 'powerLostWhileSaving' && request.verb === 'SAVE') {
    bench.leave(restart(save(bench.esc!, fault.after)));
    cut(socket, bench, fault.staysAway);
  } else {
    const reply = obey(bench, line, request);
    if (request.verb === 'PAIR') bench.wrongCodes = reply.ok ? 0 : bench.wrongCodes + 1;
    const waitMs = request.verb === 'PAIR' && !reply.ok ? waitAfter(bench.wrongCodes) : 0;
    if (waitMs === 0) say(socket, bench, read.number, reply, request.verb);
    else setTimeout(() => say(socket, bench, read.number, reply, request.verb), waitMs);
  }
}

/** How long the answer to so many wrong pass codes in a row is kept back, ms. */
export const waitAfter = (wrongCodes: number): number =>
  Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** (wrongCodes - 1));

/** The request came in whole; what lies behind the cut is treated as if it had not. */
function cutWithin(
  socket: Socket,
  bench: StandInBench,
  { byte, staysAway }: Extract<Fault, { kind: 'cut' }>,
  words: string,
  line: Line,
  { number, body }: Numbered<Request>,
): void {
  const lineBytes = words.length + 1;
  if (byte < lineBytes) {
    cut(socket, bench, staysAway);
    return;
  }
  const reply = replyLine({ number, body: obey(bench, line, body) });
  socket.write(reply.slice(0, byte - lineBytes), () => cut(socket, bench, staysAway));
}

function obey(bench: StandInBench, line: Line, request: Request): Reply {
  if (!line.paired && !isOpenTo(request)) return { ok: false, refusal: 'locked' };
  if (bench.driving && request.verb === 'LIVE') return { ok: true, words: liveWords(bench.driving.now()) };
  // Nobody changes what a running motor goes by.
  if (bench.driving && !isOpenTo(request)) return { ok: false, refusal: 'driven' };
  const { esc, reply } = answer(bench.esc!, request);
  bench.leave(esc);
  if (request.verb === 'PAIR') line.paired = reply.ok;
  if (request.verb !== 'ID' || bench.fault.kind !== 'wrongIdentity' || !reply.ok) return reply;
  const [name, version, , ...rest] = reply.words;
  return { ok: true, words: [name!, version!, 'somebody-else', ...rest] };
}

function say(socket: Socket, bench: StandInBench, number: number, body: Reply, verb?: Verb): void {
  const fault = 'verb' in bench.fault && bench.fault.verb !== verb ? NO_FAULT : bench.fault;
  const line = replyLine({ number, body });
  if (fault.kind === 'silent') return;
  if (fault.kind === 'garbled') socket.write(line.replace(/[A-Z0-9]/, '#'));
  else if (fault.kind === 'slow') setTimeout(() => socket.write(line), fault.ms);
  else socket.write(line);
}

/** Cuts the line, once. */
function cut(socket: Socket, bench: StandInBench, staysAway: boolean): void {
  bench.fault = NO_FAULT;
  bench.lineDead = staysAway;
  socket.destroy();
}
