/** How a day stands after some of its runs: who is free when, what is charged, what each ESC holds. A move makes a new one. */
import {
  loadMinutes,
  type DayPlan,
  type DayProblem,
  type Minute,
  type PlannedStep,
  type WaitsFor,
} from './dayProblem';

/** A stretch in which something else may not be. */
interface Span {
  from: Minute;
  to: Minute;
}

/** A problem with what the search asks for over and over looked up once. */
export interface Prepared extends DayProblem {
  /** By the place of a question: the place of its rig. */
  rigOf: readonly number[];
  /** By the place of a question: the places of the packs that may drive its rig. */
  packsOf: readonly (readonly number[])[];
  /** By the place of a pack: equal where nothing but its charge tells two packs apart. */
  kindOf: readonly string[];
}

export const prepared = (problem: DayProblem): Prepared => ({
  ...problem,
  rigOf: problem.questions.map(({ rigId }) => problem.rigs.findIndex(({ id }) => id === rigId)),
  packsOf: problem.questions.map(({ rigId }) =>
    problem.packs.flatMap(({ fits }, place) => (fits.includes(rigId) ? [place] : [])),
  ),
  kindOf: problem.packs.map(({ fits, firstChargeMinutes, chargeMinutes, restMinutes }) =>
    [fits.toSorted(), firstChargeMinutes, chargeMinutes, restMinutes].join(' '),
  ),
});

export interface DayState {
  driverFree: Minute;
  /** By the place of the rig: when it is cool, what it holds, and its question that is begun, by place; -1 where none is. */
  coolAt: readonly Minute[];
  holds: readonly string[];
  open: readonly number[];
  /** By the place of the question: how many of its runs are driven, and with which pack last, by place; -1 with none. */
  driven: readonly number[];
  pack: readonly number[];
  /** By the place of the pack: charged and ready from a time, or used and cool enough for the charger from a time. */
  isCharged: readonly boolean[];
  /** By the place of the pack: whether it lies as it was found. */
  isAsFound: readonly boolean[];
  readyAt: readonly Minute[];
  chargerFree: readonly Minute[];
  loadCount: number;
  firstAnswerAt: Minute | null;
  /** What was done last, and what before it. */
  last: Move | ChargeAhead | undefined;
  before: DayState | undefined;
}

/** One run, with the charge and the load that it needs first. */
export interface Move {
  place: number;
  packPlace: number;
  charge: (Span & { charger: number }) | undefined;
  load: (Span & { holds: string }) | undefined;
  from: Minute;
  to: Minute;
  waitsFor: WaitsFor | null;
}

/** A pack that is put on the charger before its run is decided. */
interface ChargeAhead {
  packPlace: number;
  charge: Span & { charger: number };
}

export function stateAtStart({ rigs, packs, questions, chargers, startsAt }: Prepared): DayState {
  return {
    driverFree: startsAt,
    coolAt: rigs.map(({ coolAt }) => coolAt),
    holds: rigs.map(({ holds }) => holds),
    open: rigs.map(({ id }) => questions.findIndex(({ rigId, isBegun }) => isBegun && rigId === id)),
    driven: questions.map(() => 0),
    pack: questions.map(({ begunWith }) => packs.findIndex(({ id }) => id === begunWith)),
    isCharged: packs.map(({ isCharged }) => isCharged),
    isAsFound: packs.map(() => true),
    readyAt: packs.map(({ readyAt }) => Math.max(readyAt, startsAt)),
    chargerFree: chargers.map((free) => Math.max(free, startsAt)),
    loadCount: 0,
    firstAnswerAt: null,
    last: undefined,
    before: undefined,
  };
}

/** Whether a question may be driven next on its rig: another that was begun there comes first. */
export function mayDrive({ questions, rigOf }: Prepared, state: DayState, place: number): boolean {
  const open = state.open[rigOf[place]!]!;
  return state.driven[place]! < questions[place]!.runs.length && (open === -1 || open === place);
}

/**
 * The next run of a question on a pack, as soon as it can be: a pack that is not charged goes on the charger that is free first.
 * @returns undefined where the pack would have to be charged, and there is no charger
 */
export function nextMove(
  problem: Prepared,
  state: DayState,
  place: number,
  packPlace: number,
): Move | undefined {
  const { questions, rigOf, rigs, loads, swapMinutes, chargersWatched } = problem;
  const { runs, runMinutes } = questions[place]!;
  const rigPlace = rigOf[place]!;
  const held = state.holds[rigPlace]!;
  const { holds } = runs[state.driven[place]!]!;
  const loading = loadMinutes(loads, rigs[rigPlace]!.id, held, holds);
  const charge = state.isCharged[packPlace] ? undefined : chargeOf(problem, state, packPlace);
  if (!state.isCharged[packPlace] && !charge) return undefined;
  const atHand = state.driverFree + loading + swapMinutes;
  const motor = state.coolAt[rigPlace]!;
  const pack = charge?.to ?? state.readyAt[packPlace]!;
  const earliest = Math.max(atHand, motor, pack);
  const from = chargersWatched
    ? earliest
    : clearOf([...chargesUpTo(state), ...(charge ? [charge] : [])], earliest, runMinutes);
  return {
    place,
    packPlace,
    charge,
    load: held === holds ? undefined : { from: state.driverFree, to: state.driverFree + loading, holds },
    from,
    to: from + runMinutes,
    waitsFor: waitsFor({ from, earliest, atHand, motor, pack }),
  };
}

function waitsFor(at: Record<'from' | 'earliest' | 'atHand' | 'motor' | 'pack', Minute>): WaitsFor | null {
  if (at.from > at.earliest) return 'charger';
  if (at.earliest === at.atHand) return null;
  return at.motor >= at.pack ? 'motor' : 'pack';
}

