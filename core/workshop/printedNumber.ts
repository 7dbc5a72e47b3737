/** Numbers and bare words that stand beside a stop. */
import { readNumber } from '../units/readNumber';

/** A number as manuals print it, with whatever unit stands behind it. A comma counts as a point. */
export function leadingNumber(text: string): { number: number; rest: string } | undefined {
  const found = /^[^\d\-−+.,]{0,3}\s*([-−+]?(?:\d+(?:[.,]\d+)?|[.,]\d+))\s*(.*)$/su.exec(text.trim());
  if (!found) return undefined;
  const number = readNumber(found[1]!);
  return number === undefined ? undefined : { number, rest: found[2]!.trim() };
}

/** A number that stands alone; undefined where anything stands behind it. */
export function wholeNumber(text: string): number | undefined {
  const read = leadingNumber(text);
  return read?.rest === '' ? read.number : undefined;
}

const OFF_WORDS = /^(off|none|no|disabled?|without|not used|aus|keine?r?|-|–|—)$/i;

/** Whether a text says that the thing is switched off. */
export const saysOff = (text: string): boolean => OFF_WORDS.test(text.trim());

/** Whether a text says that a voltage is of the whole pack. */
export const saysPack = (text: string): boolean => /\b(pack|total|whole|battery)\b/i.test(text);
