/** A run of stops that is one number on the ESC. */
import { comparableNumber } from '../settings/value';
import type { Problem } from '../units/problem';
import type { ProfileItem, Stop } from './profile';

/** The stops of an item that are one number, in the ESC's order; none where it has no number. */
export function numbersOf({ numberField, stops }: ProfileItem): Stop[] {
  if (!numberField) return [];
  const place = (stopId: string): number => stops.findIndex(({ id }) => id === stopId);
  return stops.slice(place(numberField.firstStopId), place(numberField.lastStopId) + 1);
}

/** The labels of an item as they are told: of a number only its ends. */
export function labelsInWords(item: ProfileItem): string[] {
  const numbers = numbersOf(item);
  const [first, last] = [numbers[0], numbers.at(-1)];
  return item.stops
    .filter((stop) => stop === first || !numbers.includes(stop))
    .map(({ label }) => (first && label === first.label ? `${label} … ${last!.label}` : label));
}

/** What is wrong with an item's number, for whoever describes it. */
export function numberFieldProblems(item: ProfileItem, path: string): Problem[] {
  const { numberField, stops } = item;
  if (!numberField) return [];
  const say = (sentence: string): Problem[] => [{ path: `${path}.stops`, sentence }];
  const place = (stopId: string): number => stops.findIndex(({ id }) => id === stopId);
  const [first, last, begins] = [
    place(numberField.firstStopId),
    place(numberField.lastStopId),
    place(numberField.beginsStopId),
  ];
  if (first === -1 || last < first + 2 || begins < first || begins > last)
    return say(`The number of “${item.label}” needs at least three stops and must open at one of them.`);
  // What has no word in the vocabulary has no size that could be looked at.
  if (item.setting === 'other') return [];
  const sizes = stops.slice(first, last + 1).map(({ value }) => comparableNumber(value, 1));
  const kinds = new Set(stops.slice(first, last + 1).map(({ value }) => value.kind));
  const rises = sizes.every(
    (size, n) =>
      size !== undefined && (n === 0 || Math.sign(size - sizes[n - 1]!) === Math.sign(sizes[1]! - sizes[0]!)),
  );
  return kinds.size === 1 && rises
    ? []
    : say(
        `The number of “${item.label}” must go one way, in one unit: “${stops[first]!.label}” to “${stops[last]!.label}” does not.`,
      );
}
