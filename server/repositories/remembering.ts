/**
 * What was read of rigs, remembered. The database counts what is written of each (migrations 0009 and 0023), so that one that is as
 * it was need not be read again: a page of a rig asks for its bench several times, and fifty phones ask for the same page.
 */

interface Remembered<T> {
  written: string;
  value: Promise<T>;
}

/** More than are worked at once; the bench of one takes some hundred kB. */
const MOST = 40;

/** @returns what reads by an id, unless it was read before and not written since. `written` says how far it was written */
export function remembering<T>() {
  /** The least lately asked first. */
  const remembered = new Map<string, Remembered<T>>();
  return async (id: string, written: string, read: () => Promise<T>): Promise<T> => {
    const known = remembered.get(id);
    const one = known?.written === written ? known : { written, value: read().then(frozen) };
    remembered.delete(id);
    remembered.set(id, one);
    for (const oldest of [...remembered.keys()].slice(0, -MOST)) remembered.delete(oldest);
    try {
      return await one.value;
    } catch (error) {
      if (remembered.get(id) === one) remembered.delete(id);
      throw error;
    }
  };
}

/** Whoever changed it would change it for everybody: that must fail loudly. */
function frozen<T>(value: T): T {
  if (typeof value !== 'object' || value === null || Object.isFrozen(value)) return value;
  for (const part of Object.values(value)) frozen(part);
  return Object.freeze(value);
}
