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
  /** What is not certain and has to be answered; undefined where nothing is. */
  question: string | undefined;
  /** Where the question is what it counts in: the units to choose from. */
  units: readonly string[];
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
  trigger: {
    '%': { factor: 1 },
    percent: { factor: 1 },
    pct: { factor: 1 },
    // A pulse of a radio: with a trigger 500 µs from neutral are all the way, with a stick that rests low 1000. Common practice.
    restsat1500us: { factor: 0.2, offset: -300 },
    restsat1000us: { factor: 0.1, offset: -100 },
    share: { factor: 100 },
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
  const base = {
    place,
    name,
    unit: oneLine(own, LONGEST_UNIT),
    factor: 1,
    offset: 0,
    question: undefined,
    units: [],
  };
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

/** Where a pulse rests, its file never says. */
const PULSES = ['rests at 1500 µs', 'rests at 1000 µs'];

/** What a channel may be counted in where its file does not say, in the order in which it is offered. */
const OFFERED: Partial<Record<ChannelKind, readonly string[]>> = {
  trigger: ['%', ...PULSES, 'share'],
  amps: ['A', 'mA'],
  canCelsius: ['°C', '°F'],
  escCelsius: ['°C', '°F'],
  packCelsius: ['°C', '°F'],
  usedMah: ['mAh', 'Ah'],
  speedKmh: ['km/h', 'mph', 'm/s'],
};
const TIMES = ['s', 'ms'];

/** A name that says itself what it is counted in. */
const SAYS_UNIT = /\b(amps?|amperes?|amperage|mah|percent|celsius)\b/;
const IS_ELECTRICAL = /\be ?rpm\b/;

/** @param plain the name in plain words */
function scaled(column: Column, kind: ChannelKind, plain: string): Column {
  const { name, unit } = column;
  if (kind === 'rpm' && IS_ELECTRICAL.test(plain))
    return { ...column, question: `“${name}” counts electrical turns. How many pole pairs has the motor?` };
  const letters = plainUnit(unit);
  if (letters === '') {
    // Millivolts for volts would lie beyond what any pack has: only what could pass for another unit is asked.
    const units = SAYS_UNIT.test(plain) ? [] : (OFFERED[kind] ?? []);
    return units.length === 0 ? column : { ...column, question: `What is “${name}” counted in?`, units };
  }
  if (kind === 'trigger' && letters === 'us')
    return { ...column, question: `“${name}” is a pulse. Where does it rest?`, units: PULSES };
  const scale = UNITS[kind][letters];
  if (scale) return { ...column, ...unitOf(scale) };
  const { name: wanted, unit: own } = CHANNELS[kind];
  return {
    ...column,
    use: 'other',
    question: `“${name}” looks like ${wanted.toLowerCase()}, but “${unit}” is no unit of that. Is it in ${own}?`,
  };
}

const unitOf = ({ factor, offset = 0 }: Scale): Pick<Column, 'factor' | 'offset'> => ({ factor, offset });

/** A time whose steps are so large that they may be milliseconds. */
export const asksTime = (column: Column): Column => ({
  ...column,
  question: `What is “${column.name}” counted in?`,
  units: TIMES,
});

/** A column that its reader says is something else: what it counts in then follows from its unit, or is asked. */
export function columnAs(column: Column, use: ColumnUse): Column {
  const plain: Column = { ...column, use, factor: 1, offset: 0, question: undefined, units: [] };
  if (use === 'other' || use === 'skip') return plain;
  if (use === 'time') {
    const factor = TIME_UNITS[plainUnit(column.unit)];
    return factor === undefined ? asksTime(plain) : { ...plain, factor };
  }
  const known = scaled(plain, use, plainName(column.name));
  // That its unit is none of this channel's was told already: who chooses it all the same says that it is in the channel's own.
  return known.use === use ? known : plain;
}

/** A column that counts in a unit that its reader names. */
export function columnIn(column: Column, unit: string): Column {
  const answered = { ...column, question: undefined, units: [] };
  if (column.use === 'time') return { ...answered, factor: TIME_UNITS[plainUnit(unit)] ?? 1 };
  const scale = column.use in UNITS ? UNITS[column.use as ChannelKind][plainUnit(unit)] : undefined;
  return { ...answered, unit, ...(scale ? unitOf(scale) : {}) };
}
