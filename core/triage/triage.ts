/** From what the driver says to the likeliest causes on this rig, each with one change to try. */
import { moveToChoice, moveToNumber, type Situation } from '../advice/verdicts/verdict';
import { itemForSetting, stopById } from '../esc/profile';
import { inOrder } from '../esc/stopOrder';
import type { DrillNumber } from '../physics/drills/drill';
import type { NumberRef } from '../physics/drills/numberIds';
import { DRILLS, drillNumbers } from '../physics/drills/runDrill';
import { VOCABULARY, type SettingId } from '../settings/vocabulary';
import type { CauseRule, Try } from './cause';
import { CAUSES } from './causes/causes';
import type { Seen } from './seen';
import { TROUBLES, type Symptom, type TroubleId } from './symptoms';

/** A change as this ESC can hold it, or something to do elsewhere. */
export type OneChange =
  | { kind: 'move'; words: string; itemId: string; stopId: string }
  | Extract<Try, { kind: 'station' | 'hand' }>;

export interface LikelyCause {
  id: string;
  what: string;
  evidence: string | undefined;
  change: OneChange;
  /** What the change does to the number that tells most; undefined where no drill shows it. */
  effect: { told: NumberRef; before: DrillNumber; after: DrillNumber } | undefined;
  lookFor: string;
  /** Whether more speaks against it than for it. */
  isUnlikely: boolean;
}

/** Answers by question; those who do not know leave one out. */
export type Answers = Readonly<Record<string, string>>;

/** Against an answer: what the rig shows, and what it shows not. */
const EVIDENCE_WEIGHT = 2;
const NO_EVIDENCE_WEIGHT = -1;

/**
 * The causes of a trouble, the likeliest first: those that something on this rig and the driver's answers speak for, and
 * among equals the more usual one. A cause whose setting this ESC does not have, or cannot move that way, is left out.
 */
export function likelyCauses(trouble: TroubleId, answers: Answers, seen: Seen): LikelyCause[] {
  const own = CAUSES[trouble].flatMap((rule) => {
    const change = changeOf(rule.try, seen.situation);
    if (!change) return [];
    const evidence = rule.evidence?.(seen);
    const { id, what, lookFor } = rule;
    const shown = evidence === undefined ? NO_EVIDENCE_WEIGHT : EVIDENCE_WEIGHT;
    const weight = (rule.evidence ? shown : 0) + spokenFor(rule, answers);
    const effect = effectOf(rule, change, seen);
    return [{ weight, cause: { id, what, evidence, change, effect, lookFor, isUnlikely: weight < 0 } }];
  });
  return [
    ...own.toSorted((a, b) => b.weight - a.weight).map(({ cause }) => cause),
    ...atEndpoints(trouble, seen),
  ];
}

/** The troubles that this model can have. */
export function troublesOf({ rig }: Situation): TroubleId[] {
  return (Object.keys(TROUBLES) as TroubleId[]).filter((id) => {
    const { only }: Symptom = TROUBLES[id];
    return (only ?? rig.vehicle.kind) === rig.vehicle.kind && (id !== 'oneMotorLate' || rig.motorCount > 1);
  });
}

/** Answers for less those against. */
function spokenFor({ says = {} }: CauseRule, answers: Answers): number {
  return Object.entries(says)
    .filter(([question]) => answers[question] !== undefined)
    .reduce((sum, [question, those]) => sum + (those.includes(answers[question]!) ? 1 : -1), 0);
}

function changeOf(tried: Try, situation: Situation): OneChange | undefined {
  if (tried.kind === 'station' || tried.kind === 'hand') return tried;
  const itemId = itemForSetting(situation.profile, tried.setting)?.id;
  const stopId = tried.kind === 'step' ? stepped(tried, situation) : setTo(tried, situation);
  if (itemId === undefined || stopId === undefined || stopId === situation.stops[itemId]) return undefined;
  const item = itemForSetting(situation.profile, tried.setting)!;
  const words = `${VOCABULARY[tried.setting].name} ${stopById(item, situation.stops[itemId]!).label} → ${stopById(item, stopId).label}`;
  return { kind: 'move', words, itemId, stopId };
}

function setTo({ setting, to }: { setting: SettingId; to: number | string }, situation: Situation) {
  const [move] =
    typeof to === 'string' ? moveToChoice(situation, setting, to) : moveToNumber(situation, setting, to);
  return move?.kind === 'move' ? move.stopId : undefined;
}

function stepped({ setting, by }: { setting: SettingId; by: 1 | -1 }, { rig, profile, stops }: Situation) {
  const item = itemForSetting(profile, setting);
  if (!item) return undefined;
  const order = inOrder(item, rig.pack.cells);
  return order[order.findIndex(({ id }) => id === stops[item.id]) + by]?.id;
}

function effectOf({ tells }: CauseRule, change: OneChange, seen: Seen): LikelyCause['effect'] {
  const { situation, resolved, behave } = seen;
  if (change.kind !== 'move' || !tells || !(tells[0] in DRILLS[resolved.kind])) return undefined;
  const [drill, id] = tells;
  const told = (stops: Situation['stops']): DrillNumber | undefined =>
    drillNumbers(drill, resolved, behave(stops)).find((one) => one.id === id);
  const before = told(situation.stops);
  const after = told({ ...situation.stops, [change.itemId]: change.stopId });
  return before && after && { told: tells, before, after };
}

/** Troubles of the throttle itself: what Endpoints knows about them. */
function atEndpoints(trouble: TroubleId, seen: Seen): LikelyCause[] {
  if (trouble !== 'willNotArm' && trouble !== 'oneMotorLate') return [];
  return seen.endpoints(trouble === 'willNotArm' ? 'doesNotArm' : 'oneMotorLate').map((cause) => ({
    id: cause.id,
    what: cause.what,
    evidence: cause.evidence,
    change: { kind: 'station', station: 'endpoints', words: cause.test },
    effect: undefined,
    lookFor: trouble === 'willNotArm' ? 'It arms.' : 'Both move off together.',
    isUnlikely: false,
  }));
}
