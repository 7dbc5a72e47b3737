/**
 * Judges what was done, stroke by stroke. It knows no list of mistakes: a slip is a stroke that stores what is not wanted,
 * after which more is left to do than before by the plan from there, or after which a motor turns. Its kind is read off the
 * machine.
 */
import { triggerSignal } from '../device/simulatedEsc';
import type { KeyId } from '../procedure/language';
import { stateOf } from '../procedure/step';
import type { LearnedRange } from '../radio/pulse';
import { ahead, learnerSeconds, type Ahead, type CannotPlan } from './ahead';
import { elapsedMs, type Step } from './steps';
import type { PracticeBench } from './bench';
import { isPassed, isRangeRight, type Lesson } from './lesson';
import type { Rehearsal } from './rehearsal';
import { strokesOf, type Stroke } from './strokes';

/** What a slip comes to, whatever led to it. */
export const SLIP_KINDS = {
  setOther: 'set something else',
  setFactory: 'set everything to the factory’s values',
  learnedOther: 'taught a wrong end point',
  notKept: 'left a value before it was stored',
  turned: 'moved the throttle while the motor could run',
  misread: 'read it wrongly',
  guessed: 'said it before it was shown',
  refused: 'was refused',
  fellThrough: 'stayed too long, and fell into another mode',
  missed: 'let the moment go by',
  letGoEarly: 'let go too soon',
  openedOther: 'opened another item',
  tooFar: 'went too far',
  powerCut: 'switched off on the way',
  radioMoved: 'changed the radio for the worse',
  astray: 'took another way',
} as const;
export type SlipKind = keyof typeof SLIP_KINDS;

export interface StopChange {
  itemId: string;
  fromStopId: string;
  toStopId: string;
}

export interface Slip {
  kind: SlipKind;
  /** When it happened, ms since the beginning. */
  atMs: number;
  /** What the ESC holds since then, and should not. */
  changes: StopChange[];
  range: { before: LearnedRange; after: LearnedRange } | undefined;
  /** The item that it is about, where there is one. */
  itemId: string | undefined;
  /** What it costs to get back, s; undefined where no plan leads on. */
  lostSeconds: number | undefined;
  stroke: Stroke;
  /** What was due instead. */
  due: Step | undefined;
}

export interface Judgement {
  passed: boolean;
  slips: Slip[];
  seconds: number;
  /** What the plan takes, with time to think for each step. */
  planSeconds: number | undefined;
}

/** The whole rehearsal, when it is over or given up. */
export function judge({ lesson, bench, moments }: Omit<Rehearsal, 'troubles'>): Judgement {
  const plan = ahead(lesson, lesson.start);
  return {
    passed: isPassed(lesson, bench),
    slips: strokesOf(moments).flatMap((stroke) => slipIn(lesson, stroke) ?? []),
    seconds: bench.atMs / 1000,
    planSeconds: typeof plan === 'string' ? undefined : learnerSeconds(plan),
  };
}

/** More than this a stroke of the plan never leaves to do, s: ties between ways, and the time of a press. */
export const TOLERANCE_S = 0.4;

/** The slip in a stroke; undefined where it was none, or nobody's doing. */
export function slipIn(lesson: Lesson, stroke: Stroke): Slip | undefined {
  if (stroke.byItself) return undefined;
  const { before, after } = stroke;
  const plan = ahead(lesson, before);
  const lost = secondsLost(plan, ahead(lesson, after));
  const due = typeof plan === 'string' ? undefined : plan.steps[0];
  const facts: Facts = {
    lesson,
    stroke,
    lost,
    due,
    changes: changesIn(lesson, stroke, due),
    isWorse: lost > TOLERANCE_S,
  };
  const kind = KINDS.find(([, is]) => is(facts))?.[0];
  if (!kind) return undefined;
  const [a, b] = [before.esc.config.memory.range, after.esc.config.memory.range];
  return {
    kind,
    atMs: stroke.atMs,
    changes: facts.changes,
    range: a !== b && !isRangeRight(lesson, b) ? { before: a, after: b } : undefined,
    itemId: facts.changes[0]?.itemId ?? itemOf(stroke),
    lostSeconds: Number.isFinite(lost) ? Math.max(0, lost) : undefined,
    stroke,
    due,
  };
}

function secondsLost(before: Ahead | CannotPlan, after: Ahead | CannotPlan): number {
  if (typeof before === 'string') return 0;
  return typeof after === 'string' ? Infinity : after.seconds - before.seconds;
}

interface Facts {
  lesson: Lesson;
  stroke: Stroke;
  lost: number;
  due: Step | undefined;
  changes: StopChange[];
  /** Whether more is left to do than before. */
  isWorse: boolean;
}

/** The kinds in the order in which they matter: the first that holds is what is said. */
const KINDS: readonly (readonly [SlipKind, (facts: Facts) => boolean])[] = [
  ['turned', turns],
  ['setFactory', (facts) => facts.changes.length > 0 && hears(facts, 'reset')],
  ['setOther', ({ changes }) => changes.length > 0],
  ['learnedOther', learnsOther],
  ['misread', misreads],
  ['guessed', guesses],
  ['radioMoved', ({ isWorse, stroke }) => isWorse && isOf(stroke, 'radio', 'hold')],
  ['notKept', (facts) => facts.isWorse && leavesUnkept(facts)],
  ['fellThrough', (facts) => facts.isWorse && fallsThrough(facts)],
  ['missed', ({ isWorse, stroke }) => isWorse && isOf(stroke, 'wait')],
  ['letGoEarly', (facts) => letsGoEarly(facts)],
  ['refused', (facts) => facts.lost > -TOLERANCE_S && hears(facts, 'warning') && !isWaitedFor(facts)],
  ['powerCut', ({ isWorse, stroke }) => isWorse && cutsPower(stroke)],
  ['openedOther', (facts) => facts.isWorse && opensOther(facts)],
  ['tooFar', (facts) => facts.isWorse && movesOn(facts)],
  ['astray', ({ isWorse }) => isWorse],
];

