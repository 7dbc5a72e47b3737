/** A test day as the planner sees it: plain minutes, and names that mean nothing to it. */

/** Minutes of the day's own clock: whole numbers, counted from wherever the day counts. */
export type Minute = number;

/** A model, as it stands when the plan begins. */
export interface PlannedRig {
  id: string;
  /** From the end of a run until its motor may be driven again. */
  coolMinutes: number;
  /** When it is cool enough for a run. */
  coolAt: Minute;
  /** What its ESC holds, by a name of its own. */
  holds: string;
  /** What it is put back to in the end. */
  returnsTo: string;
}

/** From one set of values to another on a rig, as its real plan takes. */
export interface LoadTime {
  rigId: string;
  from: string;
  to: string;
  minutes: number;
}

export interface PlannedPack {
  id: string;
  /** The models that it may drive. */
  fits: readonly string[];
  isCharged: boolean;
  /** Charged: ready from then on. Otherwise: cool enough for the charger from then on. */
  readyAt: Minute;
  /** Of the charge that it needs as it is found; nothing for one that is charged. */
  firstChargeMinutes: number;
  /** Of a charge after a run. */
  chargeMinutes: number;
  /** From the end of a run until it may be charged. */
  restMinutes: number;
}

export interface PlannedQuestion {
  id: string;
  rigId: string;
  /** 1 is the most important; several may be equal. */
  importance: number;
  /** What its runs are driven with, in their order: those that are left. */
  runs: readonly { side: 'A' | 'B'; holds: string }[];
  runMinutes: number;
  /** Whether all its runs are driven on one pack, charged each time. */
  onePack: boolean;
  /** The pack that it was begun with; null where none of its runs is driven. */
  begunWith: string | null;
  /** Whether a run of it was driven already: it goes on before another question of its rig. */
  isBegun: boolean;
}

export interface DayProblem {
  startsAt: Minute;
  endsAt: Minute;
  rigs: readonly PlannedRig[];
  packs: readonly PlannedPack[];
  /** One entry a charger: when it is free. */
  chargers: readonly Minute[];
  /** Whether somebody stays beside the chargers while the driver drives. */
  chargersWatched: boolean;
  questions: readonly PlannedQuestion[];
  loads: readonly LoadTime[];
  /** Putting another pack in. */
  swapMinutes: number;
  /** Noting a run. */
  noteMinutes: number;
}

/** More would be no day. */
export const MOST_QUESTIONS = 10;

/**
 * How long a load takes; nothing where the ESC holds it already.
 * @throws {Error} for a way that was never planned
 */
export function loadMinutes(loads: readonly LoadTime[], rigId: string, from: string, to: string): number {
  if (from === to) return 0;
  const known = loads.find((one) => one.to === to && one.from === from && one.rigId === rigId);
  if (!known) throw new Error(`no load of ${rigId} from ${from} to ${to} was planned`);
  return known.minutes;
}

/** `charger`: nobody is beside it while the driver drives. */
export type WaitsFor = 'motor' | 'pack' | 'charger';

/** One thing that is done, from and to by the day's clock. */
export type PlannedStep =
  | { kind: 'charge'; packId: string; charger: number; from: Minute; to: Minute }
  | { kind: 'load'; rigId: string; holds: string; questionId: string | null; from: Minute; to: Minute }
  | {
      kind: 'run';
      rigId: string;
      questionId: string;
      side: 'A' | 'B';
      packId: string;
      from: Minute;
      to: Minute;
      /** What it had to wait for; null where the driver came straight to it. */
      waitsFor: WaitsFor | null;
    };

export interface DayPlan {
  /** In the order in which they begin. */
  steps: PlannedStep[];
  /** The questions that are answered. */
  answered: string[];
  /** When the most important of them is. */
  firstAnswerAt: Minute | null;
  endsAt: Minute;
  loadCount: number;
  /** Whether every other plan was ruled out. */
  isProven: boolean;
}
