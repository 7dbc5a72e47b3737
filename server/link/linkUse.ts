/** The link goes to one ESC at a time, and is used by one job at a time: what plugs an ESC in has it to itself until it is done. */
let inUse = false;

/** What is said where the link is taken. */
export const LINK_BUSY = 'The link is busy with something else. Wait until it is done.';

/** Takes the link. @returns what gives it back; undefined where somebody has it */
export function takeLink(): (() => void) | undefined {
  if (inUse) return undefined;
  inUse = true;
  return () => {
    inUse = false;
  };
}
