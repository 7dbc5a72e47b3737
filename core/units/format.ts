const MINUS = '\u2212';

/**
 * A number as a person writes it: fixed decimals, no trailing zeros, a true minus sign.
 * @param decimals most decimals shown
 * @example formatNumber(9.60, 2) // "9.6"
 */
export function formatNumber(value: number, decimals: number): string {
  const rounded = Number(value.toFixed(decimals));
  return rounded < 0 ? `${MINUS}${-rounded}` : String(Math.abs(rounded));
}

/** A number with its unit behind a no-break space, as in "9.6 V". A bare unit of '' adds nothing. */
export function withUnit(value: number, unit: string, decimals: number): string {
  const text = formatNumber(value, decimals);
  return unit === '' ? text : `${text}\u00a0${unit}`;
}

/** A share, 0 to 1, in per cent. */
export const percentOf = (share: number, decimals = 0): string => withUnit(share * 100, '%', decimals);

const SMALL_NUMBERS = [
  'zero',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
];

/** A count in words up to twelve, in digits above: words are read from farther away. */
export const countInWords = (count: number): string => SMALL_NUMBERS[count] ?? String(count);

/** "once", "twice", "five times". */
export function timesInWords(count: number): string {
  if (count === 1) return 'once';
  if (count === 2) return 'twice';
  return `${countInWords(count)} times`;
}

/** "a", "a and b", "a, b and c". */
export const listInWords = (parts: readonly string[]): string =>
  parts.length < 2 ? (parts[0] ?? '') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`;

const HOUR_MINUTES = 60;
const DAY_MINUTES = 24 * HOUR_MINUTES;

/** A span as a driver says it: minutes up to two hours, hours up to two days, then days. @param minutes whole */
export function roughSpan(minutes: number): string {
  if (minutes < 2 * HOUR_MINUTES) return `${minutes}\u00a0min`;
  if (minutes < 2 * DAY_MINUTES) return `${Math.round(minutes / HOUR_MINUTES)}\u00a0h`;
  return `${Math.round(minutes / DAY_MINUTES)} days`;
}

/** Seconds as a person says them: "40 s", "2 min 5 s". */
export function formatDuration(seconds: number): string {
  const whole = Math.round(seconds);
  if (whole < 60) return `${whole}\u00a0s`;
  const rest = whole % 60;
  const minutes = `${Math.floor(whole / 60)}\u00a0min`;
  return rest === 0 ? minutes : `${minutes} ${rest}\u00a0s`;
}
