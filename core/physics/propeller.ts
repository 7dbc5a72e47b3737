/**
 * A propeller on the motor's shaft, standing still in the air.
 * Thrust C_T·ρ·n²·D⁴, power C_P·ρ·n³·D⁵, n in rev/s: McCormick, Aerodynamics, Aeronautics and Flight Mechanics.
 *
 * What this leaves out: forward speed, altitude and weather, blades that stall or flex.
 */

import { AIR_DENSITY } from './air';

export interface Propeller {
  diameterM: number;
  /** About the shaft, blades and rotor, kg·m². */
  inertia: number;
  thrustCoefficient: number;
  powerCoefficient: number;
}

/**
 * Static coefficients guessed from pitch over diameter. From memory; sport propellers scatter by a fifth.
 * @param pitchRatio pitch ÷ diameter, 0.3 to 1
 */
export const estimateStaticCoefficients = (pitchRatio: number): { thrust: number; power: number } => ({
  thrust: 0.085 + 0.03 * pitchRatio,
  power: 0.012 + 0.066 * pitchRatio,
});

const revolutions = (shaftSpeed: number): number => shaftSpeed / (2 * Math.PI);

/** Thrust at a shaft speed in rad/s, N. */
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

/** One moment of a run. One object is reused; copy what you keep. */
export interface SpinState {
  timeS: number;
  /** rad/s, ≥ 0. */
  shaftSpeed: number;
}

/** Step of the integrator, s: forty times shorter than the quickest lag, a small propeller against its motor. */
const STEP_S = 0.001;

/**
 * Runs a propeller from a speed until `visit` says so, it stands still, or `longestS` is over. Midpoint rule.
 * @param motorTorque at the shaft, N·m, at a time and shaft speed
 */
export function runPropeller(
  propeller: Propeller,
  startSpeed: number,
  motorTorque: (timeS: number, shaftSpeed: number) => number,
  longestS: number,
  visit: (state: Readonly<SpinState>) => boolean,
): SpinState {
  const state: SpinState = { timeS: 0, shaftSpeed: startSpeed };
  const { inertia } = propeller;
  const steps = Math.ceil(longestS / STEP_S);
  for (let n = 1; n <= steps; n += 1) {
    const first =
      (motorTorque(state.timeS, state.shaftSpeed) - airTorque(propeller, state.shaftSpeed)) / inertia;
    const half = state.shaftSpeed + (first * STEP_S) / 2;
    if (half <= 0 && startSpeed > 0) {
      // Rest lies inside the step; beyond it nothing brakes any more.
      state.timeS += state.shaftSpeed / -first;
      state.shaftSpeed = 0;
      visit(state);
      break;
    }
    const middle = (motorTorque(state.timeS + STEP_S / 2, half) - airTorque(propeller, half)) / inertia;
    const next = state.shaftSpeed + middle * STEP_S;
    if (!Number.isFinite(next)) throw new Error(`the run left the numbers at ${state.timeS} s`);
    state.timeS = n * STEP_S;
    state.shaftSpeed = Math.max(0, next);
    if (visit(state) || (startSpeed > 0 && state.shaftSpeed === 0)) break;
  }
  return state;
}
