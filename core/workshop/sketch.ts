/**
 * A sketch: an ESC profile while it is being described. Everything that was typed stays as it was typed, so that
 * nothing is lost while it is not yet sound. `readSketch` makes a profile of it, or says what is missing where.
 */
import type { EndPointFamily, MediumFamily } from '../esc/media';
import {
  UNTIED,
  type BecKind,
  type EscLimits,
  type LaunchLimitLaw,
  type ProfileItem,
  type StopBasis,
} from '../esc/profile';
import type { Scale } from '../esc/scale';
import type { SettingId } from '../settings/vocabulary';
import type { MadeFor } from './madeFor';
import type { PresetId } from './presets';

export interface SketchStop {
  /** Permanent; empty for a stop that has none yet. */
  id: string;
  /** As printed. */
  label: string;
  /** What it means, where the label does not say it: a number on the item's scale, "off", a choice. */
  meaning: string;
  basis: StopBasis;
  /** What is typed for it on a key pad. */
  typed: string;
}

/** Something that the printed words leave open. */
export interface Question {
  about: 'setting' | 'scale' | 'direction' | 'stops';
  /** One plain question. */
  words: string;
  answers: readonly Answer[];
}

/** One reading of what is asked, and what it comes to. */
export interface Answer {
  words: string;
  consequence: string;
  take: {
    setting?: SettingId;
    scale?: Scale;
    sense?: ProfileItem['sense'];
    /** What each stop means, in their order; '' for one that says it by itself. */
    meanings?: readonly string[];
    basis?: StopBasis;
  };
}

/** Places of the stops that are one number, from 0, and how the ESC opens it. */
export interface SketchNumber {
  first: number;
  last: number;
  begins: number;
  unlockedByHold: boolean;
}

/** The number of the stop, or the number that is printed for it, without its point. */
export type TypedAs = '' | 'stopNumber' | 'printedNumber';

/** What ties an item to others, as the profile has it. */
export type Ties = Omit<typeof UNTIED, 'numberField' | 'freeCurve' | 'typed'>;

export interface SketchItem {
  /** Permanent. */
  id: string;
  label: string;
  /** Empty while nobody has said which setting it is. */
  setting: SettingId | '';
  /** Why this setting was suggested, until somebody confirms it; then empty. */
  suggestion: string;
  /** What is still to be answered before the item means anything. */
  asked: readonly Question[];
  scale: Scale;
  sense: ProfileItem['sense'];
  stops: SketchStop[];
  /** Which of the stops are one number, where the ESC has one. */
  number: SketchNumber | null;
  /** How many points a curve has that is drawn rather than chosen; empty where it is chosen. */
  curvePoints: string;
  /** What is typed for it on a key pad, or printed on its key; empty where that is its number. */
  typed: string;
  /** What is typed on a key pad for a stop that says nothing else; empty until somebody has said it. */
  typedAs: TypedAs;
  /** Places of the stops marked as the factory's, from 0: one, where all is well. */
  factory: number[];
  ties: Ties;
  /** Whether the ESC has it once in each of its banks. */
  inBank: boolean;
}

/** The numbers and names of a medium or a calibration family, as typed. */
export interface SketchPart<F extends string> {
  family: F;
  values: Readonly<Record<string, string>>;
}

export type LimitKey = Exclude<keyof EscLimits, 'becKind'>;

export interface Sketch {
  /** Permanent; empty for a profile that was never saved. */
  id: string;
  /** The revision that it was made from; 0 for a new one. */
  revision: number;
  name: string;
  /** Not said: what its items say decides. */
  madeFor: MadeFor;
  /** Values of a pattern that nobody has compared with the manual yet. */
  presets: readonly PresetId[];
  limits: Readonly<Record<LimitKey, string>>;
  becKind: BecKind;
  bootMs: string;
  range: Readonly<Record<'brakeMicros' | 'neutralMicros' | 'forwardMicros', string>>;
  deadbandMicrosEachSide: string;
  /** '' where the manual does not say. */
  launchLimitActs: LaunchLimitLaw | '';
  /** '' where the manual does not say. */
  fullSignalShows: string;
  /** The item that chooses a bank, and which of its stops the maker has fixed; '' where there are no banks. */
  bankItemId: string;
  fixedBankStopIds: readonly string[];
  calibration: SketchPart<EndPointFamily['family']>;
  media: readonly SketchPart<MediumFamily>[];
  items: readonly SketchItem[];
}

export const newStop = (label: string): SketchStop => ({
  id: '',
  label,
  meaning: '',
  basis: 'stated',
  typed: '',
});

const { numberField: _number, freeCurve: _curve, typed: _typed, ...UNTIED_SKETCH } = UNTIED;

export const newItem = (id: string, label: string): SketchItem => ({
  id,
  label,
  setting: '',
  suggestion: '',
  asked: [],
  scale: 'named',
  sense: 'direct',
  stops: [],
  number: null,
  curvePoints: '',
  typed: '',
  typedAs: '',
  factory: [],
  ties: UNTIED_SKETCH,
  inBank: false,
});

/** A permanent id from a label, unlike those that are taken. */
export function freshId(label: string, taken: Iterable<string>): string {
  const known = new Set(taken);
  const base =
    label
      .normalize('NFKD')
      .toLowerCase()
      .replaceAll(/[^a-z0-9]+/g, '-')
      .replaceAll(/^-+|-+$/g, '')
      .slice(0, 40) || 'item';
  if (!known.has(base)) return base;
  let n = 2;
  while (known.has(`${base}-${n}`)) n += 1;
  return `${base}-${n}`;
}

/** The item with an id for every stop, so that others can speak of them. */
export function withStopIds(item: SketchItem): SketchItem {
  const taken = item.stops.map(({ id }) => id).filter(Boolean);
  return {
    ...item,
    stops: item.stops.map((stop, place) => {
      if (stop.id !== '') return stop;
      const id = freshId(`${item.id}-${place + 1}`, taken);
      taken.push(id);
      return { ...stop, id };
    }),
  };
}
