/**
 * The motor detective: what a motor is, from what can be measured on a bench without its data sheet.
 * Equations: V = I·R + n/kV, the lines of a DC motor (Hughes and Drury, Electric Motors and Drives).
 */
import type { Problem, Result } from '../../units/problem';

/** kV from a run without load. @param ohm winding and bridge; takes away what the no-load current drops */
export function kvFromRun(rpm: number, volts: number, amps = 0, ohm = 0): Result<number> {
  const emf = volts - amps * ohm;
  if (rpm <= 0) return refused('rpm', 'Enter the rpm: the motor must be turning.');
  if (emf <= 0)
    return refused('volts', 'No voltage is left for the motor. Check volts, amperes and resistance.');
  return { ok: true, value: rpm / emf };
}

/**
 * The true pole count from a reading that was wrong: shown rpm goes with true poles over entered poles.
 * @param enteredPoles set in the meter or the ESC
 * @returns poles, even; refused where the two readings fit no whole pair
 */
export function polesFrom(enteredPoles: number, shownRpm: number, trueRpm: number): Result<number> {
  if (shownRpm <= 0 || trueRpm <= 0) return refused('trueRpm', 'Both readings must be above zero.');
  const poles = (enteredPoles * shownRpm) / trueRpm;
  const even = Math.max(2, 2 * Math.round(poles / 2));
  if (Math.abs(poles / even - 1) > 0.06) {
    return refused(
      'trueRpm',
      `That would be ${poles.toFixed(1)} poles, which no motor has. Read both at the same steady throttle.`,
    );
  }
  return { ok: true, value: even };
}

/** Phase to phase resistance from a stalled shaft: V/I. Seconds only, at a small voltage. */
export function resistanceFromStall(volts: number, amps: number): Result<number> {
  if (volts <= 0 || amps <= 0) return refused('amps', 'Volts and amperes must both be above zero.');
  return { ok: true, value: volts / amps };
}

/** One steady run: what the motor was given, and what it did. */
export interface RunPoint {
  volts: number;
  amps: number;
  rpm: number;
}

/** Resistance and kV from two steady runs under different load, full throttle: two lines, two unknowns. */
export function fromTwoRuns(a: RunPoint, b: RunPoint): Result<{ ohm: number; kv: number }> {
  // V = I·R + n·k with k = 1/kV, for both points.
  const determinant = a.amps * b.rpm - b.amps * a.rpm;
  const scale = Math.max(a.amps * b.rpm, b.amps * a.rpm);
  if (Math.abs(determinant) < 0.05 * scale)
    return refused('b.amps', 'The two runs are too similar. Load one of them clearly more.');
  const ohm = (a.volts * b.rpm - b.volts * a.rpm) / determinant;
  const perKv = (a.amps * b.volts - b.amps * a.volts) / determinant;
  if (ohm <= 0 || perKv <= 0)
    return refused('b.volts', 'These readings fit no motor. One of them is wrong or not at full throttle.');
  return { ok: true, value: { ohm, kv: 1 / perKv } };
}

export interface ThrustPoint {
  rpm: number;
  thrustN: number;
}

export interface ThrustCheck {
  /** Thrust ÷ rpm², the middle one of all points. */
  perRpmSquared: number;
  /** How far each point lies off the n² law, share. */
  deviations: number[];
  /** Places of the points that do not fit. */
  oddOnes: number[];
}

/** Points of a thrust stand that lie farther off the n² law than this are named. Common practice: 2 % is a good stand. */
const ODD_SHARE = 0.05;

/**
 * Checks points of a thrust stand against thrust ∝ n² (McCormick). The median is the reference, so that one wrong
 * reading cannot hide behind the others.
 */
export function checkThrust(points: readonly ThrustPoint[]): Result<ThrustCheck> {
  if (points.length < 3) return refused('points', 'Type at least three points to find the odd one.');
  const ratios = points.map(({ rpm, thrustN }) => thrustN / rpm ** 2);
  const sorted = ratios.toSorted((x, y) => x - y);
  const middle = sorted.length >> 1;
  const perRpmSquared =
    sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
  if (!Number.isFinite(perRpmSquared) || perRpmSquared <= 0)
    return refused('points', 'Each point needs an rpm and a thrust above zero.');
  const deviations = ratios.map((ratio) => ratio / perRpmSquared - 1);
  const oddOnes = deviations.flatMap((d, place) => (Math.abs(d) > ODD_SHARE ? [place] : []));
  return { ok: true, value: { perRpmSquared, deviations, oddOnes } };
}

const refused = (path: string, sentence: string): { ok: false; problems: Problem[] } => ({
  ok: false,
  problems: [{ path, sentence }],
});
