import { badKey, badText } from './text';

/** Deeper than anything that Live Tune writes. */
const DEEPEST = 40;

/** What is wrong with data from outside, whatever it is for, in a sentence; undefined where it can be looked at. */
export function dataFault(data: unknown, depth = 0): string | undefined {
  if (typeof data === 'string') return badText(data);
  if (typeof data !== 'object' || data === null) return undefined;
  if (depth > DEEPEST) return 'It is nested too deeply to be a Live Tune document.';
  for (const [key, value] of Object.entries(data)) {
    const isId = /id$/i.test(key) && typeof value === 'string';
    const fault = badKey(key) ?? badText(key) ?? (isId ? badKey(value) : undefined);
    if (fault !== undefined) return fault;
    const deeper = dataFault(value, depth + 1);
    if (deeper !== undefined) return deeper;
  }
  return undefined;
}
