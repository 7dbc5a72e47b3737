/** Any two sets of values side by side, grouped by the moment in which each is felt. */
import {
  hasStop,
  itemForSetting,
  nameOf,
  stopById,
  type EscProfile,
  type ProfileItem,
  type Stop,
  type StopByItem,
} from '../esc/profile';
import { HAND_VALUE_KEYS, HAND_VALUES, type HandValueKey, type HandValues } from '../rig/handValues';
import type { VehicleKind } from '../rig/rig';
import { momentsOf, type MomentId } from '../settings/moments';
import { describeValue } from '../settings/value';
import { VOCABULARY, type SettingId } from '../settings/vocabulary';
import type { Reasons } from '../sheet/draft';
import { plainWords } from '../units/text';
import type { Conditions } from './conditions';

/** One of the two: what an ESC holds, a draft, a set-up, a sheet, factory values. */
export interface Side {
  /** As it is called above its column. */
  title: string;
  profile: EscProfile;
  /** What it does not say is left out. */
  stops: StopByItem;
  byHand: HandValues;
  reasons: Reasons;
  /** Null where nobody wrote them down. */
  conditions: Conditions | null;
}

/** A value of one side in words. */
export interface Cell {
  /** As printed on its ESC. */
  label: string;
  /** What it means, where that is not what is printed; empty where it is. */
  meaning: string;
  reason: string;
}

export interface ComparedRow {
  key: string;
  /** Of what hands change there is neither setting nor moment. */
  setting: SettingId | null;
  moment: MomentId | null;
  name: string;
  /** Null where a side does not say, or its ESC has no such item. */
  left: Cell | null;
  right: Cell | null;
  /** `unsure` where the sizes of two ESCs cannot be held against each other. */
  verdict: 'same' | 'differs' | 'unsure';
  /** What taking over the right side's value would draft on the left; null where that is not a value of the left ESC. */
  adopts:
    | { kind: 'stop'; itemId: string; stopId: string }
    | { kind: 'byHand'; key: HandValueKey; value: number }
    | null;
}

/**
 * Compares two sides. Of one kind of ESC item by item, of two kinds by meaning: item numbers and labels mean something else there.
 * @param kind of the model of the left side: it says in which order the moments come
 * @param byMeaning whether even two of one kind are compared by meaning, since others stand beside them
 */
export function compareSides(
  left: Side,
  right: Side,
  kind: VehicleKind,
  byMeaning = left.profile.id !== right.profile.id,
): ComparedRow[] {
  const ofEsc = byMeaning ? otherEscRows(left, right) : sameEscRows(left, right);
  const order = momentsOf(kind);
  const place = ({ moment }: ComparedRow): number => (moment === null ? order.length : order.indexOf(moment));
  return [...ofEsc.toSorted((a, b) => place(a) - place(b)), ...byHandRows(left, right)];
}

function sameEscRows(left: Side, right: Side): ComparedRow[] {
  return left.profile.items.flatMap((item): ComparedRow[] => {
    const [l, r] = [left, right].map(({ stops }) => stopIn(item, stops[item.id]));
    if (!l && !r) return [];
    const adopts =
      r && !item.commandStopIds.includes(r.id)
        ? { kind: 'stop' as const, itemId: item.id, stopId: r.id }
        : null;
    return [
      {
        key: item.id,
        setting: item.setting,
        moment: VOCABULARY[item.setting].moment,
        name: nameOf(item),
        left: cellOf(left, item, l),
        right: cellOf(right, item, r),
        verdict: l?.id === r?.id ? 'same' : 'differs',
        adopts,
      },
    ];
  });
}

/** A stop that this revision has; another may have had more. */
const stopIn = (item: ProfileItem, stopId: string | undefined): Stop | undefined =>
  stopId !== undefined && hasStop(item, stopId) ? stopById(item, stopId) : undefined;

const cellOf = (side: Side, item: ProfileItem, stop: Stop | undefined): Cell | null => {
  if (!stop) return null;
  const meaning = describeValue(VOCABULARY[item.setting], stop.value);
  const isPrinted = plainWords(meaning) === plainWords(stop.label) || stop.value.kind === 'label';
  return { label: stop.label, meaning: isPrinted ? '' : meaning, reason: side.reasons[item.id] ?? '' };
};

function otherEscRows(left: Side, right: Side): ComparedRow[] {
  const settings = new Set(
    [...left.profile.items, ...right.profile.items]
      .map(({ setting }) => setting)
      .filter((id) => id !== 'other'),
  );
  return [...settings].flatMap((setting): ComparedRow[] => {
    const [mine, theirs] = [left, right].map((side) => {
      const item = itemForSetting(side.profile, setting);
      const stop = item && stopIn(item, side.stops[item.id]);
      return item && stop ? { item, stop, cell: cellOf(side, item, stop) } : undefined;
    });
    if (!mine && !theirs) return [];
    return [
      {
        key: setting,
        setting,
        moment: VOCABULARY[setting].moment,
        name: VOCABULARY[setting].name,
        left: mine?.cell ?? null,
        right: theirs?.cell ?? null,
        verdict: mine && theirs ? meantAlike(left.profile.id === right.profile.id, mine, theirs) : 'differs',
        // Taking it over is a translation, and has a page of its own.
        adopts: null,
      },
    ];
  });
}

interface OfItem {
  item: ProfileItem;
  stop: Stop;
}

function meantAlike(isOneKind: boolean, mine: OfItem, theirs: OfItem): ComparedRow['verdict'] {
  if (isOneKind) return mine.stop.id === theirs.stop.id ? 'same' : 'differs';
  const sizes = [mine, theirs].filter(({ stop }) => stop.value.kind === 'number');
  // What somebody supposed of one level says nothing of another maker's.
  if (sizes.some(({ stop }) => stop.basis === 'assumed')) return 'unsure';
  if ([mine, theirs].some(({ stop }) => stop.value.kind === 'label')) return 'unsure';
  const [a, b] = [mine, theirs].map(({ item, stop }) => describeValue(VOCABULARY[item.setting], stop.value));
  return a === b ? 'same' : 'differs';
}

function byHandRows(left: Side, right: Side): ComparedRow[] {
  return HAND_VALUE_KEYS.flatMap((key): ComparedRow[] => {
    const [l, r] = [left.byHand[key], right.byHand[key]];
    if (l === undefined && r === undefined) return [];
    const { name, unit } = HAND_VALUES[key];
    const cell = (side: Side, value: number | undefined): Cell | null =>
      value === undefined
        ? null
        : { label: `${value}\u00a0${unit}`, meaning: '', reason: side.reasons[key] ?? '' };
    return [
      {
        key,
        setting: null,
        moment: null,
        name,
        left: cell(left, l),
        right: cell(right, r),
        verdict: l === r ? 'same' : 'differs',
        adopts: r === undefined || l === undefined ? null : { kind: 'byHand', key, value: r },
      },
    ];
  });
}
