import {
  BEC_KINDS,
  LAUNCH_LIMIT_LAWS,
  LIMIT_WORDS,
  type EscLimits,
  type EscProfile,
  type LaunchLimitLaw,
  type ProfileItem,
  type Stop,
} from '../esc/profile';
import type { EndPointFamily, Medium } from '../esc/media';
import { numberBehind } from '../esc/presence';
import { scalesOf, statesSize } from '../esc/scale';
import { validateProfile, valueFault } from '../esc/validateProfile';
import type { SettingValue } from '../settings/setting';
import { VOCABULARY, type Setting } from '../settings/vocabulary';
import type { Problem, Result } from '../units/problem';
import { nameFault, shortened } from '../units/text';
import { assumedLevel } from './levels';
import { meaningOf } from './meaning';
import { leadingNumber, saysOff, wholeNumber } from './printedNumber';
import { readPart } from './readPart';
import { withBanks } from './banks';
import { isTypingOpen, padDigits, typedStops } from './keyPadCodes';
import { presetProblems } from './presets';
import { printsSize } from './questions';
import { orderOf } from './sizeWords';
import { CALIBRATION_FIELDS, MEDIUM_FIELDS } from './partFields';
import { freshId, withStopIds, type LimitKey, type Sketch, type SketchItem, type SketchStop } from './sketch';

const MOST_ITEMS = 100;
const MOST_STOPS = 500;

interface Bounds {
  label: string;
  unit: string;
  least: number;
  most: number;
}

/** Least and most of each, in the unit in which it is asked. */
const LIMIT_BOUNDS: Readonly<Record<LimitKey, { least: number; most: number; optional?: true }>> = {
  minCells: { least: 1, most: 30 },
  maxCells: { least: 1, most: 30 },
  continuousAmps: { least: 0.1, most: 2000 },
  burstAmps: { least: 0.1, most: 5000 },
  bridgeOhm: { least: 0, most: 1000 },
  becContinuousAmps: { least: 0, most: 100 },
  becLeastVolts: { least: 0, most: 30 },
  becMostVolts: { least: 0, most: 30 },
  temperatureLimitC: { least: 40, most: 200, optional: true },
};

export const LIMIT_KEYS = Object.keys(LIMIT_BOUNDS) as LimitKey[];

export const limitField = (key: LimitKey) => ({ ...LIMIT_WORDS[key], ...LIMIT_BOUNDS[key] });

/**
 * Makes a profile of a sketch.
 * @param takenIds of the profiles that are there: a new one gets an id of its own
 * @returns the profile, or every problem at the path of its field in the sketch
 */
