/**
 * Benches as they were last read. The database counts what is written of each rig (migrations 0009 and 0023), so that one that is
 * as it was need not be read again: a page of a rig asks for its bench several times, and fifty phones ask for the same page.
 */
import type { Bench } from './rigs';

interface Remembered {
  written: string;
  bench: Promise<Bench>;
}

/** More than are worked at once; one takes some hundred kB. */
const MOST = 40;

/** The least lately asked first. */
const remembered = new Map<string, Remembered>();

/** @param written says how far the rig was written; another word for it, and it is read again */
export async function rememberedBench(
  rigId: string,
  written: string,
  read: () => Promise<Bench>,
): Promise<Bench> {
  const known = remembered.get(rigId);
  const one = known?.written === written ? known : { written, bench: read().then(frozen) };
  remembered.delete(rigId);
  remembered.set(rigId, one);
  for (const oldest of [...remembered.keys()].slice(0, -MOST)) remembered.delete(oldest);
  try {
    return await one.bench;
  } catch (error) {
    if (remembered.get(rigId) === one) remembered.delete(rigId);
    throw error;
  }
}

/** Whoever changed it would change it for everybody: that must fail loudly. */
function frozen<T>(value: T): T {
  if (typeof value !== 'object' || value === null || Object.isFrozen(value)) return value;
  for (const part of Object.values(value)) frozen(part);
  return Object.freeze(value);
}
