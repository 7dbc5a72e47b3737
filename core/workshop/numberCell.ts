/** A number among stops as manuals print it: "4.4 … 21.0 V, step 0.1". Its stops are typed on no keyboard, but made. */
import { readNumber } from '../units/readNumber';
import type { SketchItem, SketchNumber } from './sketch';

const NUMBER = String.raw`[-−+]?\d+(?:[.,]\d+)?`;
const UNIT = String.raw`[^\d\s.,;/()…~–-][^\d.,;()…~]*?`;
const RANGE = new RegExp(
  String.raw`^(?<name>[^\d]*?)\s*(?<least>${NUMBER})\s*(?<unit>${UNIT})?\s*(?:…|\.{2,3}|~|–|-|\bto\b)\s*(?<most>${NUMBER})\s*(?<unitAfter>${UNIT})?\s*[,(]?\s*(?:in\s+)?(?:steps?|increments?|by)(?:\s+of)?\s*(?<step>${NUMBER})\s*(?<unitLast>${UNIT})?\)?(?:\s+at\s+(?<at>${NUMBER}))?$`,
  'iu',
);

/** More stops than this no number of an ESC has. */
const MOST = 480;

/** What a printed range holds: its labels, lowest first, and the place that "at" names; undefined where it is no range. */
export function numberCell(cell: string): { labels: string[]; at: number } | undefined {
  const found = RANGE.exec(cell.trim())?.groups;
  if (!found) return undefined;
  const [least, most, step] = [found.least!, found.most!, found.step!].map((text) => readNumber(text)!);
  const count = Math.round((most! - least!) / step!) + 1;
  if (!(step! > 0) || !(count >= 3) || count > MOST) return undefined;
  const decimals = Math.max(decimalsOf(found.step!), decimalsOf(found.least!));
  const unit = (found.unitLast ?? found.unitAfter ?? found.unit ?? '').trim();
  const name = found.name!.trim();
  const labels = Array.from({ length: count }, (_, n) =>
    [name, (least! + n * step!).toFixed(decimals), unit].filter(Boolean).join(' '),
  );
  const at = found.at === undefined ? 0 : Math.round((readNumber(found.at)! - least!) / step!);
  return { labels, at: Math.min(Math.max(at, 0), count - 1) };
}

const decimalsOf = (number: string): number => /[.,](\d+)$/.exec(number)?.[1]!.length ?? 0;

/** The number of an item as one cell again; the factory's stop stands behind "at" where it is one of them. */
export function cellOfNumber({ stops, factory }: Pick<SketchItem, 'stops' | 'factory'>, of: SketchNumber) {
  const [least, second, most] = [of.first, of.first + 1, of.last].map((place) =>
    partsOf(stops[place]!.label),
  );
  const step = (readNumber(second!.number)! - readNumber(least!.number)!).toFixed(decimalsOf(least!.number));
  const at = factory.find((place) => place >= of.first && place <= of.last);
  return [
    least!.name,
    `${least!.number} … ${most!.number}`,
    `step ${step}`,
    least!.unit,
    at === undefined ? '' : `at ${partsOf(stops[at]!.label).number}*`,
  ]
    .filter(Boolean)
    .join(' ');
}

/** What the stops of a number mean, where their labels begin with a name: the number and its unit. */
export function meaningOfNumbered(label: string): string {
  const { name, number, unit } = partsOf(label);
  return name === '' ? '' : [number, unit].filter(Boolean).join(' ');
}

/** The number that a label of a number holds. */
export const sizeOfNumbered = (label: string): number => readNumber(partsOf(label).number) ?? NaN;

/** The labels by which an item says its scale: those beside its number, where there are any. */
export const labelsOfScale = ({ stops, number }: Pick<SketchItem, 'stops' | 'number'>): string[] => {
  const beside = number ? stops.filter((_, place) => place < number.first || place > number.last) : stops;
  const sized = beside.some(({ label }) => /\d/.test(label));
  return (sized ? beside : stops).map(({ label }) => label);
};

/** A label such as "Own 4.4 V": what stands before its number, the number, and its unit. */
function partsOf(label: string): { name: string; number: string; unit: string } {
  const [, name = '', number = '', unit = ''] =
    new RegExp(String.raw`^([^\d]*?)\s*(${NUMBER})\s*(.*)$`, 'u').exec(label) ?? [];
  return { name, number, unit };
}