export function readSketch(sketch: Sketch, takenIds: readonly string[] = []): Result<EscProfile> {
  const problems: Problem[] = [];
  const refuse = (path: string, sentence: string): void => void problems.push({ path, sentence });
  const number = (path: string, text: string, { label, unit, least, most }: Bounds): number => {
    const read = wholeNumber(text);
    const suffix = unit === '' ? '' : ` ${unit}`;
    if (read === undefined || read < least || read > most) {
      const said = text.trim() === '' ? 'is empty' : `is “${shortened(text)}”`;
      refuse(path, `${label} ${said}; it must be a number between ${least} and ${most}${suffix}.`);
    }
    return read ?? NaN;
  };
  const name = (path: string, text: string, what: string): string => {
    const plain = text.trim();
    const fault = nameFault(plain);
    if (fault) refuse(path, `${what} ${fault}`);
    return plain;
  };

  const limits = Object.fromEntries(
    LIMIT_KEYS.map((key) => {
      const { perSi, optional, ...bounds } = limitField(key);
      const text = sketch.limits[key];
      if (optional && text.trim() === '') return [key, null];
      const read = number(`limits.${key}`, text, bounds);
      if (key.endsWith('Cells') && !Number.isInteger(read) && Number.isFinite(read))
        refuse(`limits.${key}`, `${bounds.label} is ${read}: use whole cells.`);
      return [key, read / perSi];
    }),
  ) as unknown as EscLimits;
  if (sketch.items.length > MOST_ITEMS)
    refuse('items', `There are ${sketch.items.length} items; ${MOST_ITEMS} fit.`);
  if (sketch.items.length === 0) refuse('items', 'There is no item yet: add one, or paste a table.');
  const takenItemIds: string[] = [];
  const digits = padDigits(sketch);
  sketch.items.forEach((item, place) => {
    if (digits !== undefined && isTypingOpen(item))
      refuse(
        `items.${place}.typedAs`,
        `Item ${place + 1} “${shortened(item.label)}”: say what is typed for its stops, their numbers or what is printed.`,
      );
  });
  const items = sketch.items
    .slice(0, MOST_ITEMS)
    .map((item, place) =>
      readItem(typedOn(item, digits), place, takenItemIds, refuse, (path, text) =>
        name(path, text, `Item ${place + 1}`),
      ),
    );
  const bankIds = new Set(
    sketch.items.flatMap(({ inBank }, place) => (inBank ? [items[place]?.id ?? ''] : [])),
  );
  const bankItemId = sketch.bankItemId === '' ? undefined : sketch.bankItemId;
  if (bankIds.size > 0 && bankItemId === undefined)
    refuse('bankItemId', 'Some items belong to a bank: say which item chooses it.');
  const all = numbered(withBanks(items, bankItemId, bankIds));
  const pulse = { least: 500, most: 2500, unit: 'µs' };
  const profile: EscProfile = {
    id: sketch.id === '' ? freshId(sketch.name, takenIds) : sketch.id,
    revision: sketch.revision + 1,
    name: name('name', sketch.name, 'The ESC'),
    limits: { ...limits, becKind: Object.hasOwn(BEC_KINDS, sketch.becKind) ? sketch.becKind : 'none' },
    bootMs: number('bootMs', sketch.bootMs, {
      label: 'Checks the throttle after',
      unit: 'ms',
      least: 0,
      most: 20000,
    }),
    factoryRange: {
      brakeMicros: number('range.brakeMicros', sketch.range.brakeMicros, { label: 'Full brake', ...pulse }),
      neutralMicros: number('range.neutralMicros', sketch.range.neutralMicros, {
        label: 'Neutral',
        ...pulse,
      }),
      forwardMicros: number('range.forwardMicros', sketch.range.forwardMicros, {
        label: 'Full forward',
        ...pulse,
      }),
    },
    deadbandMicrosEachSide: number('deadbandMicrosEachSide', sketch.deadbandMicrosEachSide, {
      label: 'Deadband',
      unit: 'µs',
      least: 0,
      most: 300,
    }),
    launchLimitActs: Object.hasOwn(LAUNCH_LIMIT_LAWS, sketch.launchLimitActs)
      ? (sketch.launchLimitActs as LaunchLimitLaw)
      : null,
    fullSignalShows: sketch.fullSignalShows.trim() === '' ? null : sketch.fullSignalShows.trim(),
    calibration: readPart(
      sketch.calibration,
      CALIBRATION_FIELDS[sketch.calibration.family],
      'calibration',
      all,
      refuse,
    ) as unknown as EndPointFamily,
    media: sketch.media.map(
      (medium, place) =>
        readPart(medium, MEDIUM_FIELDS[medium.family], `media.${place}`, all, refuse) as unknown as Medium,
    ),
    items: all,
    banks:
      bankItemId === undefined ? null : { itemId: bankItemId, fixedStopIds: [...sketch.fixedBankStopIds] },
  };
  if (sketch.media.length === 0) refuse('media', 'Choose at least one way to set this ESC.');
  problems.push(...presetProblems(sketch.presets));
  if (problems.length > 0) return { ok: false, problems };
  const deeper = [...validateProfile(profile), ...becStopProblems(profile)].map(atSketch(items, all));
  return deeper.length > 0 ? { ok: false, problems: deeper } : { ok: true, value: profile };
}

/**
 * A BEC that is said to give 7.4 V has no stop of 8.4. Asked in the workshop only: what was exported once must be taken in
 * again.
 */
function becStopProblems({ items, limits: { becKind, becLeastVolts, becMostVolts } }: EscProfile): Problem[] {
  if (becKind === 'none') return [];
  return items.flatMap((item, index) =>
    item.setting !== 'becVolts'
      ? []
      : item.stops.flatMap(({ label, value }, place) =>
          value.kind === 'number' && (value.value < becLeastVolts || value.value > becMostVolts)
            ? [
                {
                  path: `items.${index}.stops.${place}.meaning`,
                  sentence: `“${label}” of “${item.label}” is ${value.value} V, and the BEC gives ${becLeastVolts} to ${becMostVolts} V: one of the two is wrong.`,
                },
              ]
            : [],
        ),
  );
}

