/**
 * An ESC profile: everything Live Tune knows about one kind of speed controller, as data.
 * Nothing in the code knows a particular ESC.
 */
import { VOCABULARY, type SettingId } from '../settings/vocabulary';
import type { SettingValue } from '../settings/setting';
import type { LearnedRange } from '../radio/pulse';
import { isByHand, type EndPointFamily, type HandMedium, type Medium } from './media';
import { curveValue, outputsOf, type FreeCurve } from './freeCurve';
import type { Scale } from './scale';

/** Whether the maker states what a stop means, or somebody supposed or measured it. */
export type StopBasis = 'stated' | 'assumed' | 'measured';

/** One position that an item can rest on. Real lists are uneven: always a table, never a formula. */
export interface Stop {
  /** Permanent within the item; never shown, never reused. */
  id: string;
  /** The number counted or read when the ESC shows this stop, 1 upward. */
  number: number;
  /** As printed in the manual. */
  label: string;
  value: SettingValue;
  basis: StopBasis;
  /** What is typed for it on a key pad, where that is not its number. */
  typed: string | null;
}

/** Something that makes an item do nothing: another item's stop, or a fact of the model. */
export type Condition =
  { kind: 'stops'; itemId: string; stopIds: string[] } | { kind: 'model'; fact: ModelFact };

/** Facts of a model that some items depend on. */
export const MODEL_FACTS = {
  sensorless: 'the motor has no sensor cable',
  brushed: 'the motor is brushed',
  noMotorTemperatureSensor: 'the motor has no temperature sensor',
  noFan: 'no fan is fitted',
} as const;
export type ModelFact = keyof typeof MODEL_FACTS;

/** What choosing a stop does to other items. */
export interface Overwrite {
  stopId: string;
  /** Item id to stop id. */
  sets: Record<string, string>;
}

/**
 * A run of stops that is one number on the ESC: it opens at one of them, and is moved step by step from there.
 * Its stops stand in the table like any others.
 */
export interface NumberField {
  firstStopId: string;
  lastStopId: string;
  /** Where it stands when it is opened: not where it should be. */
  beginsStopId: string;
  /** Whether a key must be held before the number moves; until then, the run is passed by as if it were one stop. */
  unlockedByHold: boolean;
}

/** Stops of another item, one of which must be chosen. */
export interface WhileOn {
  itemId: string;
  stopIds: string[];
}

/** A second setting that the stops of an item decide along with the first: "brushless, forward only". */
export interface AlsoSets {
  setting: SettingId;
  /** A stop that says nothing of it is not in here. */
  values: { stopId: string; value: SettingValue }[];
}

/** One thing that the ESC lets its owner choose. */
export interface ProfileItem {
  /** Permanent within the profile, through all its revisions. */
  id: string;
  /** The number in the ESC's own menu, 1 upward. */
  number: number;
  /** As printed in the manual. */
  label: string;
  setting: SettingId;
  /** How the manual writes its stops. */
  scale: Scale;
  /** `inverted` where a higher stop number means a lower vocabulary value. */
  sense: 'direct' | 'inverted';
  /** The stop that the ESC leaves the factory with. */
  factoryStopId: string;
  /** In the ESC's own order. */
  stops: Stop[];
  /** Those of the stops that are one number, where there is one. */
  numberField: NumberField | null;
  /** A curve that is drawn rather than chosen: its stops are only starting points then. */
  freeCurve: FreeCurve | null;
  /** What is typed for it on a key pad, or printed on its own key there, where that is not its number. */
  typed: string | null;
  /** It does nothing while any of these holds. */
  inactiveWhen: Condition[];
  /** Other items that are set along with some of its stops. */
  overwrites: Overwrite[];
  /** Whether choosing another stop renumbers the menu. */
  renumbersMenu: boolean;
  /** Where the item itself cannot switch its thing off: the stop of another item that alone can. */
  switchedOffBy: { itemId: string; stopId: string } | null;
  /** It is in the menu only while all of these hold; always where there is none. */
  existsWhile: WhileOn[];
  alsoSets: AlsoSets | null;
  /** Stops that do something and are not held: what they overwrite is set, and the item stays as it is. */
  commandStopIds: string[];
}

/** What most items have: nothing that ties them to others, and nothing of their own way to be entered. */
export const UNTIED: Pick<
  ProfileItem,
  | 'numberField'
  | 'freeCurve'
  | 'typed'
  | 'inactiveWhen'
  | 'overwrites'
  | 'renumbersMenu'
  | 'switchedOffBy'
  | 'existsWhile'
  | 'alsoSets'
  | 'commandStopIds'
