/** A set-up: a named set of values for one rig, with what it is for. Its values never change: another set of values is another. */
import {
  hasStop,
  labelIn,
  stopById,
  type EscProfile,
  type ProfileItem,
  type StopByItem,
  type WantedStops,
} from '../esc/profile';
import {
  changedSince,
  HAND_VALUE_KEYS,
  HAND_VALUES,
  handChangesOf,
  type HandValueKey,
  type HandValues,
} from '../rig/handValues';
import type { Rig } from '../rig/rig';
import type { SettingValue } from '../settings/setting';
import type { SettingId } from '../settings/vocabulary';
import { fittingStops, moveDraft, EMPTY_DRAFT, type Draft, type Reasons } from '../sheet/draft';
import type { Holdings } from '../sheet/evidence';
import { LONGEST_REASON } from '../sheet/intents';
import type { Sheet } from '../sheet/sheet';
import type { Conditions } from './conditions';

/** What a set-up was made from. */
export const SET_UP_ORIGINS = {
  draft: 'from the draft',
  esc: 'from what the ESC holds',
  sheet: 'from a sheet',
  list: 'from a pasted list',
  file: 'from a file',
  code: 'from a code',
  translation: 'translated from another ESC',
} as const;
export type SetUpOrigin = keyof typeof SET_UP_ORIGINS;

/** One value of the ESC, readable without its profile. */
export interface SetUpValue {
  itemId: string;
  itemNumber: number;
  itemLabel: string;
  stopId: string;
  /** Null for a curve that its owner drew. */
  stopNumber: number | null;
  stopLabel: string;
  setting: SettingId;
  /** What the stop means in the vocabulary. */
  meaning: SettingValue;
}

export interface SetUp {
  /** Permanent; the same in every copy of the file. */
  id: string;
  name: string;
  /** Where and when it is for. */
  isFor: string;
  /** Who it came from; empty where it is one's own. */
  by: string;
  note: string;
  origin: SetUpOrigin;
  /** The set-up that it was made from; null where it begins a tree. */
  parentId: string | null;
  /** ISO 8601. */
  madeAt: string;
  profileId: string;
  profileRevision: number;
  profileName: string;
  /** In the ESC's own order; what it does not say stays as it is. */
  values: SetUpValue[];
  /** Of the model and its radio. */
  byHand: HandValues;
  /** Why values were chosen, by the id of the item or the key of the number. */
  reasons: Reasons;
  /** What it was driven with. */
  conditions: Conditions;
}

/** What a person says of a set-up; the only part of it that may be written again. */
export type SetUpWords = Pick<SetUp, 'name' | 'isFor' | 'by' | 'note' | 'reasons'>;

/** Values of an ESC as a set-up has them, in menu order. Items that are not named are left out. */
export const setUpValues = (profile: EscProfile, stops: StopByItem): SetUpValue[] =>
  profile.items.flatMap((item) => {
    const stopId = stops[item.id];
    return stopId === undefined ? [] : [setUpValue(profile, item, stopId)];
  });

function setUpValue(profile: EscProfile, item: ProfileItem, stopId: string): SetUpValue {
  const { number, label, value } = stopById(item, stopId);
  return {
    itemId: item.id,
    itemNumber: item.number,
    itemLabel: labelIn(profile, item),
    stopId,
    stopNumber: number === 0 ? null : number,
    stopLabel: label,
    setting: item.setting,
    meaning: value,
  };
}

/** The stops of a set-up, whichever profile they are of. */
export const stopsOfSetUp = ({ values }: Pick<SetUp, 'values'>): StopByItem =>
  Object.fromEntries(values.map(({ itemId, stopId }) => [itemId, stopId]));

/**
 * The stops of a set-up that this revision of its ESC still has, and the values that it has no place for. Another ESC has a
 * place for none: its ids may be the same, and mean something else.
 */
export function fittingSetUp(
  profile: EscProfile,
  setUp: Pick<SetUp, 'values' | 'profileId'>,
): { stops: WantedStops; gone: SetUpValue[] } {
  const stops = setUp.profileId === profile.id ? fittingStops(profile, stopsOfSetUp(setUp)) : {};
  return { stops, gone: setUp.values.filter(({ itemId }) => stops[itemId] === undefined) };
}

/** A set-up as the draft of its rig: what differs from what the ESC surely holds and the model has. */
export function draftFromSetUp(profile: EscProfile, holdings: Holdings, rig: Rig, setUp: SetUp): Draft {
  const { stops } = fittingSetUp(profile, setUp);
  const moved = Object.entries(stops).reduce(
    (draft, [itemId, stopId]) => moveDraft(draft, holdings, itemId, stopId),
    EMPTY_DRAFT,
  );
  const byHand = Object.fromEntries(handChangesOf(rig, setUp.byHand).map(({ key, to }) => [key, to]));
  const reasons = Object.keys({ ...moved.stops, ...byHand }).map((key): [string, string] => [
    key,
    reasonIn(setUp, key),
  ]);
  return { stops: moved.stops, byHand, reasons: Object.fromEntries(reasons), setUpId: setUp.id };
}

