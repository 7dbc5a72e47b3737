/** A short way to write an archetype down: what a manual's table would hold, one line an item. */
import { UNTIED, type EscLimits, type EscProfile, type ProfileItem, type Stop } from '../esc/profile';
import { valueOnScale, type Scale } from '../esc/scale';
import type { SettingValue } from '../settings/setting';
import { VOCABULARY, type SettingId } from '../settings/vocabulary';

/** A stop as it is written here: a printed number, "off", a word with its meaning. */
type Written = number | 'off' | readonly [label: string, meaning: number | string];

type Ties = Partial<
  Omit<ProfileItem, 'id' | 'number' | 'label' | 'setting' | 'scale' | 'stops' | 'factoryStopId'>
>;

const SUFFIX: Partial<Record<Scale, string>> = {
  percent: ' %',
  voltsPerCell: ' V',
  packVolts: ' V pack',
  volts: ' V',
  degrees: '°',
  kilohertz: ' kHz',
  micros: ' µs',
  seconds: ' s',
  celsius: ' °C',
  rpm: ' rpm',
  degreeRate: '°/0.1 s',
};

/**
 * One item. Numbers are on the item's scale; on a level or a name they are what it is taken to mean, assumed.
 * @param factory the place of the factory's stop, from 1
 */
export function item(
  label: string,
  setting: SettingId,
  scale: Scale,
  stops: readonly Written[],
  factory: number,
  ties: Ties = {},
): Omit<ProfileItem, 'number'> {
  const id = idOf(label);
  const written = stops.map((stop, index) => stopOf(`${id}-${index + 1}`, index + 1, setting, scale, stop));
  return {
    id,
    label,
    setting,
    scale,
    sense: 'direct',
    stops: written,
    factoryStopId: written[factory - 1]!.id,
    ...UNTIED,
    ...ties,
  };
}

/**
 * An item with a number behind its other stops: it opens at its least, unlocked by a hold, and is moved step by step.
 * @param printed what the box shows for each
 */
export function withNumber(
  of: Omit<ProfileItem, 'number'>,
  scale: Scale,
  [least, most, step]: readonly [number, number, number],
  printed: (number: number) => string,
): Omit<ProfileItem, 'number'> {
  const numbers = grid(least, most, step);
  const idAt = (place: number): string => `${of.id}-${of.stops.length + place + 1}`;
  const added = numbers.map((number, place) => ({
    ...stopOf(idAt(place), of.stops.length + place + 1, of.setting, scale, number),
    label: printed(number),
  }));
  return {
    ...of,
    stops: [...of.stops, ...added],
    numberField: {
      firstStopId: idAt(0),
      lastStopId: idAt(numbers.length - 1),
      beginsStopId: idAt(0),
      unlockedByHold: true,
    },
  };
}

/** An item of named choices, each printed as its own words: the vocabulary's choice and the label. */
export const choices = (
  label: string,
  setting: SettingId,
  named: Readonly<Record<string, string>>,
  factory: number,
  ties: Ties = {},
): Omit<ProfileItem, 'number'> =>
  item(
    label,
    setting,
    'named',
    Object.entries(named).map(([choice, words]) => [words, choice] as const),
    factory,
    ties,
  );

/** An item that is on or off. */
export const onOff = (
  label: string,
  setting: SettingId,
  factory: 'on' | 'off',
): Omit<ProfileItem, 'number'> => choices(label, setting, { on: 'On', off: 'Off' }, factory === 'on' ? 1 : 2);

/** What an ESC stands; a BEC of 0 A is none. */
export const limits = (
  alike: Pick<EscLimits, 'bridgeOhm' | 'temperatureLimitC'>,
  [minCells, maxCells]: readonly [number, number],
  [continuousAmps, burstAmps]: readonly [number, number],
  [becContinuousAmps, becLeastVolts, becMostVolts]: readonly [amps: number, least: number, most: number],
): EscLimits => ({
  ...alike,
  minCells,
  maxCells,
  continuousAmps,
  burstAmps,
  becContinuousAmps,
  becKind: becContinuousAmps === 0 ? 'none' : 'switching',
  becLeastVolts,
  becMostVolts,
});

/** A profile whose items are numbered in the order in which they stand. */
export const profileOf = (
  facts: Omit<EscProfile, 'revision' | 'items' | 'banks'>,
  items: readonly Omit<ProfileItem, 'number'>[],
): EscProfile => ({
  ...facts,
  banks: null,
  revision: 1,
  items: items.map((one, index) => ({ ...one, number: index + 1 })),
});

/** So many numbers from one to another. */
export const grid = (from: number, to: number, step: number): number[] =>
  Array.from({ length: Math.round((to - from) / step) + 1 }, (_, n) => Number((from + n * step).toFixed(6)));

function stopOf(id: string, number: number, setting: SettingId, scale: Scale, written: Written): Stop {
  if (written === 'off') return stop(id, number, 'Off', { kind: 'off' });
  if (typeof written === 'number') {
    const label = `${written}${SUFFIX[scale] ?? ''}`;
    return stop(id, number, label, valueOnScale(VOCABULARY[setting], scale, written), scale);
  }
  const [label, meaning] = written;
  if (setting === 'other') return stop(id, number, label, { kind: 'label' });
  if (typeof meaning === 'string') return stop(id, number, label, { kind: 'choice', choice: meaning });
  return stop(id, number, label, valueOnScale(VOCABULARY[setting], scale, meaning), scale);
}

const stop = (id: string, number: number, label: string, value: SettingValue, scale?: Scale): Stop => ({
  id,
  number,
  label,
  value,
  basis: scale === 'level' || scale === 'named' ? 'assumed' : 'stated',
  typed: null,
});

const idOf = (label: string): string =>
  label
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '-')
    .replaceAll(/^-|-$/g, '');
