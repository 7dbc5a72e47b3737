/** The stops of an item on one line, as they are typed. */
import { cellOfNumber, meaningOfNumbered, numberCell } from './numberCell';
import { newStop, withStopIds, type SketchItem, type SketchNumber, type SketchStop } from './sketch';

/**
 * What may stand between stops on one line, the surest first: a slash without spaces is often part of a name
 * ("forward/brake"), a comma without one part of a number.
 */
const SEPARATORS: readonly RegExp[] = [/[|\t]/, /;/, /\s\/\s/, /,\s/, /,/, /\//];

type Stops = Pick<SketchItem, 'stops' | 'number' | 'factory'>;

/** The stops of one line: "25 / 50* / (75)". A star or brackets mark the factory's. */
export function stopsFromLine(line: string): Stops {
  const isOneNumber = numberCell(markedCell(line).label) !== undefined;
  const separator = isOneNumber ? undefined : SEPARATORS.find((between) => between.test(line));
  const cells = separator ? line.split(separator) : [line];
  return stopsFromCells(cells.filter((cell) => cell.trim() !== '').map(markedCell));
}

/** Stops as they are printed, one a cell; a number with its ends and its step becomes all the stops that it has. */
export function stopsFromCells(cells: readonly { label: string; isFactory: boolean }[]): Stops {
  const read: Stops = { stops: [], number: null, factory: [] };
  for (const { label, isFactory } of cells) {
    const first = read.stops.length;
    const range = read.number ? undefined : numberCell(label);
    read.stops.push(...(range ? range.labels.map(numberedStop) : [newStop(label)]));
    if (range) read.number = { first, last: read.stops.length - 1, begins: first, unlockedByHold: first > 0 };
    if (isFactory) read.factory.push(first + (range?.at ?? 0));
  }
  return read;
}

/** The same stops as one line, with something between them that no label holds. */
export function lineOfStops({ stops, number, factory }: Stops): string {
  const labels = stops.map(({ label }) => label).join('');
  const between =
    /[|\t]/.test(labels) || !/;|\s\/\s/.test(labels) ? ' / ' : labels.includes(';') ? ' | ' : ' ; ';
  const cells = stops.map(({ label }, place) => `${label}${factory.includes(place) ? '*' : ''}`);
  if (number)
    cells.splice(number.first, number.last - number.first + 1, cellOfNumber({ stops, factory }, number));
  return cells.join(between);
}

/** A cell of a manual's table: its label, and whether a star or brackets mark it as the factory's. */
export function markedCell(cell: string): { label: string; isFactory: boolean } {
  const text = cell.trim();
  const bracketed = /^[([<](.+)[)\]>]$/.exec(text);
  const starred = /^\*+\s*(.*?)\s*\**$|^(.*?)\s*\*+$/.exec(text);
  if (bracketed) return { label: bracketed[1]!.trim(), isFactory: true };
  if (starred) return { label: (starred[1] ?? starred[2] ?? '').trim(), isFactory: true };
  return { label: text, isFactory: false };
}

const numberedStop = (label: string): SketchStop => ({
  ...newStop(label),
  meaning: meaningOfNumbered(label),
});

/** How the ESC opens a number stays as it was said, where it still has that stop. */
function keptOpening(
  { stops, number: before }: SketchItem,
  kept: SketchStop[],
  now: SketchNumber,
): SketchNumber {
  if (!before) return now;
  const begins = kept.findIndex(({ label }) => label === stops[before.begins]?.label);
  const isIn = begins >= now.first && begins <= now.last;
  return { ...now, begins: isIn ? begins : now.begins, unlockedByHold: before.unlockedByHold };
}

/** The stops of a line in place of those before; a stop whose label stays keeps its id and its meaning. */
export function withLine(item: SketchItem, line: string): SketchItem {
  const { stops, number, factory } = stopsFromLine(line);
  const before = [...item.stops];
  const kept = stops.map((stop) => {
    const place = before.findIndex(({ label }) => label === stop.label);
    return place === -1 ? stop : before.splice(place, 1)[0]!;
  });
  return withStopIds({ ...item, stops: kept, number: number && keptOpening(item, kept, number), factory });
}
