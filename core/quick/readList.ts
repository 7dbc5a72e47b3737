/**
 * A whole list at once, as it is read aloud or typed: "first four, second one", "1=4 2=1", "drag 8, punch 4", one a line.
 * Nothing is dropped and nothing is bent: what is not clear is asked, what is not there stands beside the nearest that is.
 */
import { nameOf, type EscProfile, type ProfileItem, type Stop, type StopByItem } from '../esc/profile';
import { snapToStop } from '../esc/snap';
import { inOrder } from '../esc/stopOrder';
import type { Rig } from '../rig/rig';
import type { HandValueKey } from '../rig/handValues';
import { comparableNumber } from '../settings/value';
import { VOCABULARY } from '../settings/vocabulary';
import { readNumber } from '../units/readNumber';
import { plainWords, shortened } from '../units/text';
import { findItems, isNamedSo } from './findItem';
import { readQuickHandValue } from './quickHandValues';
import { numbersInWords, piecesOf } from './listPieces';

export type ListLine =
  /** Clear. `said` tells which of two readings was taken, where only one was possible. */
  | { kind: 'move'; typed: string; item: ProfileItem; stop: Stop; said: string }
  | { kind: 'byHand'; typed: string; key: HandValueKey; value: number }
  /** Clear which item, but its stop can be read in two ways. */
  | { kind: 'ask'; typed: string; item: ProfileItem; stops: Stop[]; sentence: string }
  /** No such value here; the nearest that there is, not taken by itself. */
  | { kind: 'nearest'; typed: string; item: ProfileItem; stops: Stop[]; sentence: string }
  | { kind: 'unclear'; typed: string; sentence: string };

/**
 * Reads a list.
 * @param rig for pinion, pack and end points, and for cutoffs that count the whole pack
 * @returns a line for each piece of what was typed, in its order
 */
export function readList(profile: EscProfile, rig: Rig, typed: string): ListLine[] {
  if (typed.length > MOST_TYPED)
    return [unclear(shortened(typed), `This is too long for a list: ${MOST_TYPED} letters fit.`)];
  const seen = new Map<string, string>();
  const labels = profile.items.flatMap(({ label, stops }) => [label, ...stops.map((stop) => stop.label)]);
  return piecesOf(typed, labels).map((piece) => {
    const line = readPiece(profile, rig, piece);
    const id = line.kind === 'byHand' ? line.key : line.kind === 'unclear' ? undefined : line.item.id;
    if (id === undefined) return line;
    const before = seen.get(id);
    if (before === undefined) {
      seen.set(id, piece);
      return line;
    }
    return unclear(piece, `The list has this already: “${before}”. Keep one of the two.`);
  });
}

/** No ESC has so much to say; more than that is another text, and would be read at every key. */
const MOST_TYPED = 5000;

/** What of a list is clear, ready to be drafted. */
export function clearOf(lines: readonly ListLine[]): {
  stops: StopByItem;
  byHand: Partial<Record<HandValueKey, number>>;
} {
  const stops: Record<string, string> = {};
  const byHand: Partial<Record<HandValueKey, number>> = {};
  for (const line of lines) {
    if (line.kind === 'move') stops[line.item.id] = line.stop.id;
    if (line.kind === 'byHand') byHand[line.key] = line.value;
  }
  return { stops, byHand };
}

/** The list of all values, in the form that is read without a question. Items that share a number go by their names. */
export const printList = (items: readonly ProfileItem[], stops: StopByItem): string =>
  items
    .flatMap((item) => {
      const stop = item.stops.find(({ id }) => id === stops[item.id]);
      const isAlone = items.filter(({ number }) => number === item.number).length === 1;
      return stop ? [`${isAlone ? `item ${item.number}` : item.label} = #${stop.number}`] : [];
    })
    .join('\n');

const unclear = (typed: string, sentence: string): ListLine => ({ kind: 'unclear', typed, sentence });

function readPiece(profile: EscProfile, rig: Rig, typed: string): ListLine {
  const { cells } = rig.pack;
  const [, name, value] = /^(.*?)\s*[=:]\s*(.+)$/.exec(typed) ?? [];
  if (name !== undefined && value !== undefined) {
    const named = itemNamed(profile, name);
    if (typeof named === 'string') return unclear(typed, named);
    return valueOf(named, value, cells, typed);
  }
  const words = typed.split(/\s+/);
  if (words.length === 1 && readNumber(numbersInWords(words[0]!)) !== undefined)
    return unclear(typed, 'A number alone can be an item or a value. Type a name before it, or item = stop.');
  // The longest name that leaves something for a value.
  for (let length = words.length - 1; length > 0; length -= 1) {
    const named = itemNamed(profile, words.slice(0, length).join(' '));
    if (typeof named !== 'string') return valueOf(named, words.slice(length).join(' '), cells, typed);
  }
  const numbered = /^\d+$/.test(numbersInWords(words[0]!)) ? itemNamed(profile, words[0]!) : undefined;
  if (typeof numbered === 'string') return unclear(typed, numbered);
  const byHand = readQuickHandValue(rig, typed);
  if (byHand?.kind === 'byHand') return { typed, ...byHand };
  if (byHand) return unclear(typed, byHand.sentence);
  const alone = itemNamed(profile, typed);
  return unclear(
    typed,
    typeof alone === 'string'
      ? alone
      : `Type a value for ${nameOf(alone)}: ${alone.stops.map(({ label }) => label).join(', ')}.`,
  );
}

