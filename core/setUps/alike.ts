/** Several rigs or ESCs that ought to be alike, held against the first of them, by meaning where they are of two kinds. */
import { escBehaviour } from '../physics/escChain';
import type { NumberRef } from '../physics/drills/numberIds';
import { drillNumbers } from '../physics/drills/runDrill';
import { itemForSetting, type EscProfile, type Stop, type StopByItem } from '../esc/profile';
import { inOrder } from '../esc/stopOrder';
import type { LearnedRange } from '../radio/pulse';
import type { Goals } from '../advice/goals';
import { resolveRig } from '../rig/resolve';
import type { Rig, VehicleKind } from '../rig/rig';
import type { MomentId } from '../settings/moments';
import { comparableNumber } from '../settings/value';
import type { SettingId } from '../settings/vocabulary';
import { compareSides, type Cell, type ComparedRow, type Side } from './compare';
import { hazardsOf } from './hazards';
import { KIN, NOT_CARRIED } from './kin';

export interface AlikeRow {
  key: string;
  name: string;
  moment: MomentId | null;
  /** Of the one that the others are held against. */
  first: Cell | null;
  /** In the order of the others. */
  others: { cell: Cell | null; verdict: ComparedRow['verdict'] }[];
}

/** The table of several sides. @param sides at least one; the first is what the others should be like */
export function alikeRows(sides: readonly Side[], kind: VehicleKind): AlikeRow[] {
  const [first, ...others] = sides;
  const byMeaning = others.some(({ profile }) => profile.id !== first!.profile.id);
  const compared = others.map((other) =>
    compareSides(first!, other, kind, byMeaning).filter(({ setting }) => !isItsOwn(setting)),
  );
  const keys = [...new Set(compared.flatMap((rows) => rows.map(({ key }) => key)))];
  return keys.map((key): AlikeRow => {
    const rows = compared.map((its) => its.find((row) => row.key === key));
    const { name, moment } = rows.find((row) => row !== undefined)!;
    const cell = rows.find((row) => row?.left)?.left ?? null;
    return {
      key,
      name,
      moment,
      first: cell,
      others: rows.map((row) => ({
        cell: row?.right ?? null,
        // Neither side says anything: nothing differs.
        verdict: row?.verdict ?? (cell === null ? 'same' : 'differs'),
      })),
    };
  });
}

/** What belongs to one model's wires need not be alike. */
export const isItsOwn = (setting: SettingId | null): boolean =>
  setting !== null && NOT_CARRIED[setting] !== undefined;

/** What another model does that this one should feel like: whatever of it is known. */
export interface Target {
  name: string;
  /** On the supply bus, V. */
  busVolts: number | null;
  /** From walking pace, m. */
  stopM: number | null;
  /** The first five metres, s. */
  launchS: number | null;
  /** Share of the weight on the front wheels, %. */
  frontPercent: number | null;
}

/** Rigs that ought to be alike: a twin, a pair of cars, a club's hire fleet. */
export interface AlikeGroup {
  name: string;
  /** The first is the one that the others are held against. */
  rigIds: string[];
  /** A model without an ESC of its own here; null where there is none. */
  target: Target | null;
}

/** A number of a target that an ESC can be set to. */
export type TargetKey = 'busVolts' | 'stopM' | 'launchS';

interface Reached {
  setting: readonly SettingId[];
  measure: NumberRef | null;
}

const REACHED_BY: Readonly<Record<TargetKey, Reached>> = {
  busVolts: { setting: ['becVolts'], measure: null },
  stopM: { setting: ['brakeStrength'], measure: ['brake', 'stopSlow'] },
  launchS: { setting: ['launchStrength', ...KIN.launchStrength!], measure: ['launch', 'to5'] },
};

/** What a rig does beside a wanted number, and the stop that comes closest to it. */
export interface Nearness {
  key: TargetKey;
  wanted: number;
  /** As it is; undefined where no drill tells. */
  now: number | undefined;
  /** Undefined where its ESC cannot be set to it, or what would come closest would be a hazard. */
  closest: { itemId: string; itemLabel: string; stop: Stop; reached: number } | undefined;
}

export interface Like {
  rig: Rig;
  goals: Goals;
  profile: EscProfile;
  /** What it holds, every item. */
  stops: StopByItem;
  range: LearnedRange;
}

/** How near a rig is to a target, number by number. Never offers a stop that brings a hazard. */
export const nearTo = (like: Like, target: Target): Nearness[] =>
  (Object.keys(REACHED_BY) as TargetKey[]).flatMap((key): Nearness[] => {
    const wanted = target[key];
    if (wanted === null || (key !== 'busVolts' && like.rig.vehicle.kind !== 'wheels')) return [];
    return [{ key, wanted, now: reachedWith(like, key, like.stops), closest: closestTo(like, key, wanted) }];
  });

function closestTo(like: Like, key: TargetKey, wanted: number): Nearness['closest'] {
  const { rig, profile, stops, goals } = like;
  const item = REACHED_BY[key].setting
    .map((setting) => itemForSetting(profile, setting))
    .find((one) => one !== undefined);
  if (!item) return undefined;
  const before = new Set(hazardsOf(rig, like, stops, goals).map(({ id }) => id));
  const tried = inOrder(item, rig.pack.cells).flatMap((stop) => {
    const its = { ...stops, [item.id]: stop.id };
    const reached = reachedWith(like, key, its);
    return reached === undefined ? [] : [{ stop, its, reached }];
  });
  const best = tried
    .toSorted((a, b) => Math.abs(a.reached - wanted) - Math.abs(b.reached - wanted))
    .find(({ its }) => hazardsOf(rig, like, its, goals).every(({ id }) => before.has(id)));
  const present = tried.find(({ stop }) => stop.id === stops[item.id]);
  // What no watch and no tape tells apart is no reason to change anything.
  const isLike =
    present && best && Math.abs(best.reached - present.reached) <= TOLD_APART * Math.abs(present.reached);
  const chosen = isLike ? present : best;
  return chosen && { itemId: item.id, itemLabel: item.label, stop: chosen.stop, reached: chosen.reached };
}

/** As a share of what is reached; from memory. */
const TOLD_APART = 0.02;

function reachedWith(
  { rig, goals, profile, range }: Like,
  key: TargetKey,
  stops: StopByItem,
): number | undefined {
  const { measure } = REACHED_BY[key];
  if (measure === null) {
    const item = itemForSetting(profile, 'becVolts');
    const stop = item?.stops.find(({ id }) => id === stops[item.id]);
    return stop && comparableNumber(stop.value, rig.pack.cells);
  }
  const [drill, id] = measure;
  return drillNumbers(
    drill,
    resolveRig(rig, profile, goals.use),
    escBehaviour(profile, stops, rig.channel, range, rig.pack.cells),
  ).find((number) => number.id === id)?.value;
}
