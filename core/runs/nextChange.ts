/** After a run: one change, with what it is predicted to do. One, because with two nobody knows which it was. */
import type { Situation } from '../advice/verdicts/verdict';
import { verdictsOn } from '../advice/verdicts/verdictsOn';
import type { ProfileItem, StopByItem } from '../esc/profile';
import { stopById } from '../esc/profile';
import { inOrder } from '../esc/stopOrder';
import { entersDrills } from '../physics/howItEnters';
import type { DrillNumber } from '../physics/drills/drill';
import type { NumberRef } from '../physics/drills/numberIds';
import { drillNumbers } from '../physics/drills/runDrill';
import type { VehicleKind } from '../rig/rig';
import { momentName, type MomentId } from '../settings/moments';
import { comparableNumber } from '../settings/value';
import { VOCABULARY } from '../settings/vocabulary';
import type { Seen } from '../triage/seen';
import { TROUBLES, type TroubleId } from '../triage/symptoms';
import { likelyCauses, type Answers, type OneChange } from '../triage/triage';
import { feltMoments, type Felt, type RunNote } from './run';
import { tooHot } from './tooHot';

/** What a change is for. */
export type Aim =
  | { kind: 'moment'; moment: MomentId; wanted: Exclude<Felt, 'right'> }
  | { kind: 'trouble'; trouble: TroubleId };

export interface NextChange {
  aim: Aim;
  /** What the run showed. */
  because: string;
  change: OneChange;
  /** What the model says that it does; undefined where no drill shows it. */
  effect: { told: NumberRef; before: DrillNumber; after: DrillNumber } | undefined;
  lookFor: string;
}

/** A number below this share of itself is not felt as another. From memory. */
const FELT_SHARE = 0.02;
/** A single step that moves a number by more than this is a leap: what moves it less comes first. From memory. */
const LEAP_SHARE = 0.5;

/** A number by which a moment is judged, and which way it goes where the driver wants more. */
type Told = readonly [ref: NumberRef, moreIs: 1 | -1];

/** By which numbers a moment is judged, the best first: where tyres slip, the time over five metres hardly moves. */
const TOLD_BY: Partial<Record<MomentId, Record<VehicleKind, readonly Told[]>>> = {
  pullAway: {
    wheels: [
      [['launch', 'to5'], -1],
      [['launch', 'wheelspin'], 1],
      [['launch', 'peakTorque'], 1],
    ],
    propeller: [[['spoolUp', 'there'], -1]],
  },
  midPull: { wheels: [[['sweep', 'at50'], 1]], propeller: [[['sweep', 'at50'], 1]] },
  flatOut: { wheels: [[['topSpeed', 'top'], 1]], propeller: [[['throttle', 'thrust'], 1]] },
  letGo: { wheels: [[['letGo', 'toWalking'], -1]], propeller: [[['cut', 'stops'], -1]] },
  brake: {
    wheels: [
      [['brake', 'stop'], -1],
      [['brake', 'stopSlow'], -1],
    ],
    propeller: [],
  },
  backUp: { wheels: [[['backUp', 'reverseTop'], 1]], propeller: [] },
};

/**
 * Changes that a run asks for, the first the one to make: what was named wrong, then what got too hot, then what was felt.
 * Each is a single stop. None raises a caution or a hazard that was not there.
 * @param seen the rig with what its ESC holds
 */
export function nextChanges(note: Pick<RunNote, 'felt' | 'troubles' | 'readings'>, seen: Seen): NextChange[] {
  const { rig, profile } = seen.situation;
  const kind = rig.vehicle.kind;
  const named = note.troubles.flatMap((trouble) => fromTrouble(trouble, {}, TROUBLES[trouble].words, seen));
  const hot = tooHot(note.readings, profile).flatMap(({ words, answers }) =>
    fromTrouble('hot', answers, words, seen),
  );
  const felt = feltMoments(kind).flatMap((moment) => {
    const wanted = note.felt[moment];
    return wanted === undefined || wanted === 'right' ? [] : fromMoment(moment, wanted, seen);
  });
  const seenBefore = new Set<string>();
  return [...named, ...hot, ...felt].filter(({ change }) => {
    if (seenBefore.has(change.words)) return false;
    seenBefore.add(change.words);
    return true;
  });
}