/** The item of a name or a number, or a sentence that says why there is none. */
function itemNamed(profile: EscProfile, name: string): ProfileItem | string {
  const number = /^(?:item\s*)?(\d+)\.?$/i.exec(numbersInWords(name))?.[1];
  if (number !== undefined) {
    const [item, another] = profile.items.filter((one) => one.number === Number(number));
    if (!item) return `This ESC has no item ${number}: its items go up to ${profile.items.length}.`;
    return another ? `Item ${number} is there more than once. Type its name.` : item;
  }
  const [first, second] = findItems(profile, name).filter(isNamedSo);
  if (!first) return `No item is called “${name.trim()}”.`;
  if (second && second.nearness === first.nearness)
    return `“${name.trim()}” can be ${nameOf(first.item)} or ${nameOf(second.item)}. Type its item number.`;
  return first.item;
}

/** Whichever stops a value can mean: one is taken, two are asked, of none the nearest is shown. */
function valueOf(item: ProfileItem, typedValue: string, cells: number, typed: string): ListLine {
  const value = numbersInWords(typedValue).trim();
  const [, saysStop, digits] = /^(#|stop\s*)?(\d+)$/i.exec(value) ?? [];
  const byNumber = item.stops.find(({ number }) => number === Number(digits));
  const byValue = saysStop === '#' ? undefined : stopOfValue(item, typedValue, cells);
  const command = [byNumber, byValue].find((stop) => stop && item.commandStopIds.includes(stop.id));
  if (command)
    return unclear(typed, `${command.label} is a command: the ESC does it once and cannot hold it.`);
  const move = (stop: Stop, said = ''): ListLine => ({ kind: 'move', typed, item, stop, said });
  if (byNumber && byValue && byNumber !== byValue)
    return {
      kind: 'ask',
      typed,
      item,
      stops: [byNumber, byValue],
      sentence: `${nameOf(item)}: stop ${byNumber.number} is ${byNumber.label}, and ${value} is stop ${byValue.number}. Which one?`,
    };
  if (byValue) return move(byValue);
  if (byNumber)
    return move(byNumber, saysStop ? '' : `Taken as stop ${byNumber.number}: it has no value ${value}.`);
  if (saysStop) return unclear(typed, `${nameOf(item)} has no stop ${digits}: it has ${item.stops.length}.`);
  return notThere(item, value, cells, typed);
}

function stopOfValue(item: ProfileItem, typedValue: string, cells: number): Stop | undefined {
  const words = plainWords(typedValue);
  const named = item.stops.find(
    (stop) =>
      plainWords(stop.label) === words ||
      (stop.value.kind === 'off' && ['off', 'none', 'no'].includes(words)) ||
      (stop.value.kind === 'choice' && plainWords(stop.value.choice) === words),
  );
  if (named) return named;
  const number = numberIn(item, numbersInWords(typedValue));
  return number === undefined
    ? undefined
    : sized(item, cells).find((one) => Math.abs(one.size - number) < SAME)?.stop;
}

const SAME = 1e-6;

/** The stops that an ESC can hold and that have a size, lowest first. */
const sized = (item: ProfileItem, cells: number): { stop: Stop; size: number }[] =>
  inOrder(item, cells).flatMap((stop) => {
    const size = stop.value.kind === 'off' ? undefined : comparableNumber(stop.value, cells);
    return size === undefined ? [] : [{ stop, size }];
  });

/** How drivers write a unit, where that is shorter than ours. */
const SHORTER: Readonly<Record<string, readonly string[]>> = {
  'V/cell': ['v'],
  'µs each side': ['µs'],
  '° per 0.1 s': ['°'],
  '°C': ['°', 'c'],
};

/** A number in the item's own unit, or without any; undefined where it is in another. */
function numberIn({ setting }: ProfileItem, value: string): number | undefined {
  const [, digits = '', typedUnit = ''] = /^([-+−]?\d+(?:[.,]\d+)?)\s*(\D*)$/.exec(value.trim()) ?? [];
  const { unit } = VOCABULARY[setting];
  const own = [unit.toLowerCase(), ...(SHORTER[unit] ?? [])];
  const written = typedUnit.trim().toLowerCase();
  return written === '' || own.includes(written) ? readNumber(digits) : undefined;
}

/** The nearest is offered only between the lowest and the highest that make sense: beyond them something else was meant. */
function notThere(item: ProfileItem, value: string, cells: number, typed: string): ListLine {
  const number = numberIn(item, value);
  const [least, most] = VOCABULARY[item.setting].bounds;
  const sizes = sized(item, cells)
    .map(({ size }) => size)
    .filter((size) => size >= least && size <= most);
  const isWithin = number !== undefined && number > sizes[0]! && number < sizes.at(-1)!;
  const nearest = isWithin ? snapToStop(item, number, cells) : undefined;
  if (!nearest)
    return unclear(
      typed,
      `${nameOf(item)} has no “${value}”. It has: ${item.stops.map(({ label }) => label).join(', ')}.`,
    );
  const { stop } = nearest;
  return {
    kind: 'nearest',
    typed,
    item,
    stops: [stop],
    sentence: `${nameOf(item)} has no ${value} here. The nearest is ${stop.label}.`,
  };
}