/** Items that are never in the menu together may have the same number. */
const numbered = (items: readonly ProfileItem[]): ProfileItem[] =>
  items.reduce<ProfileItem[]>((done, item) => [...done, { ...item, number: numberBehind(item, done) }], []);

const lineOf = (items: readonly ProfileItem[], id: string): number =>
  items.findIndex((item) => id === item.id || id.startsWith(`${item.id}-bank-`));

/** A path into the profile as the field of the sketch where it was typed. */
const atSketch =
  (items: readonly ProfileItem[], all: readonly ProfileItem[]) =>
  ({ path, sentence }: Problem): Problem => ({
    path: path
      // Of an item that all banks have there is one line.
      .replace(/^items\.(\d+)/, (_, index: string) => `items.${lineOf(items, all[Number(index)]!.id)}`)
      .replace(/^factoryRange$/, 'range.neutralMicros')
      .replace(/\.value$/, '.meaning')
      .replace(/\.factoryStopId$/, '.factory')
      .replace(/^(calibration|media\.\d+)\.(\w+)$/, '$1.values.$2'),
    sentence,
  });

type Refuse = (path: string, sentence: string) => void;

function readItem(
  sketch: SketchItem,
  place: number,
  takenIds: string[],
  refuse: Refuse,
  name: (path: string, text: string) => string,
): ProfileItem {
  const path = `items.${place}`;
  const label = name(`${path}.label`, sketch.label);
  const called = `Item ${place + 1} “${shortened(label)}”`;
  const id = takenIds.includes(sketch.id) || sketch.id === '' ? freshId(label, takenIds) : sketch.id;
  takenIds.push(id);
  if (sketch.setting === '' && sketch.asked.length === 0)
    refuse(`${path}.setting`, `${called}: say which setting it is, or “Something else”.`);
  for (const { about, words } of sketch.asked)
    refuse(`${path}.${about === 'setting' ? 'setting' : 'asked'}`, `${called}: ${words}`);
  if (sketch.setting !== '' && sketch.suggestion !== '')
    refuse(
      `${path}.setting`,
      `${called}: confirm that it is ${VOCABULARY[sketch.setting].name}, or choose another.`,
    );
  const [factory, second] = sketch.factory;
  if (sketch.stops.length > MOST_STOPS)
    refuse(`${path}.stops`, `${called} has ${sketch.stops.length} stops; ${MOST_STOPS} fit.`);
  if (factory === undefined || factory >= sketch.stops.length)
    refuse(`${path}.factory`, `${called}: no factory stop is marked. Put a star after it.`);
  if (second !== undefined)
    refuse(
      `${path}.factory`,
      `${called}: ${sketch.factory.length} stops are marked as factory stop. Mark only one.`,
    );
  const setting = VOCABULARY[sketch.setting === '' ? 'other' : sketch.setting];
  const scale = scalesOf(setting).includes(sketch.scale) ? sketch.scale : scalesOf(setting)[0]!;
  const sound = withStopIds({ ...sketch, id, scale, stops: sketch.stops.slice(0, MOST_STOPS) });
  const guesses = assumedValues(sound, setting);
  const stops = sound.stops.map((stop, n): Stop => {
    const stopName = `Stop ${n + 1} “${shortened(stop.label.trim())}” of ${lowerFirst(called)}`;
    const where = { path: `${path}.stops.${n}`, called: stopName, refuse };
    return { id: stop.id, number: n + 1, ...readStop(stop, setting, scale, guesses[n], where) };
  });
  return {
    id,
    number: place + 1,
    label,
    setting: setting.id,
    scale,
    sense: sketch.sense,
    factoryStopId: stops[factory ?? 0]?.id ?? '',
    stops,
    numberField: numberFieldOf(sketch, stops),
    freeCurve: curveOf(sketch, `${path}.curvePoints`, refuse),
    typed: sketch.typed.trim() === '' ? null : sketch.typed.trim(),
    ...sketch.ties,
  };
}

/** The item with what is typed for each of its stops; without a pad, nothing is. */
const typedOn = (item: SketchItem, digits: number | undefined): SketchItem => {
  const typed = digits === undefined ? [] : typedStops(item, digits);
  return { ...item, stops: item.stops.map((stop, place) => ({ ...stop, typed: typed[place] ?? '' })) };
};