function fromTrouble(trouble: TroubleId, answers: Answers, because: string, seen: Seen): NextChange[] {
  return likelyCauses(trouble, answers, seen)
    .filter(
      ({ isUnlikely, change }) => !isUnlikely && !(change.kind === 'move' && raises(seen.situation, change)),
    )
    .map(({ what, change, effect, lookFor }) => ({
      aim: { kind: 'trouble', trouble },
      because: `${sentence(because)} ${sentence(what)}`,
      change,
      effect,
      lookFor,
    }));
}

/** Whether a move brings a caution or a hazard that is not there. No stint is driven for it. */
export function raises(
  situation: Situation,
  { itemId, stopId }: { itemId: string; stopId: string },
): boolean {
  const bare = { ...situation, withoutStint: true };
  const worse = (stops: StopByItem): string[] =>
    verdictsOn({ ...bare, stops })
      .filter(({ grade }) => grade !== 'note')
      .map(({ id }) => id);
  const now = new Set(worse(situation.stops));
  return worse({ ...situation.stops, [itemId]: stopId }).some((id) => !now.has(id));
}

function fromMoment(moment: MomentId, wanted: Exclude<Felt, 'right'>, seen: Seen): NextChange[] {
  const { situation } = seen;
  const { vehicle } = situation.rig;
  const because = `${momentName(moment, vehicle.kind)}: ${wanted} wanted.`;
  const steps = oneStopSteps(moment, situation);
  for (const [ref, moreIs] of TOLD_BY[moment]?.[vehicle.kind] ?? []) {
    const goes = wanted === 'more' ? moreIs : -moreIs;
    const found = steps
      .flatMap((step): (NextChange & { share: number })[] => {
        const effect = effectOn(ref, step, seen);
        const share = effect && shareOf(effect);
        if (share === undefined || share * goes < FELT_SHARE || raises(situation, step)) return [];
        const { item, stopId, isHigher } = step;
        const facts = VOCABULARY[item.setting];
        const change: OneChange = {
          kind: 'move',
          words: `${facts.name} ${labelOf(item, situation.stops)} → ${stopById(item, stopId).label}`,
          itemId: item.id,
          stopId,
        };
        const lookFor = sentence(isHigher ? facts.higher : facts.lower);
        return [
          { aim: { kind: 'moment', moment, wanted }, because, change, effect, lookFor, share: share * goes },
        ];
      })
      .toSorted((a, b) => Number(a.share > LEAP_SHARE) - Number(b.share > LEAP_SHARE) || b.share - a.share);
    if (found.length > 0) return found.map(({ share: _, ...change }) => change);
  }
  return [];
}

interface OneStop {
  item: ProfileItem;
  itemId: string;
  stopId: string;
  isHigher: boolean;
}

/** One stop down or up on everything that is felt at a moment and has an order. */
function oneStopSteps(moment: MomentId, { rig, profile, stops }: Situation): OneStop[] {
  return profile.items
    .filter(({ setting }) => VOCABULARY[setting].moment === moment && entersDrills(setting))
    .flatMap((item) => {
      const cells = rig.pack.cells;
      const order = inOrder(item, cells).filter(({ value }) => comparableNumber(value, cells) !== undefined);
      const at = order.findIndex(({ id }) => id === stops[item.id]);
      if (at < 0) return [];
      return [-1, 1].flatMap((by) => {
        const stop = order[at + by];
        return stop ? [{ item, itemId: item.id, stopId: stop.id, isHigher: by > 0 }] : [];
      });
    });
}

function effectOn(
  ref: NumberRef,
  step: OneStop,
  { situation, resolved, behave }: Seen,
): NextChange['effect'] {
  const [drill, id] = ref;
  const told = (stops: StopByItem): DrillNumber | undefined =>
    drillNumbers(drill, resolved, behave(stops)).find((one) => one.id === id);
  const before = told(situation.stops);
  const after = told({ ...situation.stops, [step.itemId]: step.stopId });
  return before && after && { told: ref, before, after };
}

/** By which share of itself a number moves; undefined where it is not reached. */
function shareOf({ before, after }: { before: DrillNumber; after: DrillNumber }): number | undefined {
  if (before.value === undefined || after.value === undefined) return undefined;
  return (after.value - before.value) / Math.max(Math.abs(before.value), 10 ** -before.decimals);
}

const labelOf = (item: ProfileItem, stops: StopByItem): string => stopById(item, stops[item.id]!).label;
const sentence = (words: string): string =>
  `${words.charAt(0).toUpperCase()}${words.slice(1)}${words.endsWith('.') ? '' : '.'}`;