/** Why a set-up has a value, and whose it is: what stands on the sheet when it is loaded. */
export const reasonIn = (
  { name, by, reasons }: Pick<SetUp, 'name' | 'by' | 'reasons'>,
  key: string,
): string =>
  [`From “${name}”${by === '' ? '' : `, ${by}`}.`, reasons[key] ?? '']
    .filter(Boolean)
    .join(' ')
    .slice(0, LONGEST_REASON);

/** One value that differs between two sets. */
export interface Step {
  key: string;
  name: string;
  from: string | null;
  to: string | null;
  /** Why the later one has it. */
  reason: string;
}

type ValueSet = Pick<SetUp, 'values' | 'byHand'>;

/** What a set-up changed of the one that it was made from. What only one of them says is told, too. */
export function stepsBetween(before: ValueSet, after: ValueSet & Pick<SetUp, 'reasons'>): Step[] {
  const ids = new Set([...before.values, ...after.values].map(({ itemId }) => itemId));
  const ofEsc = [...ids].flatMap((itemId): Step[] => {
    const [was, is] = [before, after].map(({ values }) => values.find((value) => value.itemId === itemId));
    if (was?.stopId === is?.stopId) return [];
    const name = (is ?? was)!.itemLabel;
    const reason = after.reasons[itemId] ?? '';
    return [{ key: itemId, name, from: was?.stopLabel ?? null, to: is?.stopLabel ?? null, reason }];
  });
  const ofModel = HAND_VALUE_KEYS.flatMap((key): Step[] => {
    const [was, is] = [before.byHand[key], after.byHand[key]];
    if (was === is) return [];
    const { name } = HAND_VALUES[key];
    return [{ key, name, from: inWords(key, was), to: inWords(key, is), reason: after.reasons[key] ?? '' }];
  });
  return [...ofEsc, ...ofModel];
}

const inWords = (key: HandValueKey, value: number | undefined): string | null =>
  value === undefined ? null : `${value}\u00a0${HAND_VALUES[key].unit}`;

/** What a sheet has otherwise than its set-up, of what the set-up says. */
export function changedSinceSetUp(setUp: ValueSet, sheet: Pick<Sheet, 'values' | 'byHand'>): Step[] {
  const ofEsc = setUp.values.flatMap(({ itemId, itemLabel, stopId, stopLabel }): Step[] => {
    const is = sheet.values.find((value) => value.itemId === itemId);
    if (is?.stopId === stopId) return [];
    return [{ key: itemId, name: itemLabel, from: stopLabel, to: is?.stopLabel ?? null, reason: '' }];
  });
  const ofModel = changedSince(setUp.byHand, sheet.byHand)
    .filter((key) => sheet.byHand[key] !== undefined)
    .map((key): Step => ({
      key,
      name: HAND_VALUES[key].name,
      from: inWords(key, setUp.byHand[key]),
      to: inWords(key, sheet.byHand[key]),
      reason: '',
    }));
  return [...ofEsc, ...ofModel];
}

/** The values of a sheet that are known, as a set-up of this profile has them. */
export const valuesOfSheet = (profile: EscProfile, sheet: Pick<Sheet, 'values'>): SetUpValue[] =>
  setUpValues(
    profile,
    Object.fromEntries(
      sheet.values.flatMap(({ itemId, stopId }) => {
        const item = profile.items.find(({ id }) => id === itemId);
        return item && stopId !== null && hasStop(item, stopId) ? [[itemId, stopId] as const] : [];
      }),
    ),
  );

/** A set-up with its place in the tree: how many steps from where its tree begins. */
export interface Placed<T> {
  setUp: T;
  depth: number;
  /** The one that it came from, where that is still there. */
  parent: T | undefined;
}

/** Set-ups as a tree, each behind what it came from, the oldest first. One whose origin is gone begins a tree of its own. */
export function asTree<T extends Pick<SetUp, 'id' | 'parentId'>>(setUps: readonly T[]): Placed<T>[] {
  const ids = new Set(setUps.map(({ id }) => id));
  const seen = new Set<string>();
  const below = (parent: T | undefined, depth: number): Placed<T>[] =>
    setUps
      .filter((one) =>
        parent ? one.parentId === parent.id : one.parentId === null || !ids.has(one.parentId),
      )
      .flatMap((setUp) => {
        // Files can say anything: two that come from each other would never end.
        if (seen.has(setUp.id)) return [];
        seen.add(setUp.id);
        return [{ setUp, depth, parent }, ...below(setUp, depth + 1)];
      });
  const placed = below(undefined, 0);
  return [
    ...placed,
    ...setUps.filter(({ id }) => !seen.has(id)).map((setUp) => ({ setUp, depth: 0, parent: undefined })),
  ];
}
