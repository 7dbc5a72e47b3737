/** What the columns of a log are: by their names and units, where those leave no doubt; else it is asked. */
import { CHANNELS, type ChannelKind } from './channels';

/** What a column is taken for. */
export type ColumnUse = ChannelKind | 'time' | 'other' | 'skip';

export interface Column {
  /** From 0. */
  place: number;
  /** As the file has it, without its unit. */
  name: string;
  /** As the file has it; empty where it says none. */
  unit: string;
  use: ColumnUse;
  /** Makes of what stands there what the channel counts in: value · factor + offset. */
  factor: number;
  offset: number;
  /** What is not certain and has to be confirmed, in a question; undefined where nothing is. */
  question: string | undefined;
}

/** Names as people and devices write them, in plain words. From memory; the first that fits counts. */
const NAMES: readonly (readonly [RegExp, ColumnUse])[] = [
  [/^(time|t|timestamp|elapsed|elapsed time|seconds|secs?|clock|date time|datetime|millis|ms)$/, 'time'],
  [/\b(bec|bus|receiver|rx|servo)\b.*\b(volts?|voltage|v)\b|^(v|u) ?(bec|bus|rx)$/, 'busVolts'],
  [/\b(cell|low cell|lowest cell)\b/, 'other'],
  [
    /\b(motor|mot|can)\b.*\b(temp|temperature|t)\b|\b(temp|temperature|t)\b.*\b(motor|mot|can)\b/,
    'canCelsius',
  ],
  [
    /\b(esc|fet|controller|bridge)\b.*\b(temp|temperature|t)\b|\b(temp|temperature|t)\b.*\b(esc|fet|controller)\b/,
    'escCelsius',
  ],
  [
    /\b(pack|batt?|battery|lipo)\b.*\b(temp|temperature)\b|\b(temp|temperature)\b.*\b(pack|batt?|battery)\b/,
    'packCelsius',
  ],
  [/\b(mah|used|consumed|consumption|capacity|charge used)\b/, 'usedMah'],
  [/\b(rpm|revs|motor speed|erpm)\b/, 'rpm'],
  [/\b(throttle|trigger|thr|stick|gas)\b/, 'trigger'],
  [/\b(current|amps?|amperage|ampere)\b|^i( bat| pack| esc)?$/, 'amps'],
  [/\b(volts?|voltage|vbat|vbatt|v bat|v batt|u bat|u batt|pack v)\b|^[uv]$/, 'packVolts'],
  [/\b(gps speed|ground speed|speed|velocity)\b/, 'speedKmh'],
];

interface Scale {
  factor: number;
  offset?: number;
}

/** Units of each channel, in plain letters, and what makes its own of them. */
const UNITS: Record<ChannelKind, Readonly<Record<string, Scale>>> = {
  // A pulse of a radio: 1500 µs is neutral, 500 µs is all the way. Common practice.
  trigger: {
    '%': { factor: 1 },
    percent: { factor: 1 },
    pct: { factor: 1 },
    us: { factor: 0.2, offset: -300 },
  },
  packVolts: { v: { factor: 1 }, volt: { factor: 1 }, volts: { factor: 1 }, mv: { factor: 0.001 } },
  busVolts: { v: { factor: 1 }, volt: { factor: 1 }, volts: { factor: 1 }, mv: { factor: 0.001 } },
  amps: { a: { factor: 1 }, amp: { factor: 1 }, amps: { factor: 1 }, ma: { factor: 0.001 } },
  rpm: {
    rpm: { factor: 1 },
    '1/min': { factor: 1 },
    'u/min': { factor: 1 },
    krpm: { factor: 1000 },
    'rpm/1000': { factor: 1000 },
    rps: { factor: 60 },
    'rev/s': { factor: 60 },
  },
  canCelsius: temperatures(),
  escCelsius: temperatures(),
  packCelsius: temperatures(),
  usedMah: { mah: { factor: 1 }, ah: { factor: 1000 } },
  speedKmh: {
    'km/h': { factor: 1 },
    kmh: { factor: 1 },
    kph: { factor: 1 },
    mph: { factor: 1.609344 },
    'mi/h': { factor: 1.609344 },
    'm/s': { factor: 3.6 },
    ms: { factor: 3.6 },
  },
};

function temperatures(): Record<string, Scale> {
  const celsius = { factor: 1 };
  const fahrenheit = { factor: 5 / 9, offset: -160 / 9 };
  return {
    c: celsius,
    degc: celsius,
    celsius,
    f: fahrenheit,
    degf: fahrenheit,
    fahrenheit,
    k: { factor: 1, offset: -273.15 },
  };
}

const TIME_UNITS: Readonly<Record<string, number>> = {
  s: 1,
  sec: 1,
  secs: 1,
  second: 1,
  seconds: 1,
  ms: 0.001,
  msec: 0.001,
  millis: 0.001,
  milliseconds: 0.001,
  us: 1e-6,
  min: 60,
  minutes: 60,
};

