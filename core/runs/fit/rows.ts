/**
 * What a log is held against: not sample by sample, since neighbours are wrong together, but means over samples that are alike. Each
 * mean is one row of the fit. Which sample belongs to which row follows from what was measured alone, so that no row changes while
 * numbers are moved.
 */
import { gripLimit, resistance } from '../../physics/car';
import { gearingOf } from '../../physics/tyre';
import { GRAVITY } from '../../units/convert';
import type { ResolvedRig } from '../../physics/resolved';
import { ASKS, type LoggedRun } from './loggedRun';

/** What a row compares. */
export type RowKind = 'motor' | 'pack' | 'ground' | 'grip' | 'can' | 'esc' | 'pull';

export interface Rows {
  kinds: RowKind[];
  /** How many samples each has. */
  counts: number[];
  /** The row of each sample, −1 for none. */
  motor: Int16Array;
  pack: Int16Array;
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
/** Wheels grip for sure below this share of what they can hold; up to the second only where corner or climb asks for it. */
const GRIPS_BELOW = 0.6;
const MAY_GRIP_BELOW = 1.6;
/** So much of the force must be what the ground asks for. */
const ASKED_FOR = 0.5;
/** A straight at full throttle: so little of the weight is asked for, so much duty is given. */
const NO_CORNER = 0.05;
const FULL_DUTY = 0.95;
/** Wheels spin for sure where the motor gives so many times what rolling and air take. */
const SURELY_SPINS = 1.6;
/** So little of what grip could give is no gain of speed. */
const STEADY_SPEED = 0.12;
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
    can: blank(),
    esc: blank(),
    pull: -1,
    stretches: [],
  };
  const isDriven = (n: number): boolean =>
    run.steady[n] === 1 &&
    run.asks[n] === ASKS.drive &&
    run.volts[n]! / rig.cells > cutoffVoltsPerCell + NEAR_CUTOFF &&
    run.shaft[n]! > LEAST_SPEED_SHARE * freeSpeed(n);
  const perAmp = rig.kind === 'wheels' ? rig.motor.constant * gearingOf(rig) * rig.drivelineEfficiency : 0;
  /** How much of what the tyres hold the motor asks of them. */
  const ofGrip = (n: number): number =>
    rig.kind === 'wheels'
      ? (perAmp * run.amps[n]!) / rig.bus.sharedByMotors / Math.max(run.duty[n]!, 0.05) / gripLimit(rig)
      : 0;
  /** What a stretch tells: of the ground, of grip where its wheels spin steadily, or nothing. */
  const tellsOf = (from: number, to: number): 'ground' | 'grip' | undefined => {
    if (rig.kind !== 'wheels') return 'ground';
    let most = 0;
    let asked = Infinity;
    for (let n = from; n <= to; n += 1) {
      most = Math.max(most, ofGrip(n));
      asked = Math.min(asked, run.corner[n]! + run.climb[n]! / rig.grip);
    }
    if (most < GRIPS_BELOW) return 'ground';
    const gained = (run.shaft[to]! - run.shaft[from]!) / gearingOf(rig);
    const isEven = Math.abs(gained) < STEADY_SPEED * rig.grip * GRAVITY * (run.since[to]! - run.since[from]!);
    if (!isEven) return undefined;
    if (asked >= ASKED_FOR * most) return 'ground';
    // On a straight at full throttle nothing else takes so much force: the wheels spin, and the tyres give all that they hold.
    if (asked > NO_CORNER || run.duty[from]! < FULL_DUTY) return undefined;
    const isVeryEven =
      3 * Math.abs(gained) < STEADY_SPEED * rig.grip * GRAVITY * (run.since[to]! - run.since[from]!);
    const resisting = resistance(rig, run.shaft[to]! / gearingOf(rig)) / gripLimit(rig);
    return isVeryEven && most > SURELY_SPINS * resisting && !rig.slipperClutch ? 'grip' : undefined;
  };
  let began = -1;
  for (let n = 0; n < count; n += 1) {
    const time = step(n / count, TIME_STEPS);
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
    if (ofGrip(n) > MAY_GRIP_BELOW) began = -1;
    else if (began < 0 || run.since[n]! < run.since[began]!) began = n;
    else if (run.since[n]! - run.since[began]! >= STRETCH_S) {
      const kind = tellsOf(began, n);
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
export const counts = (rows: Rows, row: number): boolean =>
  rows.counts[row]! >=
  (rows.kinds[row] === 'ground' || rows.kinds[row] === 'grip' ? FEWEST_STRETCHES : FEWEST);
