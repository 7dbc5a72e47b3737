/**
 * A set of values for another ESC. Numbers of stops are never copied, meanings are: each value goes to a real stop on the safe
 * side, bare levels to the stop that does most nearly the same on this rig. What cannot be said there is told, with the nearest
 * that can. Common practice.
 */
import type { Goals } from '../advice/goals';
import { hazardsOf } from './hazards';
import {
  existsOn,
  hasStop,
  nameOf,
  stopById,
  type EscProfile,
  type ProfileItem,
  type Stop,
  type StopByItem,
} from '../esc/profile';
import { snapToStop } from '../esc/snap';
import type { LearnedRange } from '../radio/pulse';
import type { Rig } from '../rig/rig';
import { falseFriendsIn, falseFriendsOf, type FalseFriend } from '../settings/falseFriends';
import type { SettingValue } from '../settings/setting';
import { comparableNumber, describeValue } from '../settings/value';
import { VOCABULARY, type SettingId } from '../settings/vocabulary';
import { closestStops, type Closest } from './byEffect';
import { KIN, NOT_CARRIED } from './kin';

/** One of the two ESCs, each on the rig that is translated for. */
export interface TranslatedEsc {
  profile: EscProfile;
  /** What it holds or should hold; of the target what stays where nothing is said. Every item. */
  stops: StopByItem;
  range: LearnedRange;
}

export interface Translation {
  /** The rig on which sizes are compared: that of the target. */
  rig: Rig;
  goals: Goals;
  from: TranslatedEsc;
  /** The items whose values are translated; the others are only there to drive with. */
  itemIds: readonly string[];
  onto: TranslatedEsc;
}

/** How a value came to its stop, or why it did not. */
export const OUTCOMES = {
  same: 'means the same',
  near: 'nearest on the safe side',
  byEffect: 'does nearly the same',
  along: 'comes along with another',
  asked: 'your choice',
  cannot: 'not there',
  leftOut: 'left as it is',
} as const;
export type Outcome = keyof typeof OUTCOMES;

export interface TranslatedRow {
  from: { item: ProfileItem; stop: Stop };
  outcome: Outcome;
  /** Null where nothing is taken. */
  to: { item: ProfileItem; stop: Stop } | null;
  /** The item of the other ESC that it would go to, where there is one; its stops can be chosen. */
  target: ProfileItem | null;
  /** Why, in a sentence or two. */
  sentence: string;
  /** What each measure says, where it was matched by effect. */
  measures: Closest[];
  /** Names that mean something else on one of the two. */
  friends: readonly FalseFriend[];
}

export interface Translated {
  rows: TranslatedRow[];
  /** Wanted stops of the target. */
  stops: StopByItem;
  /** Items of the target of which nothing is said. */
  untouched: ProfileItem[];
}

/** Translates values from one ESC to another. Never leaves the target with a hazard that it did not have. */
export function translate(translation: Translation): Translated {
  const { from, onto, itemIds } = translation;
  const drafted: Record<string, string> = {};
  const values = from.profile.items
    .filter((item) => itemIds.includes(item.id) && existsOn(from.stops, item))
    // Another revision may have had more.
    .filter((item) => hasStop(item, from.stops[item.id]!))
    .map((item) => ({ item, stop: stopById(item, from.stops[item.id]!) }));
  // What is matched by effect is tried with everything else in its place.
  const later = values.filter((value) => !isClear(value, onto));
  const clear = values.filter((value) => isClear(value, onto));
  const rows = new Map<string, TranslatedRow>();
  for (const value of [...clear, ...later]) {
    const taken = new Set(Object.keys(drafted));
    const row = rowOf(translation, { ...onto.stops, ...drafted }, taken, value);
    if (row.to && row.outcome !== 'along') drafted[row.to.item.id] = row.to.stop.id;
    rows.set(value.item.id, row);
  }
  const safe = withoutNewHazards(
    translation,
    values.map(({ item }) => rows.get(item.id)!),
  );
  const stops = stopsOf(safe);
  const touched = new Set([...Object.keys(stops), ...safe.flatMap(({ to }) => (to ? [to.item.id] : []))]);
  return {
    rows: safe,
    stops,
    untouched: onto.profile.items.filter((item) => !touched.has(item.id) && existsOn(onto.stops, item)),
  };
}

const stopsOf = (rows: readonly TranslatedRow[]): StopByItem =>
  Object.fromEntries(
    rows.flatMap(({ outcome, to }) => (to && outcome !== 'along' ? [[to.item.id, to.stop.id] as const] : [])),
  );

interface From {
  item: ProfileItem;
  stop: Stop;
}

