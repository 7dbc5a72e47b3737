/**
 * How manuals write the stops of an item, and what that is in the vocabulary's own units.
 * A level or a name has no size of its own: what it means is stated beside it, or assumed.
 */
import type { SettingValue } from '../settings/setting';
import { isNamed, type Setting } from '../settings/vocabulary';

export const SCALES = {
  percent: 'per cent',
  level: 'bare levels',
  named: 'names',
  voltsPerCell: 'volts per cell',
  packVolts: 'volts of the whole pack',
  volts: 'volts',
  degrees: 'degrees',
  kilohertz: 'kHz',
  hertz: 'Hz',
  micros: 'µs, each side',
  microsBoth: 'µs, both sides together',
  millis: 'ms, each side',
  millisBoth: 'ms, both sides together',
  percentEach: '% of half the stroke, each side',
  percentBoth: '% of half the stroke, both sides together',
  seconds: 'seconds',
  milliseconds: 'milliseconds',
  rate: 'per cent a second',
  degreeRate: 'degrees per 0.1 s',
  rpm: 'rpm',
  amperes: 'A',
  celsius: '°C',
  fahrenheit: '°F',
  count: 'a count',
  poles: 'poles, two a pair',
  curve: 'points of a curve',
  exponent: 'an exponent: 1 is straight',
} as const;
export type Scale = keyof typeof SCALES;

/** Half a stroke on the usual convention, µs. */
const HALF_STROKE_MICROS = 500;

type Convert = (printed: number) => number;
const same: Convert = (printed) => printed;

/** By the vocabulary's unit: the scales in which manuals write it, the usual one first. */
const BY_UNIT: Readonly<Record<string, Partial<Record<Scale, Convert>>>> = {
  '%': { percent: same },
  '%/s': { rate: same },
  s: { seconds: same, milliseconds: (ms) => ms / 1000 },
  '°': { degrees: same },
  '° per 0.1 s': { degreeRate: same },
  rpm: { rpm: same },
  A: { amperes: same },
  V: { volts: same },
  'V/cell': { voltsPerCell: same },
  kHz: { kilohertz: same, hertz: (hz) => hz / 1000 },
  '°C': { celsius: same, fahrenheit: (f) => ((f - 32) * 5) / 9 },
  'µs each side': {
    micros: same,
    microsBoth: (both) => both / 2,
    millis: (ms) => ms * 1000,
    millisBoth: (ms) => (ms * 1000) / 2,
    percentEach: (share) => (share / 100) * HALF_STROKE_MICROS,
    percentBoth: (share) => ((share / 100) * HALF_STROKE_MICROS) / 2,
  },
  '': { count: same, poles: (poles) => poles / 2 },
};

/** The scales in which a manual may write the stops of a setting, the usual one first. */
export function scalesOf(setting: Setting): Scale[] {
  if (setting.id === 'other') return ['named', 'level'];
  if (isNamed(setting)) return ['named', 'level'];
  const sized = Object.keys(BY_UNIT[setting.unit] ?? {}) as Scale[];
  const pack: Scale[] = setting.id === 'cutoff' ? ['packVolts'] : [];
  const curve: Scale[] =
    setting.id === 'throttleCurve' || setting.id === 'brakeCurve' ? ['curve', 'exponent'] : [];
  return [...sized, ...pack, ...curve, 'level', 'named'];
}

/**
 * A printed number in the vocabulary.
 * @param scale one of `scalesOf(setting)`; on a level or a name, the number is what it is taken to mean, in the
 * setting's own unit
 */
export function valueOnScale(setting: Setting, scale: Scale, printed: number): SettingValue {
  if (scale === 'packVolts') return { kind: 'packVolts', value: printed };
  if (scale === 'exponent') return exponential(printed);
  const convert = BY_UNIT[setting.unit]?.[scale] ?? same;
  return { kind: 'number', value: rounded(convert(printed)) };
}

/** Output is input to the power of the exponent, through nine points between the ends. */
const exponential = (exponent: number): SettingValue => ({
  kind: 'curve',
  points: TENTHS.map((input) => [input, rounded(100 * (input / 100) ** exponent)] as const),
});

const TENTHS = [10, 20, 30, 40, 50, 60, 70, 80, 90];

/** Takes away what division leaves behind the ninth digit: 0.05 ms is 50 µs. */
const rounded = (value: number): number => Number(value.toPrecision(9));

/** Whether a stop's number says by itself what it means. */
export const statesSize = (scale: Scale): boolean =>
  scale !== 'level' && scale !== 'named' && scale !== 'curve';