> = {
  numberField: null,
  freeCurve: null,
  typed: null,
  inactiveWhen: [],
  overwrites: [],
  renumbersMenu: false,
  switchedOffBy: null,
  existsWhile: [],
  alsoSets: null,
  commandStopIds: [],
};

/** A set of values, one of which the ESC drives with: chosen by an item, in the pit with one press. */
export interface Banks {
  /** The item that chooses; each of its stops is a bank. */
  itemId: string;
  /** Banks whose values the maker has fixed. */
  fixedStopIds: string[];
}

/** Ratings, as the maker prints them. */
export interface EscLimits {
  minCells: number;
  maxCells: number;
  continuousAmps: number;
  burstAmps: number;
  /** Two switches in series, phase to phase. */
  bridgeOhm: number;
  becContinuousAmps: number;
  becKind: BecKind;
  /** The lowest and highest that the BEC gives; both 0 where there is none. */
  becLeastVolts: number;
  becMostVolts: number;
  /** Where the ESC protects itself from heat; null where the manual does not say. */
  temperatureLimitC: number | null;
}

/** What each is called, in which unit it is asked, and how many of those an SI unit has. */
export const LIMIT_WORDS = {
  minCells: { label: 'Fewest cells', unit: '', perSi: 1 },
  maxCells: { label: 'Most cells', unit: '', perSi: 1 },
  continuousAmps: { label: 'Continuous current', unit: 'A', perSi: 1 },
  burstAmps: { label: 'Burst current', unit: 'A', perSi: 1 },
  bridgeOhm: { label: 'Its own resistance', unit: 'mΩ', perSi: 1000 },
  becContinuousAmps: { label: 'BEC current', unit: 'A', perSi: 1 },
  becLeastVolts: { label: 'BEC from', unit: 'V', perSi: 1 },
  becMostVolts: { label: 'BEC to', unit: 'V', perSi: 1 },
  temperatureLimitC: { label: 'Protects itself at', unit: '°C', perSi: 1 },
} as const satisfies Record<
  Exclude<keyof EscLimits, 'becKind'>,
  { label: string; unit: string; perSi: number }
>;

export const BEC_KINDS = { none: 'none', linear: 'linear', switching: 'switching' } as const;
export type BecKind = keyof typeof BEC_KINDS;

/** What makers mean by a launch limit. */
export const LAUNCH_LIMIT_LAWS = {
  duty: 'less voltage until the motor has picked up speed',
  current: 'less motor current',
  ramp: 'a slower rise',
} as const;
export type LaunchLimitLaw = keyof typeof LAUNCH_LIMIT_LAWS;

export interface EscProfile {
  /** Permanent; the same through all revisions. */
  id: string;
  /** Counts up from 1; a revision is never edited. */
  revision: number;
  name: string;
  limits: EscLimits;
  /** From power on until the ESC looks at the throttle. */
  bootMs: number;
  /** What the ESC believes before it was ever calibrated. */
  factoryRange: LearnedRange;
  /** Deadband where no item sets one, on each side of neutral. */
  deadbandMicrosEachSide: number;
  /** How a launch limit in per cent acts; null where the manual does not say. */
  launchLimitActs: LaunchLimitLaw | null;
  /** What shows that full signal arrives, a lamp that changes only there, say; null where the manual does not say. */
  fullSignalShows: string | null;
  calibration: EndPointFamily;
  /** Every way to enter settings, the handiest first. */
  media: Medium[];
  items: ProfileItem[];
  /** Items that belong to a bank are in `items` once for each, and exist while it is chosen. */
  banks: Banks | null;
}

/** The handiest medium that needs nothing but hands; undefined for an ESC that only a link can set. */
export const handMediumOf = (profile: EscProfile): HandMedium | undefined => profile.media.find(isByHand);

/** Whether the ESC can be read and written by a computer. */
export const hasLink = (profile: EscProfile): boolean =>
  profile.media.some((medium) => medium.family === 'link');

/** The item with this permanent id. @throws {Error} if the profile has none: ids come from the profile itself. */
export function itemById(profile: EscProfile, itemId: string): ProfileItem {
  const item = profile.items.find((i) => i.id === itemId);
  if (!item) throw new Error(`profile ${profile.id} has no item '${itemId}'`);
  return item;
}

/** The item that sets this part of the vocabulary, if the ESC has one. */
export const itemForSetting = (profile: EscProfile, setting: SettingId): ProfileItem | undefined =>
  profile.items.find((i) => i.setting === setting);