/** Whether a value can be carried by its meaning alone. */
function isClear({ item, stop }: From, { profile, stops }: TranslatedEsc): boolean {
  const target = targetOf(profile, stops, item.setting);
  return target !== undefined && !isBareLevel(stop) && !target.stops.some(isBareLevel);
}

/** A number that somebody supposed for a level says nothing of another maker's levels. */
const isBareLevel = ({ value, basis }: Stop): boolean => value.kind === 'number' && basis === 'assumed';

/** The item of a setting that is in the menu. */
const targetOf = ({ items }: EscProfile, stops: StopByItem, setting: SettingId): ProfileItem | undefined =>
  items.find((item) => item.setting === setting && existsOn(stops, item));

function rowOf(
  translation: Translation,
  drafted: StopByItem,
  taken: ReadonlySet<string>,
  from: From,
): TranslatedRow {
  const { setting } = from.item;
  const { profile } = translation.onto;
  const kept = (outcome: Outcome, sentence: string): TranslatedRow => ({
    from,
    outcome,
    to: null,
    target: null,
    sentence,
    measures: [],
    friends: friendsOf(from.item, undefined),
  });
  const notCarried = NOT_CARRIED[setting];
  if (notCarried !== undefined) return kept('leftOut', notCarried);
  if (from.stop.value.kind === 'label' || setting === 'other')
    return kept('asked', `Live Tune does not know what “${from.stop.label}” means. Choose by the manual.`);
  const target = targetOf(profile, drafted, setting);
  if (target && taken.has(target.id))
    return kept('asked', `“${target.label}” has its stop from another value already.`);
  if (target) return ontoItem(translation, drafted, from, target);
  return (
    comesAlong(profile, drafted, from) ??
    byKin(translation, drafted, taken, from) ??
    kept('cannot', `${profile.name} has no ${nameOf(from.item).toLowerCase()}.`)
  );
}

function ontoItem(
  translation: Translation,
  drafted: StopByItem,
  from: From,
  target: ProfileItem,
): TranslatedRow {
  const friends = friendsOf(from.item, target);
  const row = (
    outcome: Outcome,
    stop: Stop | undefined,
    sentence: string,
    measures: Closest[] = [],
  ): TranslatedRow => ({
    from,
    outcome,
    to: stop ? { item: target, stop } : null,
    target,
    sentence,
    measures,
    friends,
  });
  const { value } = from.stop;
  const exact = target.stops.find((stop) => sameMeaning(value, stop.value));
  if (value.kind === 'off' || value.kind === 'choice') {
    if (exact) return row('same', exact, `Both say ${inWords(from.item, value)}.`);
    const has = target.stops.map(({ label }) => label).join(', ');
    return row('asked', undefined, `There is no “${from.stop.label}” there. It has: ${has}.`);
  }
  if (isBareLevel(from.stop) || target.stops.some(isBareLevel)) {
    const measures = closest(translation, drafted, target);
    if (measures.length === 0)
      return row('asked', undefined, 'No drill tells these two levels apart. Choose by the manual.');
    return row('byEffect', measures[0]!.stop, effectWords(measures), measures);
  }
  const { cells } = translation.rig.pack;
  const number = comparableNumber(value, cells);
  const [least, most] = VOCABULARY[from.item.setting].bounds;
  if (number !== undefined && (number < least || number > most))
    return row(
      'asked',
      undefined,
      `“${from.stop.label}” makes no sense with ${cells} cells. Choose by the cells.`,
    );
  const snapped = number === undefined ? undefined : snapToStop(perCellFirst(target), number, cells);
  if (!snapped) return row('asked', undefined, `This value has no size to go by. Look in the manual.`);
  if (snapped.exact) return row('same', snapped.stop, `Both mean ${inWords(from.item, value)}.`);
  return row('near', snapped.stop, snapped.reason);
}

/** A stop that counts the whole pack is right for one pack only: those that count a cell come first. */
const perCellFirst = (item: ProfileItem): ProfileItem => {
  const stops = item.stops.filter(({ value }) => value.kind !== 'packVolts');
  return stops.some(({ value }) => value.kind === 'number') ? { ...item, stops } : item;
};

/** One item of the target may say two things. */
function comesAlong(profile: EscProfile, drafted: StopByItem, from: From): TranslatedRow | undefined {
  const { setting } = from.item;
  const item = profile.items.find(({ alsoSets }) => alsoSets?.setting === setting);
  if (!item) return undefined;
  const stop = stopById(item, drafted[item.id]!);
  const also = item.alsoSets!.values.find(({ stopId }) => stopId === stop.id);
  const isSame = also !== undefined && sameMeaning(from.stop.value, also.value);
  return {
    from,
    outcome: isSame ? 'along' : 'asked',
    to: isSame ? { item, stop } : null,
    target: isSame ? null : item,
    sentence: isSame
      ? `“${item.label}” on “${stop.label}” says this, too.`
      : `“${item.label}” sets this, too, and is on “${stop.label}”. Choose its stop by both.`,
    measures: [],
    friends: friendsOf(from.item, item),
  };
}

