/**
 * Plans a test day: which questions, in which order, on which packs. What matters comes in this order: more of the most
 * important questions answered, then of the next, and so on; the most important one answered sooner; an earlier end; fewer loads.
 *
 * Sets of questions are tried from the best down; within a set all orders are searched, and whatever cannot be better than what
 * was found, or than another way to the same point, is left. The search counts its steps instead of looking at the clock: the same
 * day gives the same plan on every machine.
 */
import type { DayPlan, DayProblem, Minute } from './dayProblem';
import {
  after,
  chargedAhead,
  mayDrive,
  nextMove,
  prepared,
  putBacks,
  stateAtStart,
  stepsOf,
  type DayState,
  type Move,
  type Prepared,
} from './dayState';
import { Seen } from './seenStates';

/** So many steps are searched in all, and so many in each set once those are used up. */
const MOST_STEPS = 8_000;
const STEPS_AT_LAST = 150;

/**
 * @throws {Error} where a load that may be needed has no time
 * @returns a plan; one without runs where no question fits into the day
 */
export function planDay(asked: DayProblem): DayPlan {
  const problem = prepared(asked);
  const budget = { left: MOST_STEPS };
  let isProven = true;
  for (const sets of setsInOrder(problem)) {
    let best: Found | undefined;
    for (const set of sets) {
      const search = new SetSearch(problem, set, budget, best);
      search.run();
      best = search.best;
      isProven &&= search.isWhole;
    }
    if (best) return planOf(problem, best, isProven);
  }
  throw new Error('a day without any question always has a plan');
}

/** The end of a plan that was found. */
interface Found {
  state: DayState;
  set: readonly number[];
  endsAt: Minute;
  loadCount: number;
}

const planOf = (problem: Prepared, { state, set, endsAt, loadCount }: Found, isProven: boolean): DayPlan => ({
  steps: stepsOf(problem, state),
  answered: set.map((place) => problem.questions[place]!.id),
  firstAnswerAt: state.firstAnswerAt,
  endsAt,
  loadCount,
  isProven,
});

/** All sets of questions, those of equal worth together, the best first. */
function setsInOrder({ questions }: DayProblem): number[][][] {
  const levels = [...new Set(questions.map(({ importance }) => importance))].toSorted((a, b) => a - b);
  const worthOf = (set: readonly number[]): number[] =>
    levels.map((level) => set.filter((place) => questions[place]!.importance === level).length);
  const all = Array.from({ length: 2 ** questions.length }, (_, bits) =>
    questions.flatMap((_question, place) => (bits & (1 << place) ? [place] : [])),
  ).map((set) => ({ set, worth: worthOf(set) }));
  all.sort((a, b) => compareWorth(b.worth, a.worth));
  const groups: number[][][] = [];
  for (const [n, { set, worth }] of all.entries()) {
    const isNew = n === 0 || compareWorth(worth, all[n - 1]!.worth) !== 0;
    if (isNew) groups.push([set]);
    else groups.at(-1)!.push(set);
  }
  return groups;
}

function compareWorth(a: readonly number[], b: readonly number[]): number {
  const place = a.findIndex((count, n) => count !== b[n]);
  return place === -1 ? 0 : a[place]! - b[place]!;
}

/** The search for the best plan of one set of questions. */
class SetSearch {
  /** The best so far, of this set or of one of equal worth. */
  best: Found | undefined;
  readonly #problem: Prepared;
  readonly #set: readonly number[];
  /** Of the set: the most important. */
  readonly #first: readonly number[];
  readonly #budget: { left: number };
  readonly #seen = new Seen();
  #steps = 0;

  constructor(problem: Prepared, set: readonly number[], budget: { left: number }, best: Found | undefined) {
    const top = Math.min(...set.map((place) => problem.questions[place]!.importance));
    this.#problem = problem;
    this.#set = set;
    this.#first = set.filter((place) => problem.questions[place]!.importance === top);
    this.#budget = budget;
    this.best = best;
  }

  run(): void {
    this.#visit(stateAtStart(this.#problem));
  }

  /** Whether nothing was left for want of steps. */
  get isWhole(): boolean {
    return !this.#isSpent();
  }

