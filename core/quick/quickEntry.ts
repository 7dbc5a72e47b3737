/** A line for those who know: a name and a value, such as "brake 50". */
import { readNumber } from '../units/readNumber';
import type { EscProfile, ProfileItem, Stop } from '../esc/profile';
import { labelsInWords } from '../esc/numberField';
import { snapToStop } from '../esc/snap';
import { plainWords } from '../units/text';
import { findItems, type Found } from './findItem';

export type QuickEntry =
  | {
      kind: 'move';
      found: Found;
      stop: Stop;
      /** Why it is not what was typed; empty where it is. */ snapped: string;
    }
  /** Named, but no value that the ESC has. */
  | { kind: 'named'; found: readonly Found[]; sentence: string }
  | { kind: 'nothing'; sentence: string };

/**
 * What a typed line means on this ESC. A value may be a label, a number in the setting's own unit, or `#` and the number
 * of a stop.
 */
export function readQuickEntry(profile: EscProfile, typed: string, cells: number): QuickEntry {
  const words = typed.trim().split(/\s+/).filter(Boolean);
  const readings = words.slice(1).flatMap((_, place) => {
    const value = words.slice(place + 1).join(' ');
    return findItems(profile, words.slice(0, place + 1).join(' ')).flatMap((found) => {
      const stop = stopFor(found.item, value, cells);
      return stop ? [{ found, ...stop }] : [];
    });
  });
  const [best] = readings.toSorted((a, b) => b.found.nearness - a.found.nearness);
  if (best) return { kind: 'move', ...best };
  const named = longestName(profile, words);
  const [first] = named.found;
  if (!first)
    return {
      kind: 'nothing',
      sentence: 'No item has that name. Type a name and a value: brake 50.',
    };
  const { item } = first;
  const stops = labelsInWords(item).join(', ');
  return {
    kind: 'named',
    found: named.found,
    sentence:
      named.rest === ''
        ? `“${item.label}” has: ${stops}.`
        : `“${item.label}” has no ${named.rest}; it has: ${stops}.`,
  };
}

function longestName(
  profile: EscProfile,
  words: readonly string[],
): { found: readonly Found[]; rest: string } {
  for (let length = words.length; length > 0; length -= 1) {
    const found = findItems(profile, words.slice(0, length).join(' '));
    if (found.length > 0) return { found, rest: words.slice(length).join(' ') };
  }
  return { found: [], rest: '' };
}

function stopFor(
  item: ProfileItem,
  value: string,
  cells: number,
): { stop: Stop; snapped: string } | undefined {
  const numbered = /^#(\d+)$/.exec(value);
  const named = numbered
    ? item.stops.find(({ number }) => number === Number(numbered[1]))
    : (byLabel(item, value) ?? byChoice(item, value));
  if (named) return { stop: named, snapped: '' };
  const number = /^-?\d+(?:[.,]\d+)?/.exec(value)?.[0];
  const snapped = number === undefined ? undefined : snapToStop(item, readNumber(number)!, cells);
  return snapped && { stop: snapped.stop, snapped: snapped.reason };
}

const byLabel = (item: ProfileItem, value: string): Stop | undefined =>
  item.stops.find(({ label }) => plainWords(label) === plainWords(value));

function byChoice({ stops }: ProfileItem, value: string): Stop | undefined {
  const word = plainWords(value);
  return stops.find((stop) =>
    stop.value.kind === 'off'
      ? ['off', 'none', 'no'].includes(word)
      : stop.value.kind === 'choice' && plainWords(stop.value.choice) === word,
  );
}