/** Where the target lacks a setting, another may do the same: a limit in place of a strength. */
function byKin(
  translation: Translation,
  drafted: StopByItem,
  taken: ReadonlySet<string>,
  from: From,
): TranslatedRow | undefined {
  for (const setting of KIN[from.item.setting] ?? []) {
    const target = targetOf(translation.onto.profile, drafted, setting);
    if (!target || taken.has(target.id) || isSaid(translation, setting)) continue;
    const measures = closest(translation, drafted, target);
    if (measures.length === 0) continue;
    return {
      from,
      outcome: 'byEffect',
      to: { item: target, stop: measures[0]!.stop },
      target,
      sentence: `It has “${target.label}” (${nameOf(target).toLowerCase()}) in its place. ${effectWords(measures)}`,
      measures,
      friends: friendsOf(from.item, target),
    };
  }
  return undefined;
}

/** Whether what is translated says a setting itself. */
const isSaid = ({ from, itemIds }: Translation, setting: SettingId): boolean =>
  from.profile.items.some((item) => item.setting === setting && itemIds.includes(item.id));

const closest = (
  { rig, goals, from, onto }: Translation,
  drafted: StopByItem,
  target: ProfileItem,
): Closest[] => closestStops(rig, goals.use, from, { ...onto, stops: drafted }, target);

function effectWords(measures: readonly Closest[]): string {
  const [first, ...others] = measures;
  const said = measures.map(
    ({ wanted, reached, stop }) =>
      `${wanted.name}: ${figure(wanted)} there, ${figure(reached)} with “${stop.label}”.`,
  );
  const isSplit = others.some(({ stop }) => stop.id !== first!.stop.id);
  return [...said, ...(isSplit ? ['The two choose different stops; the first counts.'] : [])].join(' ');
}

const figure = ({ value, unit, decimals }: Closest['wanted']): string =>
  value === undefined ? 'never' : `${value.toFixed(decimals)}\u00a0${unit}`.trim();

const inWords = (item: ProfileItem, value: SettingValue): string =>
  describeValue(VOCABULARY[item.setting], value);

/** Off and none at all are the same. */
function sameMeaning(a: SettingValue, b: SettingValue): boolean {
  const isNothing = (value: SettingValue): boolean => value.kind === 'number' && value.value === 0;
  if (a.kind === 'off') return b.kind === 'off' || isNothing(b);
  if (b.kind === 'off') return isNothing(a);
  return JSON.stringify(a) === JSON.stringify(b);
}

/** Names on either ESC that are taken for something else. */
function friendsOf(from: ProfileItem, to: ProfileItem | undefined): readonly FalseFriend[] {
  const printed = [from.label, ...(to ? [to.label] : [])].flatMap((label) => falseFriendsIn(label));
  const crossed = to && to.setting !== from.setting ? falseFriendsOf(from.setting) : [];
  const both = crossed.filter(({ settings }) => settings.includes(to!.setting));
  return [...new Set([...printed, ...both])].filter(({ settings }) => settings.includes(from.setting));
}

/** Takes out, one after the other, what would bring the target a hazard that it does not have. */
function withoutNewHazards(translation: Translation, rows: readonly TranslatedRow[]): TranslatedRow[] {
  const { onto, rig, goals } = translation;
  const hazards = (its: readonly TranslatedRow[]) =>
    hazardsOf(rig, onto, { ...onto.stops, ...stopsOf(its) }, goals);
  const before = new Set(hazardsOf(rig, onto, onto.stops, goals).map(({ id }) => id));
  let safe = [...rows];
  for (;;) {
    const fresh = hazards(safe).filter(({ id }) => !before.has(id));
    if (fresh.length === 0) return safe;
    const culprit = safe.find(
      (row) =>
        row.to &&
        row.outcome !== 'along' &&
        hazards(leftOut(safe, row, '')).every(({ id }) => id !== fresh[0]!.id),
    );
    const out = culprit ?? safe.findLast((row) => row.to && row.outcome !== 'along');
    if (!out) return safe;
    safe = leftOut(
      safe,
      out,
      `“${out.to!.stop.label}” would be a hazard here: ${fresh[0]!.title} It stays as it is.`,
    );
  }
}

const leftOut = (rows: readonly TranslatedRow[], out: TranslatedRow, sentence: string): TranslatedRow[] =>
  rows.map((row) => (row === out ? { ...row, outcome: 'leftOut', to: null, sentence } : row));
