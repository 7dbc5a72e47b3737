/**
 * What a log is held against: not sample by sample, since neighbours are wrong together, but means over samples that are alike. Each
 * mean is one row of the fit. Which sample belongs to which row follows from what was measured alone, so that no row changes while
 * numbers are moved.
 */
import type { ResolvedRig } from '../../physics/resolved';
import type { LoggedRun } from './loggedRun';
import { stretchJudge } from './stretchJudge';

/** What a row compares. */
export type RowKind = 'motor' | 'pack' | 'still' | 'ground' | 'grip' | 'can' | 'esc' | 'pull';

export interface Rows {
  kinds: RowKind[];
  /** How many samples each has. */
  counts: number[];
  /** The row of each sample, −1 for none. */
  motor: Int16Array;
  pack: Int16Array;
  still: Int16Array;
  can: Int16Array;
  esc: Int16Array;
  /** The row of how hard the lap was driven. */
  pull: number;
  /** Stretches of steady drive, with their rows. */
  stretches: { from: number; to: number; row: number }[];
}

const DUTY_STEPS = 6;
const SPEED_STEPS = 3;
const TIME_STEPS = 12;
const LOAD_STEPS = 3;
/** A stretch is about so long, s: short enough that it is one state, long enough that the rpm changes by more than its noise. */
const STRETCH_S = 0.5;
/** Fewer samples make no mean. */
const FEWEST = 12;
const FEWEST_STRETCHES = 4;
/** Slower than this share of what the duty is for, the motor starts, and sensors tell little. */
const LEAST_SPEED_SHARE = 0.15;
/** So long after the trigger is let go nothing is drawn any more, s. Assumed. */
const STILL_AFTER_S = 0.2;
/** Nearer to the cutoff than this, duty may be taken back, V a cell. */
const NEAR_CUTOFF = 0.08;

/** @param rig as its owner describes it; it only says which samples are alike */
export function rowsOf(run: LoggedRun, rig: ResolvedRig, cutoffVoltsPerCell: number): Rows {
  const count = run.volts.length;
  const blank = (): Int16Array => new Int16Array(count).fill(-1);
  const keys = new Map<string, number>();
  const kinds: RowKind[] = [];
  const counts: number[] = [];
  const rowFor = (kind: RowKind, key: string): number => {
    const whole = `${kind} ${key}`;
    const known = keys.get(whole);
    if (known !== undefined) {
      counts[known]! += 1;
      return known;
    }
    keys.set(whole, kinds.length);
    kinds.push(kind);
    counts.push(1);
    return kinds.length - 1;
  };
  const most = (values: Float32Array): number => values.reduce((so, value) => Math.max(so, value), 0);
  const mostAmps = Math.max(1, most(run.amps));
  const step = (share: number, steps: number): number =>
    Math.max(0, Math.min(steps - 1, Math.floor(share * steps)));
  const freeSpeed = (n: number): number => (run.duty[n]! * run.volts[n]!) / rig.motor.constant;
  const rows: Rows = {
    kinds,
    counts,
    motor: blank(),
    pack: blank(),
    still: blank(),
    can: blank(),
    esc: blank(),
    pull: -1,
    stretches: [],
  };
  const isDriven = (n: number): boolean =>
    run.steady[n] === 1 &&
    run.duty[n]! > 0 &&
    run.volts[n]! / rig.cells > cutoffVoltsPerCell + NEAR_CUTOFF &&
    run.shaft[n]! > LEAST_SPEED_SHARE * freeSpeed(n);
  // Nothing is driven, and no brake turns anything into current. Duty is let go at once, without a ramp.
  const isStill = (n: number): boolean =>
    run.whole[n] === 1 &&
    run.since[n]! > STILL_AFTER_S &&
    run.duty[n] === 0 &&
    (run.strength[n] === 0 || run.shaft[n] === 0);
  const judge = stretchJudge(run, rig);
  let began = -1;
  for (let n = 0; n < count; n += 1) {
    const time = step(n / count, TIME_STEPS);
    if (isStill(n)) rows.still[n] = rowFor('still', '');
    if (run.whole[n] === 1)
      rows.pack[n] = rowFor('pack', `${time} ${step(Math.max(0, run.amps[n]!) / mostAmps, LOAD_STEPS)}`);
    if (run.canC) rows.can[n] = rowFor('can', String(time));
    if (run.escC) rows.esc[n] = rowFor('esc', String(time));
    if (!isDriven(n)) {
      began = -1;
      continue;
    }
    rows.motor[n] = rowFor(
      'motor',
      `${step(run.duty[n]! - 1e-6, DUTY_STEPS)} ${step(run.shaft[n]! / freeSpeed(n), SPEED_STEPS)}`,
    );
    if (judge.surelySlips(n)) began = -1;
    else if (began < 0 || run.since[n]! < run.since[began]!) began = n;
    else if (run.since[n]! - run.since[began]! >= STRETCH_S) {
      const kind = judge.tellsOf(began, n);
      if (kind) {
        const speed = step(run.shaft[n]! / freeSpeed(n), SPEED_STEPS);
        const row = rowFor(kind, `${step(run.duty[n]! - 1e-6, DUTY_STEPS)} ${speed}`);
        rows.stretches.push({ from: began, to: n, row });
      }
      began = n;
    }
  }
  rows.pull = rowFor('pull', '');
  counts[rows.pull] = FEWEST;
  return rows;
}

/** Whether a row has enough samples to count. */
export const hasEnough = (rows: Rows, row: number): boolean =>
  rows.counts[row]! >=
  (rows.kinds[row] === 'ground' || rows.kinds[row] === 'grip' ? FEWEST_STRETCHES : FEWEST);
