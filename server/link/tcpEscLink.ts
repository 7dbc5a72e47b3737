import {
  LONGEST_LINE,
  PROTOCOL_VERSION,
  readIdentity,
  readReply,
  requestLine,
  type Identity,
  type Reply,
  type Request,
} from '#core/link/protocol';
import { bytesOf, readSummary, type LogSummary } from '#core/link/escLog';
import { readLive, type LiveReading } from '#core/link/live';
import { LineReader } from '#core/link/lines';
import { connect, type Socket } from 'node:net';
import { LinkError, refusedBy, type EscLink } from './escLink';

export interface LinkTimes {
  connectMs: number;
  replyMs: number;
  /** How often a request that may be repeated is sent. */
  tries: number;
}

export const USUAL_TIMES: LinkTimes = { connectMs: 2000, replyMs: 1000, tries: 3 };

/** Opens a link over TCP. @throws {LinkError} where nobody answers */
export async function openTcpLink(port: number, times = USUAL_TIMES): Promise<EscLink> {
  const socket = connect({ port, host: '127.0.0.1' });
  socket.on('error', () => undefined);
  await new Promise<void>((resolve, reject) => {
    const away = (): void => reject(new LinkError('away', 'The link adapter does not answer.'));
    const late = setTimeout(away, times.connectMs);
    socket.once('connect', () => {
      clearTimeout(late);
      resolve();
    });
    socket.once('close', () => {
      clearTimeout(late);
      away();
    });
  });
  return new TcpEscLink(socket, times);
}

class TcpEscLink implements EscLink {
  private readonly socket: Socket;
  private readonly times: LinkTimes;
  private number = 0;
  private readonly reader = new LineReader(LONGEST_LINE);
  private expected: { number: number; settle: (reply: Reply | LinkError) => void } | undefined;

  constructor(socket: Socket, times: LinkTimes) {
    this.socket = socket;
    this.times = times;
    socket.setEncoding('latin1');
    socket.on('data', (chunk: string) => this.hear(chunk));
    socket.on('close', () => this.expected?.settle(lineCut()));
  }

  async identify(): Promise<Identity> {
    const identity = readIdentity(await this.whoIsThere());
    if (!identity) throw new LinkError('strange', 'The plugged-in device does not speak this protocol.');
    return identity;
  }

  /** An ESC of before knows no question with a version, and is asked as it was then. */
  private async whoIsThere(): Promise<string[]> {
    try {
      return await this.patiently({ verb: 'ID', version: PROTOCOL_VERSION });
    } catch (error) {
      if (!(error instanceof LinkError) || error.code !== 'refused') throw error;
      return this.patiently({ verb: 'ID' });
    }
  }

  async logSummary(): Promise<LogSummary> {
    const summary = readSummary(await this.patiently({ verb: 'SUMMARY' }));
    if (!summary) throw new LinkError('strange', 'What the ESC says of its log cannot be read.');
    return summary;
  }

  async logBlock(block: number): Promise<Uint8Array> {
    const [echoed, hex = ''] = await this.patiently({ verb: 'LOG', block });
    const bytes = bytesOf(hex);
    if (Number(echoed) !== block || !bytes)
      throw new LinkError('strange', 'The ESC answered with another part of its log.');
    return bytes;
  }

  async clearLog(log: number): Promise<void> {
    await this.onlyOnce({ verb: 'CLEAR', log });
  }

  async live(): Promise<LiveReading> {
    const reading = readLive(await this.patiently({ verb: 'LIVE' }));
    if (!reading) throw new LinkError('strange', 'What the ESC says of its drive cannot be read.');
    return reading;
  }

  async pair(code: number): Promise<void> {
    await this.patiently({ verb: 'PAIR', code });
  }

  async setPassCode(code: number): Promise<void> {
    await this.patiently({ verb: 'PASS', code });
  }

  async read(item: number): Promise<number> {
    const [echoed, stop] = await this.patiently({ verb: 'READ', item });
    if (Number(echoed) !== item) throw new LinkError('strange', 'The ESC answered for another item.');
    return Number(stop);
  }

  async write(item: number, stop: number): Promise<void> {
    const [echoedItem, echoedStop] = await this.patiently({ verb: 'WRITE', item, stop });
    if (Number(echoedItem) !== item || Number(echoedStop) !== stop)
      throw new LinkError('strange', 'The ESC confirmed another value than was sent.');
  }

  async save(): Promise<void> {
    await this.onlyOnce({ verb: 'SAVE' });
  }

  async restart(): Promise<void> {
    await this.onlyOnce({ verb: 'RESTART' });
  }

  close(): void {
    this.socket.destroy();
  }

  /** Asks until a whole reply comes, as often as may be. */
  private async patiently(request: Request): Promise<string[]> {
    for (let tried = 1; ; tried += 1) {
      try {
        return await this.once(request);
      } catch (error) {
        const again = error instanceof LinkError && error.code === 'silent' && tried < this.times.tries;
        if (!again) throw error;
      }
    }
  }

  /** Asks for what may not be asked for twice, and waits as long as for all tries of another: what is kept takes its time. */
  private onlyOnce(request: Request): Promise<string[]> {
    return this.once(request, this.times.replyMs * this.times.tries);
  }

  private async once(body: Request, withinMs = this.times.replyMs): Promise<string[]> {
    this.number = (this.number % 9999) + 1;
    const { number } = this;
    const reply = await new Promise<Reply | LinkError>((settle) => {
      if (this.socket.destroyed) {
        settle(lineCut());
        return;
      }
      const late = setTimeout(
        () => settle(new LinkError('silent', 'The ESC does not answer on the link.')),
        withinMs,
      );
      this.expected = {
        number,
        settle: (got) => {
          clearTimeout(late);
          settle(got);
        },
      };
      this.socket.write(requestLine({ number, body }));
    });
    this.expected = undefined;
    if (reply instanceof LinkError) throw reply;
    if (!reply.ok) throw refusedBy(reply.refusal);
    return reply.words;
  }

  /** Late replies carry an old number and are passed over; garbled lines are as good as none. */
  private hear(chunk: string): void {
    for (const line of this.reader.take(chunk)) {
      const reply = readReply(line);
      const refusedAtOnce = reply?.number === 0 && !reply.body.ok && reply.body.refusal === 'busy';
      if (reply && (refusedAtOnce || reply.number === this.expected?.number))
        this.expected?.settle(reply.body);
    }
    if (this.reader.overflowed) this.socket.destroy();
  }
}

const lineCut = (): LinkError => new LinkError('cut', 'The link was cut.');