/** An item as it is printed; of one that each bank has, which bank. */
export function labelIn({ banks, items }: EscProfile, item: ProfileItem): string {
  const bankId = item.existsWhile.find(({ itemId }) => itemId === banks?.itemId)?.stopIds[0];
  const bank = items.find(({ id }) => id === banks?.itemId)?.stops.find(({ id }) => id === bankId);
  return bank ? `${item.label} (${bank.label})` : item.label;
}

/** What an item is called in the vocabulary; as printed where it has no word there. */
export const nameOf = ({ setting, label }: Pick<ProfileItem, 'setting' | 'label'>): string =>
  setting === 'other' ? label : VOCABULARY[setting].name;

/** The stop with this permanent id. @throws {Error} if the item has none. */
export function stopById(item: ProfileItem, stopId: string): Stop {
  const stop = item.stops.find((s) => s.id === stopId) ?? drawnStop(item, stopId);
  if (!stop) throw new Error(`item ${item.id} has no stop '${stopId}'`);
  return stop;
}

/** Whether an item has a stop of this id, or can be drawn so. */
export const hasStop = (item: ProfileItem, stopId: string): boolean =>
  item.stops.some(({ id }) => id === stopId) || drawnStop(item, stopId) !== undefined;

/** A curve of its owner's own; it has no number in any menu. */
function drawnStop({ freeCurve }: ProfileItem, stopId: string): Stop | undefined {
  const outputs = freeCurve && outputsOf(freeCurve, stopId);
  return outputs
    ? {
        id: stopId,
        number: 0,
        label: outputs.join(' '),
        value: curveValue(outputs),
        basis: 'stated',
        typed: null,
      }
    : undefined;
}

/** A stop for every item: what an ESC holds, or should hold. Item id to stop id. */
export type StopByItem = Readonly<Record<string, string>>;

declare const MEANING: unique symbol;
/** Stops of one meaning: they stand wherever stops do, but never where another meaning is asked for. */
type StopsOf<Meaning extends string> = StopByItem & { readonly [MEANING]?: Meaning };
/** What the ESC is believed to hold, every item. */
export type BelievedStops = StopsOf<'believed'>;
/** What it should hold, every item: what is wanted over what is believed. */
export type DraftedStops = StopsOf<'drafted'>;
/** What somebody wants changed, and nothing else. */
export type WantedStops = StopsOf<'wanted'>;

/** What the ESC holds when it leaves the factory. */
export const factoryStops = (profile: EscProfile): StopByItem =>
  Object.fromEntries(profile.items.map((item) => [item.id, item.factoryStopId]));

/**
 * The vocabulary value that a full set of stops gives one setting; undefined where the ESC lacks the item. Of several items
 * the first counts that is in the menu and states a size: "custom" leaves it to the next.
 */
export function valueOf(
  { items }: EscProfile,
  stops: StopByItem,
  setting: SettingId,
): SettingValue | undefined {
  let unsized: SettingValue | undefined;
  for (const item of items) {
    const stopId = stops[item.id];
    if (stopId === undefined || !existsOn(stops, item)) continue;
    const also =
      item.alsoSets?.setting === setting && item.alsoSets.values.find((one) => one.stopId === stopId);
    if (also) return also.value;
    if (item.setting !== setting) continue;
    const { value } = stopById(item, stopId);
    if (value.kind !== 'label') return value;
    unsized ??= value;
  }
  return unsized;
}

/** Whether an item is in the menu while the ESC holds these. */
export const existsOn = (stops: StopByItem, { existsWhile }: Pick<ProfileItem, 'existsWhile'>): boolean =>
  existsWhile.every(({ itemId, stopIds }) => stopIds.includes(stops[itemId] ?? ''));

/** The profile with the items that are in the menu while the ESC holds these: the same one where all are. */
export function profileOn(profile: EscProfile, stops: StopByItem): EscProfile {
  const items = profile.items.filter((item) => existsOn(stops, item));
  return items.length === profile.items.length ? profile : { ...profile, items };
}

/** The items whose stops decide which others exist. */
export const choosersOf = ({ items }: EscProfile): Set<string> =>
  new Set(items.flatMap(({ existsWhile }) => existsWhile.map(({ itemId }) => itemId)));

/** A setting's number in its own unit, or `otherwise` where the ESC lacks it or it is not a number. */
export function numberOf(
  profile: EscProfile,
  stops: StopByItem,
  setting: SettingId,
  otherwise: number,
): number {
  const value = valueOf(profile, stops, setting);
  if (value?.kind === 'number') return value.value;
  return value?.kind === 'off' ? 0 : otherwise;
}
