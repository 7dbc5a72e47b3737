/**
 * A propeller on the motor's shaft. Thrust C_T·ρ·n²·D⁴, power C_P·ρ·n³·D⁵, n in rev/s: McCormick, Aerodynamics,
 * Aeronautics and Flight Mechanics. With forward speed both fall along straight lines of the advance ratio J = v/(n·D),
 * thrust to zero at J₀ ≈ 1.1 times pitch over diameter. Assumed.
 *
 * What this leaves out: blades that stall or flex, the model's own slipstream.
 */
import { AIR_DENSITY } from './air';
import { newFlow, type Flow } from './motor';
import { breaksOf, PowerTrain, startTrain, TRAIN, TRAIN_SCALES, type RunPart } from './powerTrain';
import type { BridgeSetting } from './bridge';
import { Solver, type Step } from './solve';
import type { RunOptions } from './wheels';
import type { Propeller, ResolvedPropeller } from './resolved';

/**
 * Static coefficients guessed from pitch over diameter. From memory; sport propellers scatter by a fifth.
 * @param pitchRatio pitch ÷ diameter, 0.3 to 1
 */
export const estimateStaticCoefficients = (pitchRatio: number): { thrust: number; power: number } => ({
  thrust: 0.085 + 0.03 * pitchRatio,
  power: 0.012 + 0.066 * pitchRatio,
});

const revolutions = (shaftSpeed: number): number => shaftSpeed / (2 * Math.PI);

/** Thrust at a shaft speed in rad/s, standing, N. */
export const thrustNewtons = ({ thrustCoefficient, diameterM }: Propeller, shaftSpeed: number): number =>
  thrustCoefficient * AIR_DENSITY * revolutions(shaftSpeed) ** 2 * diameterM ** 4;

/** Torque that the air asks for at a shaft speed in rad/s, N·m: power over speed. */
export const airTorque = ({ powerCoefficient, diameterM }: Propeller, shaftSpeed: number): number =>
  (powerCoefficient * AIR_DENSITY * revolutions(shaftSpeed) ** 2 * diameterM ** 5) / (2 * Math.PI);

/** Moment of inertia of blades as a slender rod about its middle: m·D²/12. */
export const bladeInertia = (massKg: number, diameterM: number): number => (massKg * diameterM ** 2) / 12;

/**
 * The most thrust that a power can give a disc at rest: T = (2·ρ·A·P²)^(1/3).
 * Source: momentum theory (Rankine, Froude).
 */
export const idealStaticThrust = (watts: number, diameterM: number): number =>
  Math.cbrt(2 * AIR_DENSITY * Math.PI * (diameterM / 2) ** 2 * watts ** 2);

/** Variables of the propeller itself; those of its power train come after. */
const OWN = 1;

/** Places in the state of a run. */
export const SPIN = {
  /** rad/s, ≥ 0. */
  shaft: 0,
  drawn: OWN + TRAIN.drawn,
  slowSag: OWN + TRAIN.slowSag,
  seenCell: OWN + TRAIN.seenCell,
  winding: OWN + TRAIN.winding,
  case: OWN + TRAIN.case,
  esc: OWN + TRAIN.esc,
  pack: OWN + TRAIN.pack,
} as const;
export const SPIN_SIZE = OWN + TRAIN_SCALES.length;

/** What each variable is large against: with the rig's accuracy, the error below which it counts as nothing. */
const SCALES = Float64Array.of(100, ...TRAIN_SCALES);

/** A propeller at a speed, its pack as charged as drills begin. */
export function startSpin(rig: ResolvedPropeller, shaftSpeed: number): Float64Array {
  const y = new Float64Array(SPIN_SIZE);
  y[SPIN.shaft] = shaftSpeed;
  startTrain(rig, y, OWN);
  return y;
}

export interface SpinMoment extends Flow {
  packVolts: number;
}

export interface SpinRun {
  markTimes: (number | undefined)[];
  endS: number;
  state: Float64Array;
  /** Whether it stands still. */
  atRest: boolean;
}

export interface SpinOptions extends Pick<
  RunOptions<(step: Step, t: number) => SpinMoment>,
  'marks' | 'endsAtRest' | 'visit'
> {
  /** Share of the air torque that is commanded: less than 1 in flight. */
  airShare?: number;
}

/**
 * Runs a propeller through the parts of a programme, until they or a mark end it, or it stands still while it brakes.
 * @param y its state; changed on the way
 * @throws {Error} where the rig has numbers that no model has
 */
export function runPropeller(
  rig: ResolvedPropeller,
  bridge: BridgeSetting,
  parts: Iterable<RunPart>,
  y: Float64Array,
  { marks = [], airShare = 1, endsAtRest = true, visit = () => undefined }: SpinOptions = {},
): SpinRun {
  const { propeller } = rig;
  const tolerance = { relative: rig.accuracy, absolute: SCALES.map((scale) => scale * rig.accuracy) };
  const train = new PowerTrain(rig, bridge, OWN);
  const now: SpinMoment = { ...newFlow(), packVolts: 0 };
  const torqueAt = (t: number, at: Float64Array): number =>
    train.torqueAt(t, Math.max(0, at[SPIN.shaft]!), at);
  const derivative = (t: number, at: Float64Array, out: Float64Array): void => {
    const torque = torqueAt(t, at);
    const shaft = Math.max(0, at[SPIN.shaft]!);
    const stands = shaft <= 0 && torque <= 0;
    out[SPIN.shaft] = stands ? 0 : (torque - airShare * airTorque(propeller, shaft)) / propeller.inertia;
    train.rates(true, at, out);
  };
  const probe = new Float64Array(SPIN_SIZE);
  const momentAt = (step: Step, t: number): SpinMoment => {
    step.at(t, probe);
    torqueAt(t, probe);
    Object.assign(now, train.flow);
    now.packVolts = train.packVolts;
    return now;
  };

  const solver = new Solver(SPIN_SIZE);
  const run: SpinRun = {
    markTimes: marks.map(() => undefined),
    endS: 0,
    state: y,
    atRest: false,
  };
  let stepS = 0.002;
  for (const part of parts) {
    train.begin(part, run.endS);
    for (const untilS of breaksOf(part, run.endS)) {
      while (run.endS < untilS) {
        const open = marks
          .map((mark, place) => ({ mark, place }))
          .filter(({ place }) => run.markTimes[place] === undefined);
        const stands = (_t: number, at: Float64Array): number => at[SPIN.shaft]!;
        const system = {
          size: SPIN_SIZE,
          derivative,
          events: [
            stands,
            ...open.map(
              ({ mark }) =>
                (t: number, at: Float64Array) =>
                  mark.value(at, t),
            ),
          ],
        };
        const end = solver.piece(system, run.endS, y, untilS, tolerance, stepS, (step) =>
          visit(step, momentAt),
        );
        run.endS = end.t;
        stepS = end.stepS;
        if (end.event === 0) {
          y[SPIN.shaft] = 0;
          run.atRest = true;
          if (endsAtRest && part.kind === 'brake') return run;
        }
        if (end.event > 0) {
          const { mark, place } = open[end.event - 1]!;
          run.markTimes[place] = end.t;
          mark.reached?.(end.t, y);
          if (mark.ends) return run;
        }
      }
    }
  }
  return run;
}
