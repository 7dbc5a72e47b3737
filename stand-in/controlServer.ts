/**
 * The hands at the stand-in's bench: one JSON request and one JSON reply a line. Not part of the link protocol:
 * a real ESC has hands of its own.
 */
import type { EscProfile } from '#core/esc/profile';
import { createServer, type Server } from 'node:net';
import type { CountedMemory, StandInBench } from './bench';
import { NO_FAULT, type Fault } from './faults';

export type ControlRequest =
  | { do: 'place'; serial: string; profile: EscProfile; memory: CountedMemory }
  | { do: 'memory'; serial: string }
  /** Faults are for whoever tests or rehearses; a fault of kind none brings a dead line back. */
  | { do: 'fault'; fault: Fault };

export type ControlReply = { ok: true; memory?: CountedMemory | undefined } | { ok: false; sentence: string };

/** @returns a server that is not listening yet */
export function controlServer(bench: StandInBench): Server {
  return createServer((socket) => {
    let waiting = '';
    socket.setEncoding('utf8');
    socket.on('error', () => undefined);
    socket.on('data', (chunk: string) => {
      waiting += chunk;
      for (let end = waiting.indexOf('\n'); end !== -1; end = waiting.indexOf('\n')) {
        const line = waiting.slice(0, end);
        waiting = waiting.slice(end + 1);
        const answer = answerTo(bench, line);
        socket.write(`${JSON.stringify(answer)}\n`);
        // Whoever speaks something else first, such as a browser, is not heard any further.
        if (!answer.ok) {
          socket.destroySoon();
          return;
        }
      }
    });
  });
}

function answerTo(bench: StandInBench, line: string): ControlReply {
  try {
    const request = JSON.parse(line) as ControlRequest;
    switch (request.do) {
      case 'place':
        return { ok: true, memory: bench.place(request.profile, request.serial, request.memory) };
      case 'memory':
        return { ok: true, memory: bench.memoryOf(request.serial) };
      case 'fault':
        bench.fault = request.fault;
        if (request.fault.kind === NO_FAULT.kind) bench.lineDead = false;
        return { ok: true };
    }
  } catch (error) {
    return { ok: false, sentence: (error as Error).message };
  }
}