/** Items that hold something else than before, and than they should: unless the plan leads through it, as to another menu. */
function changesIn({ target }: Lesson, { before, after }: Stroke, due: Step | undefined): StopChange[] {
  const [a, b] = [before.esc.config.memory.stops, after.esc.config.memory.stops];
  const planned = due?.kind === 'gesture' ? due.gesture.end.memory.stops : a;
  return Object.keys(target.stops)
    .filter((id) => a[id] !== b[id] && b[id] !== target.stops[id] && b[id] !== planned[id])
    .map((itemId) => ({ itemId, fromStopId: a[itemId]!, toStopId: b[itemId]! }));
}

const isOf = ({ moments }: Stroke, ...deeds: string[]): boolean =>
  moments.every(({ deed }) => deeds.includes(deed.do));

const hears = ({ stroke }: Facts, tone: 'warning' | 'reset'): boolean =>
  stroke.observed.some((cue) => cue.type === 'tone' && cue.tone === tone);

/** A buzz that belongs to the plan, as where the ESC asks if one is sure. */
const isWaitedFor = ({ due }: Facts): boolean =>
  due?.kind === 'gesture' &&
  due.gesture.observed.some((cue) => cue.type === 'tone' && cue.tone === 'warning');

function turns({ lesson, stroke: { before, after } }: Facts): boolean {
  const isMeant = lesson.travel && !before.sawFull;
  return !isMeant && triggerSignal(before.esc) === 0 && triggerSignal(after.esc) !== 0;
}

function learnsOther({ lesson, stroke: { before, after } }: Facts): boolean {
  const { range } = after.esc.config.memory;
  return range !== before.esc.config.memory.range && !isRangeRight(lesson, range);
}

function misreads({ stroke: { moments, after } }: Facts): boolean {
  const { stops } = after.esc.config.memory;
  return moments.some(({ deed }) => deed.do === 'tell' && stops[deed.itemId] !== deed.stopId);
}

function guesses({ stroke: { moments, before } }: Facts): boolean {
  return moments.some(({ deed }) => deed.do === 'tell' && before.shown[deed.itemId] !== deed.stopId);
}

const showsStop = ({ esc: { machine, config } }: PracticeBench): boolean =>
  stateOf(machine, config).cues.some((cue) => 'of' in cue && cue.of === 'stop');

/** The stop that is shown and would be stored; undefined where none is. */
function shownStop(bench: PracticeBench): StopChange | undefined {
  const { machine, config } = bench.esc;
  const item = machine.menu[config.itemCursor];
  const stopId = item?.stopIds[config.stopCursor];
  const fromStopId = item && config.memory.stops[item.itemId];
  if (!showsStop(bench) || !item || !stopId || !fromStopId || stopId === fromStopId) return undefined;
  return { itemId: item.itemId, fromStopId, toStopId: stopId };
}

function leavesUnkept({ lesson, stroke: { before, after } }: Facts): boolean {
  const shown = shownStop(before);
  if (!shown || lesson.target.stops[shown.itemId] !== shown.toStopId) return false;
  const still = shownStop(after);
  return still?.itemId !== shown.itemId;
}

function fallsThrough({ stroke: { before, after } }: Facts): boolean {
  const role = ({ esc }: PracticeBench) => stateOf(esc.machine, esc.config).role;
  const into = role(after);
  return (
    role(before) === 'calibrating' && (into === 'inToneMenu' || into === 'unarmed' || into === 'driving')
  );
}

/** A key was due to be held for longer. */
function letsGoEarly({ stroke: { moments }, due, lost }: Facts): boolean {
  if (due?.kind !== 'gesture') return false;
  const { gesture } = due;
  if (gesture.kind !== 'hold' && gesture.kind !== 'holdAndSwitchOn') return false;
  const wasHeld = moments.reduce((sum, { deed }) => sum + (deed.do === 'wait' ? deed.ms : 0), 0);
  return keysIn(moments).includes(gesture.key) && wasHeld < elapsedMs(gesture.inputs) && lost > -TOLERANCE_S;
}

const keysIn = (moments: Stroke['moments']): KeyId[] =>
  moments.flatMap(({ deed }) => (deed.do === 'esc' && deed.input.type === 'down' ? [deed.input.key] : []));

const cutsPower = ({ moments }: Stroke): boolean =>
  moments.some(({ deed }) => deed.do === 'esc' && deed.input.type === 'power' && !deed.input.on);

function opensOther({ stroke: { before, after } }: Facts): boolean {
  return !showsStop(before) && showsStop(after);
}

function movesOn({ stroke: { before, after } }: Facts): boolean {
  const [a, b] = [before.esc.config, after.esc.config];
  return a.itemCursor !== b.itemCursor || (showsStop(before) && a.stopCursor !== b.stopCursor);
}

function itemOf({ before, moments }: Stroke): string | undefined {
  const told = moments.flatMap(({ deed }) => (deed.do === 'tell' ? [deed.itemId] : []))[0];
  if (told !== undefined) return told;
  const { machine, config } = before.esc;
  const { medium, role } = stateOf(machine, config);
  return medium !== undefined || role === 'showingStored'
    ? machine.menu[config.itemCursor]?.itemId
    : undefined;
}
