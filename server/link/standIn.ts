/** The stand-in ESC as the server reaches it: its link, and the hands that plug a rig's simulated ESC into it. */
import type { EscProfile } from '#core/esc/profile';
import { isMemoryOf, type CountedMemory } from '#core/device/control';
import { simulatedMemoryOf, takeMemory } from '../repositories/simulatedEscs';
import type { EscOfRig } from '../repositories/escOfRig';
import { askHands } from './hands';
import { LinkError, type EscLink } from './escLink';
import { openTcpLink } from './tcpEscLink';

const port = (name: 'STAND_IN_LINK_PORT' | 'STAND_IN_CONTROL_PORT'): number => {
  const value = Number(process.env[name]);
  if (!value) throw new LinkError('away', 'No link adapter is set up; start Live Tune with ./start.');
  return value;
};

/** Where the hands at the stand-in's bench are. */
export const controlPort = (): number => port('STAND_IN_CONTROL_PORT');

/** Opens the link to whatever is plugged into the stand-in. */
export const openStandIn = (): Promise<EscLink> => openTcpLink(port('STAND_IN_LINK_PORT'));

/** What a simulated ESC answers with when it is asked which one it is. */
export const serialOf = ({ rigId, escNumber }: EscOfRig): string =>
  escNumber === 1 ? rigId : `${rigId}-${escNumber}`;

/**
 * Plugs a simulated ESC of a rig into the link. Page and stand-in each know a memory of it; the one that was
 * changed more often is the newer, and both have it afterwards.
 * @throws {LinkError} where the stand-in does not answer
 */
export async function plugInSimulated(esc: EscOfRig, profile: EscProfile): Promise<void> {
  const known = await simulatedMemoryOf(esc);
  const { memory } = await askHands(controlPort(), {
    do: 'place',
    serial: serialOf(esc),
    profile,
    memory: known,
  });
  await takeNewer(esc, profile, known, memory);
}

/** A memory that names what the ESC does not have is none of it, whoever sent it. */
async function takeNewer(
  esc: EscOfRig,
  profile: EscProfile,
  known: CountedMemory,
  memory: CountedMemory | undefined,
): Promise<void> {
  if (!memory || memory.writes <= known.writes) return;
  if (!isMemoryOf(profile, memory.memory))
    throw new LinkError('strange', 'The simulated ESC that answers holds values of another one.');
  await takeMemory(esc, memory);
}

/** Takes over what a link did to the simulated ESC. Where the stand-in is away, the next plugging in does it. */
export async function fetchSimulated(esc: EscOfRig, profile: EscProfile): Promise<void> {
  try {
    const known = await simulatedMemoryOf(esc);
    const { memory } = await askHands(controlPort(), { do: 'memory', serial: serialOf(esc) });
    await takeNewer(esc, profile, known, memory);
  } catch (error) {
    if (!(error instanceof LinkError)) throw error;
  }
}