/** A printed head as a name and a unit: "Voltage (V)", "Temp [°C]", "I/A", "batt_mV", "Speed km/h". */
export function nameAndUnit(head: string): { name: string; unit: string } {
  const text = head.replaceAll(/^["'\s]+|["'\s]+$/g, '');
  const bracketed = /^(.*?)\s*[[({]\s*([^\])}]*?)\s*[\])}]\s*$/.exec(text);
  if (bracketed) return { name: bracketed[1]!.trim(), unit: bracketed[2]! };
  const split = /^(.+?)(?:\s*[/,;:]\s*|[\s_]+)([°µμ%]?[A-Za-z%]{0,5}(?:\/[A-Za-z0-9]{1,4})?)$/.exec(text);
  if (split && isUnit(split[2]!)) return { name: split[1]!.trim(), unit: split[2]! };
  return { name: text, unit: '' };
}

const LONGEST_NAME = 80;
const LONGEST_UNIT = 20;
/** What is kept is shown on one line. */
const oneLine = (text: string, most: number): string =>
  text
    .replaceAll(/\p{Cc}+/gu, ' ')
    .trim()
    .slice(0, most);

/** Letters of a unit as they are compared. */
const plainUnit = (unit: string): string =>
  unit
    .toLowerCase()
    .replaceAll(/[\s°.]/g, '')
    .replaceAll(/[µμ]/g, 'u');

const ALL_UNITS = new Set([
  ...Object.values(UNITS).flatMap((units) => Object.keys(units)),
  ...Object.keys(TIME_UNITS),
]);
const isUnit = (unit: string): boolean => unit !== '' && ALL_UNITS.has(plainUnit(unit));

const plainName = (name: string): string =>
  name
    .replaceAll(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, ' ')
    .trim();

/**
 * What a column is taken for by its head. What is not certain carries a question.
 * @param unit of a row of units below the heads, where there is one
 */
export function columnOf(place: number, head: string, unit: string | undefined): Column {
  const printed = nameAndUnit(head);
  const own =
    unit === undefined || unit.trim() === '' ? printed.unit : unit.trim().replaceAll(/^[[(]|[\])]$/g, '');
  const name = oneLine(printed.name, LONGEST_NAME) || `column ${place + 1}`;
  const plain = plainName(printed.name);
  const base = { place, name, unit: oneLine(own, LONGEST_UNIT), factor: 1, offset: 0, question: undefined };
  if (plain === '' && own === '') return { ...base, use: 'skip' };
  const use = NAMES.find(([pattern]) => pattern.test(plain))?.[1] ?? byUnitAlone(own);
  if (use === undefined)
    return {
      ...base,
      use: 'other',
      ...(isTemperature(plain) && { question: `What is “${name}” the temperature of?` }),
    };
  if (use === 'time')
    return {
      ...base,
      use,
      factor: TIME_UNITS[plainUnit(own)] ?? (plain === 'ms' || plain === 'millis' ? 0.001 : 1),
    };
  if (use === 'other' || use === 'skip') return { ...base, use };
  return scaled({ ...base, use }, use, plain);
}

const isTemperature = (plain: string): boolean => /\b(temp|temperature)\b/.test(plain);

/** A bare unit says what it is where only one channel has it. */
function byUnitAlone(unit: string): ColumnUse | undefined {
  const plain = plainUnit(unit);
  if (plain === 'rpm') return 'rpm';
  if (plain === 'a') return 'amps';
  if (plain === 'mah') return 'usedMah';
  return plain === 'km/h' || plain === 'mph' ? 'speedKmh' : undefined;
}

function scaled(column: Column, kind: ChannelKind, plain: string): Column {
  const { name, unit } = column;
  const letters = plainUnit(unit);
  if (kind === 'rpm' && /\be ?rpm\b/.test(plain))
    return { ...column, question: `“${name}” counts electrical turns. How many pole pairs has the motor?` };
  if (letters === '') return { ...column };
  const scale = UNITS[kind][letters];
  if (!scale) {
    const { name: wanted, unit: own } = CHANNELS[kind];
    return {
      ...column,
      use: 'other',
      question: `“${name}” looks like ${wanted.toLowerCase()}, but “${unit}” is no unit of that. Is it in ${own}?`,
    };
  }
  const asked =
    kind === 'trigger' && letters === 'us'
      ? `“${name}” is a pulse: is 1500 µs neutral and 2000 µs full?`
      : undefined;
  return { ...column, factor: scale.factor, offset: scale.offset ?? 0, question: asked };
}

/** A column that its reader says is something else: what it counts in then follows from its unit, where that is known. */
export function columnAs(column: Column, use: ColumnUse): Column {
  const plain = { ...column, use, factor: 1, offset: 0, question: undefined };
  if (use === 'other' || use === 'skip') return plain;
  if (use === 'time') return { ...plain, factor: TIME_UNITS[plainUnit(column.unit)] ?? 1 };
  const scale = UNITS[use][plainUnit(column.unit)];
  return { ...plain, factor: scale?.factor ?? 1, offset: scale?.offset ?? 0 };
}