function chargeOf(
  { packs, chargersWatched }: Prepared,
  state: DayState,
  packPlace: number,
): (Span & { charger: number }) | undefined {
  if (state.chargerFree.length === 0) return undefined;
  const charger = state.chargerFree.indexOf(Math.min(...state.chargerFree));
  const pack = packs[packPlace]!;
  const minutes = state.isAsFound[packPlace] ? pack.firstChargeMinutes : pack.chargeMinutes;
  const earliest = Math.max(state.readyAt[packPlace]!, state.chargerFree[charger]!);
  const from = chargersWatched ? earliest : clearOf(runsUpTo(state), earliest, minutes);
  return { charger, from, to: from + minutes };
}

/** The day after a pack was put on the charger ahead of its run; undefined where there is no charger. */
export function chargedAhead(problem: Prepared, state: DayState, packPlace: number): DayState | undefined {
  const charge = chargeOf(problem, state, packPlace);
  if (!charge) return undefined;
  return {
    ...state,
    isCharged: changed(state.isCharged, packPlace, true),
    isAsFound: changed(state.isAsFound, packPlace, false),
    readyAt: changed(state.readyAt, packPlace, charge.to),
    chargerFree: changed(state.chargerFree, charge.charger, charge.to),
    last: { packPlace, charge },
    before: state,
  };
}

/** The day after a move. @param answers whether the question is one of the most important */
export function after(problem: Prepared, state: DayState, move: Move, answers: boolean): DayState {
  const { questions, rigOf, rigs, packs, noteMinutes } = problem;
  const { place, packPlace, charge, load, to } = move;
  const rigPlace = rigOf[place]!;
  const driven = state.driven[place]! + 1;
  const isLast = driven === questions[place]!.runs.length;
  const driverFree = to + noteMinutes;
  return {
    driverFree,
    coolAt: changed(state.coolAt, rigPlace, to + rigs[rigPlace]!.coolMinutes),
    holds: load ? changed(state.holds, rigPlace, load.holds) : state.holds,
    open: changed(state.open, rigPlace, isLast ? -1 : place),
    driven: changed(state.driven, place, driven),
    pack: changed(state.pack, place, packPlace),
    isCharged: changed(state.isCharged, packPlace, false),
    isAsFound: changed(state.isAsFound, packPlace, false),
    readyAt: changed(state.readyAt, packPlace, to + packs[packPlace]!.restMinutes),
    chargerFree: charge ? changed(state.chargerFree, charge.charger, charge.to) : state.chargerFree,
    loadCount: state.loadCount + (load ? 1 : 0),
    firstAnswerAt: state.firstAnswerAt ?? (isLast && answers ? driverFree : null),
    last: move,
    before: state,
  };
}

/** @returns a copy with one place changed */
function changed<T>(all: readonly T[], place: number, value: T): T[] {
  const copy = all.slice();
  copy[place] = value;
  return copy;
}

/** Putting back what every ESC held, one after the other. */
export function putBacks(problem: DayProblem, { holds, driverFree }: DayState): PlannedStep[] {
  const steps: PlannedStep[] = [];
  let from = driverFree;
  for (const [place, { id, returnsTo }] of problem.rigs.entries()) {
    if (holds[place] === returnsTo) continue;
    const to = from + loadMinutes(problem.loads, id, holds[place]!, returnsTo);
    steps.push({ kind: 'load', rigId: id, holds: returnsTo, questionId: null, from, to });
    from = to;
  }
  return steps;
}

/** What was done up to a state, the first first. */
function doneUpTo(state: DayState): (Move | ChargeAhead)[] {
  const moves: (Move | ChargeAhead)[] = [];
  for (let at: DayState | undefined = state; at?.last; at = at.before) moves.push(at.last);
  return moves.toReversed();
}
const runsUpTo = (state: DayState): Move[] => doneUpTo(state).filter((done): done is Move => 'place' in done);
const chargesUpTo = (state: DayState): Span[] => doneUpTo(state).flatMap(({ charge }) => charge ?? []);

/** The earliest time from which something lasts so long without meeting any of these. */
function clearOf(spans: readonly Span[], earliest: Minute, minutes: number): Minute {
  let from = earliest;
  for (const span of spans.toSorted((a, b) => a.from - b.from))
    if (span.from < from + minutes && from < span.to) from = span.to;
  return from;
}

/** All that is done up to a state, with what is put back, in the order in which it begins. */
export function stepsOf(problem: Prepared, state: DayState): DayPlan['steps'] {
  const ofMoves = doneUpTo(state).flatMap((move): PlannedStep[] => {
    const packId = problem.packs[move.packPlace]!.id;
    if (!('place' in move)) return [{ kind: 'charge', packId, ...move.charge }];
    const { id: questionId, rigId, runs } = problem.questions[move.place]!;
    const { charge, load, from, to } = move;
    const side = runs[sideOf(state, move)]!.side;
    return [
      ...(charge ? [{ kind: 'charge' as const, packId, ...charge }] : []),
      ...(load ? [{ kind: 'load' as const, rigId, questionId, ...load }] : []),
      { kind: 'run', rigId, questionId, side, packId, from, to, waitsFor: move.waitsFor },
    ];
  });
  const kinds = ['charge', 'load', 'run'];
  return [...ofMoves, ...putBacks(problem, state)].toSorted(
    (a, b) => a.from - b.from || kinds.indexOf(a.kind) - kinds.indexOf(b.kind) || a.to - b.to,
  );
}

/** Which run of its question a move was. */
const sideOf = (end: DayState, move: Move): number =>
  runsUpTo(end)
    .filter(({ place }) => place === move.place)
    .indexOf(move);
