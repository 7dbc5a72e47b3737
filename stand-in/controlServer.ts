/** The hands at the stand-in's bench. */
import {
  LONGEST_CONTROL_LINE,
  readControlRequest,
  type ControlReply,
  type ControlRequest,
} from '#core/device/control';
import { LineReader } from '#core/link/lines';
import { createServer, type Server } from 'node:net';
import type { StandInBench } from './bench';
import { driveToLog } from './driveToLog';
import { NO_FAULT } from './faults';

/** Whoever says nothing for so long is let go. */
const IDLE_MS = 30_000;

/** @returns a server that is not listening yet */
export function controlServer(bench: StandInBench): Server {
  return createServer((socket) => {
    const reader = new LineReader(LONGEST_CONTROL_LINE);
    socket.setEncoding('utf8');
    socket.setTimeout(IDLE_MS, () => socket.destroy());
    socket.on('error', () => undefined);
    socket.on('data', (chunk: string) => {
      const lines = reader.take(chunk);
      for (const line of lines) {
        const answer = answerTo(bench, line);
        socket.write(`${JSON.stringify(answer)}\n`);
        // Whoever speaks something else first, such as a browser, is not heard any further.
        if (!answer.ok) {
          socket.destroySoon();
          return;
        }
      }
      if (reader.overflowed) socket.destroy();
    });
  });
}

function answerTo(bench: StandInBench, line: string): ControlReply {
  const request = readControlRequest(line);
  if (typeof request === 'string') return { ok: false, sentence: request };
  try {
    return done(bench, request);
  } catch (error) {
    return { ok: false, sentence: (error as Error).message };
  }
}

function done(bench: StandInBench, request: ControlRequest): ControlReply {
  switch (request.do) {
    case 'place':
      return { ok: true, memory: bench.place(request.profile, request.serial, request.memory) };
    case 'memory':
      return { ok: true, memory: bench.memoryOf(request.serial) };
    case 'drive':
      driveToLog(bench, request.serial, request.drive);
      return { ok: true };
    case 'fault':
      bench.fault = request.fault;
      if (request.fault.kind === NO_FAULT.kind) bench.lineDead = false;
      return { ok: true };
  }
}
