import {
  LONGEST_CONTROL_LINE,
  readControlReply,
  type ControlReply,
  type ControlRequest,
} from '#core/device/control';
import { LineReader } from '#core/link/lines';
import { connect } from 'node:net';
import { LinkError } from './escLink';

/** It flushes to the disk before it answers, which takes seconds on a busy machine. One that is gone refuses at once. */
const USUALLY_WITHIN_MS = 10_000;
const NO_ANSWER = 'The simulated ESC does not answer. It restarts by itself. Try again.';

/** Asks the hands at the bench. @throws {LinkError} where no sound answer comes in time, or they refuse */
export function askHands(
  port: number,
  request: ControlRequest,
  withinMs = USUALLY_WITHIN_MS,
): Promise<Extract<ControlReply, { ok: true }>> {
  return new Promise((resolve, reject) => {
    const socket = connect({ port, host: '127.0.0.1' });
    const reader = new LineReader(LONGEST_CONTROL_LINE);
    const end = (answer: ControlReply | LinkError): void => {
      clearTimeout(late);
      socket.destroy();
      if (answer instanceof LinkError) reject(answer);
      else if (answer.ok) resolve(answer);
      else reject(new LinkError('strange', `The simulated ESC refused: ${answer.sentence}`));
    };
    const away = (): void => end(new LinkError('away', NO_ANSWER));
    // For the whole of it: an answer that drips in, byte by byte, is none.
    const late = setTimeout(away, withinMs);
    socket.on('error', away);
    socket.on('close', away);
    socket.setEncoding('utf8');
    socket.on('data', (chunk: string) => {
      const [line] = reader.take(chunk);
      if (line === undefined && !reader.overflowed) return;
      const answer = line === undefined ? undefined : readControlReply(line);
      end(answer ?? new LinkError('strange', 'Something else answers in place of the simulated ESC.'));
    });
    socket.write(`${JSON.stringify(request)}\n`);
  });
}