function curveOf({ curvePoints }: SketchItem, path: string, refuse: Refuse): ProfileItem['freeCurve'] {
  if (curvePoints.trim() === '') return null;
  const points = wholeNumber(curvePoints) ?? NaN;
  if (Number.isInteger(points) && points >= 2 && points <= MOST_CURVE_POINTS) return { points };
  refuse(path, `A curve has 2 to ${MOST_CURVE_POINTS} points, not “${shortened(curvePoints)}”.`);
  return null;
}

const MOST_CURVE_POINTS = 11;

function numberFieldOf({ number }: SketchItem, stops: Stop[]): ProfileItem['numberField'] {
  const [first, last, begins] = number ? [stops[number.first], stops[number.last], stops[number.begins]] : [];
  if (!number || !first || !last || !begins) return null;
  return {
    firstStopId: first.id,
    lastStopId: last.id,
    beginsStopId: begins.id,
    unlockedByHold: number.unlockedByHold,
  };
}

const lowerFirst = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

/** What is printed or said of a stop; undefined where that says no size. */
function statedValue(
  stop: SketchStop,
  setting: Setting,
  scale: SketchItem['scale'],
): SettingValue | undefined {
  if (stop.meaning.trim() !== '') return explainedValue(setting, scale, stop.meaning);
  const label = stop.label.trim();
  const says =
    statesSize(scale) || setting.choices !== undefined || saysOff(label) || printsSize(setting, label);
  return says ? meaningOf(setting, scale, label) : undefined;
}

/** Sizes that are taken for granted where names or levels have none, from the lowest to the highest. */
function assumedValues({ stops, scale, sense }: SketchItem, setting: Setting): (SettingValue | undefined)[] {
  if (statesSize(scale)) return [];
  const open = stops.filter((stop) => stop.meaning.trim() === '' && !statedValue(stop, setting, scale));
  // Names that go back and forth say nothing of sizes by their places.
  if (orderOf(open.map(({ label }) => label)).by === 'none' && open.length > 1) return [];
  return stops.map((stop) => {
    const place = open.indexOf(stop);
    const rank = sense === 'inverted' ? open.length - 1 - place : place;
    const size = place === -1 ? undefined : assumedLevel(setting.id, rank, open.length);
    return size === undefined ? undefined : { kind: 'number', value: size };
  });
}

function readStop(
  stop: SketchStop,
  setting: Setting,
  scale: SketchItem['scale'],
  guess: SettingValue | undefined,
  { path, called, refuse }: { path: string; called: string; refuse: Refuse },
): Pick<Stop, 'label' | 'value' | 'basis' | 'typed'> {
  const { basis, typed } = stop;
  const label = stop.label.trim();
  const fault = nameFault(label);
  if (fault) refuse(`${path}.label`, `${called} ${fault}`);
  if (typed.trim() !== '' && !/^\d{1,6}$/.test(typed.trim()))
    refuse(`${path}.typed`, `${called} is typed “${shortened(typed)}”. Use digits only, six at most.`);
  const stated = statedValue(stop, setting, scale);
  const value = stated ?? guess;
  if (value === undefined) {
    const wanted = setting.choices
      ? `one of: ${Object.values(setting.choices).join(', ')}`
      : `a number in ${setting.unit || 'its unit'}, or off`;
    refuse(`${path}.meaning`, `${called}: say what it means, ${wanted}.`);
  } else {
    // Whether another item does say the size is seen once all items are there.
    const wrong = value.kind === 'label' ? undefined : valueFault(setting, value);
    if (wrong) refuse(`${path}.meaning`, `${called} ${wrong}`);
  }
  return {
    label,
    value: value ?? { kind: 'label' },
    basis: stated === undefined && setting.id !== 'other' ? 'assumed' : basis,
    typed: typed.trim() === '' ? null : typed.trim(),
  };
}

/** What was typed in explanation: behind `=` a number in the vocabulary's own unit, else like a printed one. */
function explainedValue(
  setting: Setting,
  scale: SketchItem['scale'],
  meaning: string,
): SettingValue | undefined {
  const text = meaning.trim();
  if (text === '') return undefined;
  if (!text.startsWith('=')) return meaningOf(setting, scale, text);
  const read = leadingNumber(text.slice(1));
  return read && { kind: 'number', value: read.number };
}
