/** The stand-in ESC as the server reaches it: its link, and the hands that plug a rig's simulated ESC into it. */
import type { EscProfile } from '#core/esc/profile';
import { connect } from 'node:net';
import { simulatedMemoryOf, takeMemory, type CountedMemory } from '../repositories/simulatedEscs';
import { LinkError, type EscLink } from './escLink';
import { openTcpLink } from './tcpEscLink';

const CONTROL_WITHIN_MS = 2000;

const port = (name: 'STAND_IN_LINK_PORT' | 'STAND_IN_CONTROL_PORT'): number => {
  const value = Number(process.env[name]);
  if (!value) throw new LinkError('away', 'No link adapter is set up; start Live Tune with ./start.');
  return value;
};

/** Opens the link to whatever is plugged into the stand-in. */
export const openStandIn = (): Promise<EscLink> => openTcpLink(port('STAND_IN_LINK_PORT'));

/**
 * Plugs the simulated ESC of a rig into the link. Page and stand-in each know a memory of it; the one that was
 * changed more often is the newer, and both have it afterwards.
 * @throws {LinkError} where the stand-in does not answer
 */
export async function plugInSimulated(rigId: string, profile: EscProfile): Promise<void> {
  const known = await simulatedMemoryOf(rigId);
  const { memory } = await control({ do: 'place', serial: rigId, profile, memory: known });
  if (memory && memory.writes > known.writes) await takeMemory(rigId, memory);
}

/** Takes over what a link did to the simulated ESC. Where the stand-in is away, the next plugging in does it. */
export async function fetchSimulated(rigId: string): Promise<void> {
  try {
    const known = await simulatedMemoryOf(rigId);
    const { memory } = await control({ do: 'memory', serial: rigId });
    if (memory && memory.writes > known.writes) await takeMemory(rigId, memory);
  } catch (error) {
    if (!(error instanceof LinkError)) throw error;
  }
}

type Answer = { ok: boolean; sentence?: string; memory?: CountedMemory };

function control(request: object): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const socket = connect({ port: port('STAND_IN_CONTROL_PORT'), host: '127.0.0.1' });
    const away = (): void => {
      socket.destroy();
      reject(
        new LinkError(
          'away',
          'The simulated ESC does not answer. It is started again by itself; try once more.',
        ),
      );
    };
    socket.setTimeout(CONTROL_WITHIN_MS, away);
    socket.on('error', away);
    let text = '';
    socket.setEncoding('utf8');
    socket.on('data', (chunk: string) => {
      text += chunk;
      if (!text.endsWith('\n')) return;
      socket.end();
      const answer = JSON.parse(text) as Answer;
      if (answer.ok) resolve(answer);
      else reject(new Error(`the stand-in refused: ${answer.sentence ?? ''}`));
    });
    socket.write(`${JSON.stringify(request)}\n`);
  });
}
