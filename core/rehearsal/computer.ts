/**
 * A computer beside the simulated ESC: an adapter, a form of its items, reading, sending. Link and maker's program are
 * rehearsed alike. What it sends is kept one item after the other, so that a broken line leaves the first few.
 */
import type { EscProfile, StopByItem } from '../esc/profile';

export interface Computer {
  plugged: boolean;
  /** What the form shows, every item; undefined before it was read, and once the line broke. */
  form: StopByItem | undefined;
  /** What it is busy with, and how long still, ms. */
  busy:
    | { doing: 'reading'; msLeft: number }
    | { doing: 'sending'; left: readonly string[]; msLeft: number }
    | undefined;
  /** The line is dead until the adapter is plugged in again. */
  broken: boolean;
}

export const UNPLUGGED: Computer = { plugged: false, form: undefined, busy: undefined, broken: false };

export type ComputerDeed =
  | { act: 'plug' }
  | { act: 'unplug' }
  | { act: 'read' }
  | { act: 'send' }
  | { act: 'set'; itemId: string; stopId: string };

/** How long an item takes to be read or written, ms. Assumed: a slow adapter. */
const READ_MS = 60;
const WRITE_MS = 150;

/** How long a whole form takes, s. */
export const readSeconds = ({ items }: EscProfile): number => (items.length * READ_MS) / 1000;
export const sendSeconds = (count: number): number => (count * WRITE_MS) / 1000;

/** Whether it hears the ESC: both must have power, and nothing else must be under way. */
export const canTalk = ({ plugged, broken, busy }: Computer, escIsOn: boolean): boolean =>
  plugged && !broken && !busy && escIsOn;

/** What a click does. One that cannot be done changes nothing. @param held what the ESC holds, every item */
export function click(
  computer: Computer,
  deed: ComputerDeed,
  { profile, held, escIsOn }: { profile: EscProfile; held: StopByItem; escIsOn: boolean },
): Computer {
  switch (deed.act) {
    case 'plug':
      return { ...UNPLUGGED, plugged: true };
    case 'unplug':
      return UNPLUGGED;
    case 'set':
      return computer.form && !computer.busy
        ? { ...computer, form: { ...computer.form, [deed.itemId]: deed.stopId } }
        : computer;
    case 'read':
      return canTalk(computer, escIsOn)
        ? { ...computer, busy: { doing: 'reading', msLeft: profile.items.length * READ_MS } }
        : computer;
    case 'send': {
      const { form } = computer;
      if (!form || !canTalk(computer, escIsOn)) return computer;
      const left = profile.items.map(({ id }) => id).filter((id) => form[id] !== held[id]);
      return left.length > 0 ? { ...computer, busy: { doing: 'sending', left, msLeft: WRITE_MS } } : computer;
    }
  }
}

/** Until it has done its next thing, ms; undefined where it is idle. */
export const msUntilDone = ({ busy }: Computer): number | undefined => busy?.msLeft;

/**
 * Lets time pass, no longer than until its next thing is done.
 * @param held what the ESC holds; what it holds then is returned, too
 */
export function pass(
  computer: Computer,
  ms: number,
  held: StopByItem,
): { computer: Computer; held: StopByItem } {
  const { busy, form } = computer;
  if (!busy) return { computer, held };
  const msLeft = busy.msLeft - ms;
  if (msLeft > 0) return { computer: { ...computer, busy: { ...busy, msLeft } }, held };
  if (busy.doing === 'reading') return { computer: { ...computer, busy: undefined, form: held }, held };
  const [itemId, ...left] = busy.left;
  const written = { ...held, [itemId!]: form![itemId!]! };
  const next = left.length > 0 ? { doing: 'sending' as const, left, msLeft: WRITE_MS } : undefined;
  return { computer: { ...computer, busy: next }, held: written };
}

/** The line breaks: what was not written yet is not, and the form may be wrong from here on. */
export const breakLine = (computer: Computer): Computer => ({
  ...computer,
  form: undefined,
  busy: undefined,
  broken: true,
});
