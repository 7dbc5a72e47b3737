/** Units as manuals print them behind a number, in a name or at the head of a column. */
import { scalesOf, type Scale } from '../esc/scale';
import type { Setting } from '../settings/vocabulary';
import { leadingNumber } from './printedNumber';

export type Unit =
  '%' | '%/s' | 'V' | '°' | '° per 0.1 s' | 'kHz' | 'Hz' | 'ms' | 'µs' | 's' | '°C' | '°F' | 'rpm' | 'A';

/** The scales that a unit may stand for, the usual one first. */
const SCALES_OF_UNIT: Readonly<Record<Unit, readonly Scale[]>> = {
  '%': ['percent', 'percentEach', 'percentBoth'],
  '%/s': ['rate'],
  V: ['voltsPerCell', 'volts', 'packVolts'],
  '°': ['degrees'],
  '° per 0.1 s': ['degreeRate'],
  kHz: ['kilohertz'],
  Hz: ['hertz'],
  ms: ['millis', 'millisBoth', 'milliseconds'],
  µs: ['micros', 'microsBoth'],
  s: ['seconds'],
  '°C': ['celsius'],
  '°F': ['fahrenheit'],
  rpm: ['rpm'],
  A: ['amperes'],
};

/** The narrower first: a degree a second is no degree. */
const UNIT_WORDS: readonly (readonly [Unit, RegExp])[] = [
  ['° per 0.1 s', /^(°|deg(rees?)?)\s*(\/|per)\s*0?[.,]1\s*s/i],
  ['%/s', /^(%|per ?cent|pct)\s*(\/|per)\s*s/i],
  ['%', /^(%|per ?cent|pct)(?!\s*\/)/i],
  ['°C', /^(°|deg)\s*c\b|^c$/i],
  ['°F', /^(°|deg)\s*f\b|^f$/i],
  ['°', /^(°|deg(rees?)?\b)(?!\s*(\/|per))/i],
  ['kHz', /^k(hz)?\b/i],
  ['Hz', /^hz\b/i],
  ['ms', /^ms(ec)?\b/i],
  ['µs', /^[uµμ]s\b/i],
  ['rpm', /^rpm\b/i],
  ['V', /^v(olts?)?(\b|\/)/i],
  ['A', /^a(mps?)?\b/i],
  ['s', /^s(ec(onds?)?)?\b/i],
];

/** The unit that a text begins with. */
export const unitIn = (text: string): Unit | undefined =>
  UNIT_WORDS.find(([, words]) => words.test(text.trim()))?.[0];

/** The unit that a stop prints behind its number. */
export function unitOf(stop: string): Unit | undefined {
  const read = leadingNumber(stop);
  return read && read.rest !== '' ? unitIn(read.rest) : undefined;
}

/** The unit that a name states: in brackets, behind it, or as one of its words. */
export function unitOfName(name: string): Unit | undefined {
  const bracketed = /[([]([^)\]]+)[)\]]/.exec(name)?.[1];
  const inBrackets = bracketed === undefined ? undefined : unitIn(bracketed);
  if (inBrackets) return inBrackets;
  if (/\brpm\b/i.test(name)) return 'rpm';
  if (/\b(voltage|volts?)\b/i.test(name)) return 'V';
  if (/%|\b(percent(age)?|per cent)\b/i.test(name)) return '%';
  if (/°|\b(degrees?)\b/i.test(name)) return '°';
  return undefined;
}

/** The scales of a setting that a unit may stand for. */
export function scalesFor(setting: Setting, unit: Unit): Scale[] {
  const own = scalesOf(setting);
  return SCALES_OF_UNIT[unit].filter((scale) => own.includes(scale));
}