  #isSpent(): boolean {
    return this.#budget.left <= 0 && this.#steps >= STEPS_AT_LAST;
  }

  #visit(state: DayState): void {
    const { questions, endsAt, chargersWatched } = this.#problem;
    this.#budget.left -= 1;
    this.#steps += 1;
    const end = leastEnd(this.#problem, this.#set, state);
    // What has to be put back is put back, however late it is.
    const isTooLate = this.#set.length > 0 && end > endsAt;
    if (isTooLate || !this.#canBeat(state, end)) return;
    if (this.#set.every((place) => state.driven[place] === questions[place]!.runs.length)) {
      this.#finish(state);
      return;
    }
    // Where nobody watches the chargers it matters, too, when they were on.
    if (chargersWatched && this.#seen.isWorse(state)) return;
    for (const move of this.#moves(state)) {
      if (this.#isSpent()) return;
      this.#visit(after(this.#problem, state, move, this.#first.includes(move.place)));
    }
    // Which pack is on the charger first may decide, too.
    for (const ahead of this.#charges(state)) {
      if (this.#isSpent()) return;
      this.#visit(ahead);
    }
  }

  #finish(state: DayState): void {
    const backs = putBacks(this.#problem, state);
    const endsAt = backs.at(-1)?.to ?? state.driverFree;
    const loadCount = state.loadCount + backs.length;
    if (this.#set.length > 0 && endsAt > this.#problem.endsAt) return;
    if (this.best && !isSooner([state.firstAnswerAt ?? 0, endsAt, loadCount], orderOf(this.best))) return;
    this.best = { state, set: this.#set, endsAt, loadCount };
  }

  /** Every run that may come next, the soonest first; of packs that cannot be told apart, one. */
  #moves(state: DayState): Move[] {
    const { questions, kindOf, packsOf } = this.#problem;
    const moves: Move[] = [];
    for (const place of this.#set) {
      if (!mayDrive(this.#problem, state, place)) continue;
      const begun = questions[place]!.onePack ? state.pack[place]! : -1;
      const tried = new Set<string>();
      for (const packPlace of begun === -1 ? packsOf[place]! : [begun]) {
        const key = `${kindOf[packPlace]} ${state.isCharged[packPlace]} ${state.isAsFound[packPlace]} ${state.readyAt[packPlace]} ${heldBy(state, packPlace)}`;
        if (tried.has(key)) continue;
        tried.add(key);
        const move = nextMove(this.#problem, state, place, packPlace);
        if (move) moves.push(move);
      }
    }
    return moves.sort(
      (a, b) => a.to - b.to || questions[a.place]!.importance - questions[b.place]!.importance,
    );
  }

  /** Every pack that may go on the charger ahead of its run; of those that cannot be told apart, one. */
  #charges(state: DayState): DayState[] {
    const { questions, kindOf, packsOf } = this.#problem;
    const open = this.#set.filter((place) => state.driven[place]! < questions[place]!.runs.length);
    const tried = new Set<string>();
    return [...new Set(open.flatMap((place) => packsOf[place]!))].flatMap((packPlace) => {
      if (state.isCharged[packPlace]) return [];
      const key = `${kindOf[packPlace]} ${state.isAsFound[packPlace]} ${state.readyAt[packPlace]} ${heldBy(state, packPlace)}`;
      if (tried.has(key)) return [];
      tried.add(key);
      return chargedAhead(this.#problem, state, packPlace) ?? [];
    });
  }

  /** Whether a plan that goes on from here may still be better than the best. */
  #canBeat(state: DayState, end: Minute): boolean {
    if (!this.best) return true;
    const sooner = (): number =>
      Math.min(...this.#first.map((place) => leastEnd(this.#problem, [place], state)));
    const firstAnswer = state.firstAnswerAt ?? (this.#set.length === 0 ? 0 : sooner());
    return isSooner([firstAnswer, end, state.loadCount], orderOf(this.best));
  }
}

/** Which open question was begun on a pack, if any: packs that are held so are not alike. */
const heldBy = ({ open, pack }: DayState, packPlace: number): number =>
  open.findIndex((place) => place !== -1 && pack[place] === packPlace);

/** No plan that goes on from here ends sooner. */
function leastEnd(problem: Prepared, set: readonly number[], state: DayState): Minute {
  const { questions, rigs, rigOf, swapMinutes, noteMinutes } = problem;
  let driver = state.driverFree;
  const motors = state.coolAt.slice();
  const isUsed = rigs.map(() => false);
  for (const place of set) {
    const { runs, runMinutes } = questions[place]!;
    const left = runs.length - state.driven[place]!;
    if (left === 0) continue;
    const rigPlace = rigOf[place]!;
    const cooling = rigs[rigPlace]!.coolMinutes;
    driver += left * (swapMinutes + runMinutes + noteMinutes);
    motors[rigPlace]! += left * (runMinutes + cooling);
    isUsed[rigPlace] = true;
  }
  // Behind its last run nobody waits for a motor.
  return motors.reduce(
    (latest, cool, place) =>
      isUsed[place] ? Math.max(latest, cool - rigs[place]!.coolMinutes + noteMinutes) : latest,
    driver,
  );
}

/** What decides between plans that answer as much, the first first. */
type Order = readonly [firstAnswer: Minute, end: Minute, loads: number];

const orderOf = ({ state, endsAt, loadCount }: Found): Order => [state.firstAnswerAt ?? 0, endsAt, loadCount];

function isSooner(a: Order, b: Order): boolean {
  const place = a.findIndex((value, n) => value !== b[n]);
  return place !== -1 && a[place]! < b[place]!;
}
