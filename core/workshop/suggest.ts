/**
 * Which setting a printed item may be, and how its stops are written. Suggestions only: each says why and waits for
 * somebody to confirm it; what its name may be mixed up with, the false friends say.
 */
import { scalesOf, type Scale } from '../esc/scale';
import { isNamed, VOCABULARY, type Setting, type SettingId } from '../settings/vocabulary';
import { plainWords } from '../units/text';
import { leadingNumber, meaningOf, saysOff, saysPack } from './meaning';

export interface Suggestion {
  setting: SettingId;
  scale: Scale;
  /** Why, in a sentence. */
  reason: string;
}

interface Candidate {
  setting: Setting;
  name: string;
  score: number;
}

/** How well stops fit a setting: names that are its choices, units that are its own. */
const FITS = 3;
const CONTRADICTS = -5;

/**
 * The likeliest setting for a printed item.
 * @param stops labels as printed
 * @returns undefined where nothing comes to mind
 */
export function suggestSetting(label: string, stops: readonly string[]): Suggestion | undefined {
  const printed = plainWords(label);
  const candidates = Object.values(VOCABULARY)
    .flatMap((setting) => candidatesFor(setting, printed, stops))
    .sort((a, b) => b.score - a.score);
  const best = candidates[0];
  if (!best || best.score <= 0) return undefined;
  const rival = candidates.find((c) => c.setting.id !== best.setting.id);
  const { scale, why } = suggestScale(best.setting, stops);
  const rivalWords =
    rival && rival.score >= best.score - 2 ? ` It could also be ${rival.setting.name.toLowerCase()}.` : '';
  const nameWords =
    best.name === printed
      ? `“${label}” is a usual name for ${best.setting.name.toLowerCase()}`
      : `“${label}” reads like “${best.name}”, ${best.setting.name.toLowerCase()}`;
  return { setting: best.setting.id, scale, reason: `${nameWords}; ${why}.${rivalWords}` };
}

function candidatesFor(setting: Setting, printed: string, stops: readonly string[]): Candidate[] {
  const names = [setting.name.toLowerCase(), ...setting.alsoCalled].filter((name) =>
    holdsWords(printed, plainWords(name)),
  );
  const name = names.toSorted((a, b) => b.length - a.length)[0];
  if (name === undefined || setting.id === 'other') return [];
  const exact = plainWords(name) === printed ? 6 : 0;
  return [{ setting, name, score: exact + plainWords(name).split(' ').length * 2 + fit(setting, stops) }];
}

function fit(setting: Setting, stops: readonly string[]): number {
  if (stops.length === 0) return 0;
  const units = new Set(stops.flatMap((stop) => unitOf(stop) ?? []));
  const understood = stops.filter(
    (stop) => meaningOf(setting, scalesOf(setting)[0]!, stop) !== undefined,
  ).length;
  if (isNamed(setting)) return understood === stops.length ? FITS : units.size > 0 ? CONTRADICTS : 0;
  if (units.size > 0) {
    const own = scalesOf(setting);
    return [...units].some((unit) => UNIT_SCALES[unit].some((scale) => own.includes(scale)))
      ? FITS
      : CONTRADICTS;
  }
  return understood === 0 && stops.every((stop) => /^(on|off|yes|no)$/i.test(stop)) ? CONTRADICTS : 0;
}

const holdsWords = (printed: string, name: string): boolean => ` ${printed} `.includes(` ${name} `);

type Unit = '%' | 'v' | '°' | 'khz' | 'hz' | 'ms' | 'us' | 's' | 'c' | 'f' | 'rpm' | 'a';

const UNIT_SCALES: Readonly<Record<Unit, readonly Scale[]>> = {
  '%': ['percent', 'percentEach'],
  v: ['voltsPerCell', 'volts', 'packVolts'],
  '°': ['degrees'],
  khz: ['kilohertz'],
  hz: ['hertz'],
  ms: ['millis', 'milliseconds'],
  us: ['micros'],
  s: ['seconds'],
  c: ['celsius'],
  f: ['fahrenheit'],
  rpm: ['rpm'],
  a: ['amperes'],
};

const UNIT_WORDS: readonly (readonly [Unit, RegExp])[] = [
  ['%', /^%|^per ?cent|^pct/i],
  ['c', /^°\s*c\b|^deg\s*c\b|^c$/i],
  ['f', /^°\s*f\b|^deg\s*f\b|^f$/i],
  ['°', /^°|^deg/i],
  ['khz', /^k(hz)?\b/i],
  ['hz', /^hz\b/i],
  ['ms', /^ms(ec)?\b/i],
  ['us', /^[uµμ]s\b/i],
  ['rpm', /^rpm\b/i],
  ['v', /^v(olts?)?(\b|\/)/i],
  ['a', /^a(mps?)?\b/i],
  ['s', /^s(ec(onds?)?)?\b/i],
];

function unitOf(stop: string): Unit | undefined {
  const read = leadingNumber(stop);
  return read && UNIT_WORDS.find(([, words]) => words.test(read.rest))?.[0];
}

/** How the stops of an item are likely written, and why. */
export function suggestScale(setting: Setting, stops: readonly string[]): { scale: Scale; why: string } {
  const own = scalesOf(setting);
  if (isNamed(setting)) return { scale: 'named', why: 'its stops are names' };
  const unit = stops.map(unitOf).find((found) => found !== undefined);
  const numbers = stops.flatMap((stop) => (saysOff(stop) ? [] : (leadingNumber(stop)?.number ?? [])));
  if (setting.id === 'cutoff' && numbers.length > 0) return cutoffScale(stops, numbers);
  if (unit) {
    const scale = UNIT_SCALES[unit].find((s) => own.includes(s));
    if (scale)
      return {
        scale,
        why: `its stops are printed in ${unit === 'us' ? 'µs' : unit.toUpperCase() === 'V' ? 'V' : unit}`,
      };
  }
  if (numbers.length === 0) return { scale: 'named', why: 'its stops are names without a size' };
  if (numbers.every((n, place) => n === numbers[0]! + place) && numbers[0]! <= 1 && setting.unit !== '')
    return { scale: 'level', why: 'its stops are bare levels, whose size no manual states' };
  const [least, most] = setting.bounds;
  if (setting.unit === 'kHz' && numbers.some((n) => n >= 500))
    return { scale: 'hertz', why: 'its numbers are too large for kHz' };
  if (setting.unit === 'µs each side' && numbers.every((n) => n < 1))
    return { scale: 'millis', why: 'its numbers are too small for µs' };
  if (numbers.some((n) => n < least || n > most))
    return { scale: 'level', why: `its numbers are no ${setting.unit}` };
  return { scale: own[0]!, why: `its numbers could be ${setting.unit || 'a count'}` };
}

function cutoffScale(stops: readonly string[], numbers: number[]): { scale: Scale; why: string } {
  const totals = numbers.filter((n) => n > 4.5).length;
  if (totals === numbers.length) return { scale: 'packVolts', why: 'its volts are too high for one cell' };
  const mixed = totals > 0 || stops.some(saysPack);
  return {
    scale: 'voltsPerCell',
    why: mixed
      ? 'some of its volts are of a cell and some of the whole pack: say which'
      : 'its volts are those of a cell',
  };
}
