/**
 * The brake chopper: the ESC shorts the windings for a share `strength` of every period, then lets the
 * current run through its diodes into the pack for the rest. Why 50 % at a low frequency brakes harder
 * than 80 % at a high one when slow, and softer when fast.
 *
 * What this leaves out: diode drops, dead time, iron loss. DC form held against a time-domain
 * simulation of the switching circuit, the whole rule against a three-phase machine (within 10 %).
 */
import type { MotorModel } from './motor';

/** Commutated three-phase braking current over the DC form: π²/9. */
const THREE_PHASE = (Math.PI * Math.PI) / 9;

/**
 * Average motor current of the DC form: exact periodic steady state with τ = L/R, rising toward E/R
 * while shorted and falling toward (E − V)/R through the diodes, clipped at zero.
 *
 * @param strength shorted share of the period, 0 to 1
 * @param frequencyHz > 0
 * @param backEmf E, V, ≥ 0
 * @param volts bus voltage, V
 * @returns A, ≥ 0
 */
export function chopperCurrentDc(
  motor: Pick<MotorModel, 'resistance' | 'inductance'>,
  strength: number,
  frequencyHz: number,
  backEmf: number,
  volts: number,
): number {
  const { resistance: R, inductance: L } = motor;
  const shorted = backEmf / R;
  if (strength >= 1) return shorted;
  const open = (backEmf - volts) / R;
  const tau = L / R;
  const period = 1 / frequencyHz;
  const onTime = strength * period;
  const offTime = period - onTime;
  const onDecay = Math.exp(-onTime / tau);
  const offDecay = Math.exp(-offTime / tau);

  // Continuous: the current that returns to itself after one period.
  const troughContinuous =
    (open * (1 - offDecay) + shorted * (1 - onDecay) * offDecay) / (1 - onDecay * offDecay);
  const trough = Math.max(0, troughContinuous);
  const peak = shorted + (trough - shorted) * onDecay;
  // Mean over each part from L·di/dt = U − R·i, integrated: R·∫i dt = U·t − L·Δi.
  const onCharge = (backEmf * onTime - L * (peak - trough)) / R;
  if (troughContinuous >= 0) {
    const offCharge = ((backEmf - volts) * offTime - L * (trough - peak)) / R;
    return (onCharge + offCharge) / period;
  }
  const fallTime = open < 0 ? tau * Math.log1p(peak / -open) : offTime;
  const conducting = Math.min(fallTime, offTime);
  const offCharge = ((backEmf - volts) * conducting + L * peak) / R;
  return (onCharge + offCharge) / period;
}

/**
 * Torque current where the reactance of the winding limits it, from the fundamental of the phasors:
 * (r·i + V1)² + (X·i)² = E_ph², then 1.5·i·(r·i + V1)/E.
 * @param electricalSpeed pole pairs × shaft speed, rad/s
 * @returns A; undefined where the equation has no positive solution (slow, with the bus above the back-EMF)
 */
function chopperCurrentPhasor(
  motor: Pick<MotorModel, 'resistance' | 'inductance'>,
  strength: number,
  electricalSpeed: number,
  backEmf: number,
  volts: number,
): number | undefined {
  const r = motor.resistance / 2;
  const X = (electricalSpeed * motor.inductance) / 2;
  const phaseEmf = (Math.PI * backEmf) / (3 * Math.sqrt(3));
  const V1 = (2 / Math.PI) * (1 - strength) * volts;
  const a = r * r + X * X;
  const b = 2 * r * V1;
  const c = V1 * V1 - phaseEmf * phaseEmf;
  if (c >= 0) return undefined;
  const i = (-b + Math.sqrt(b * b - 4 * a * c)) / (2 * a);
  return (1.5 * i * (r * i + V1)) / backEmf;
}

/** Back-EMF at which the phasor form begins: where the phase's share of it meets the fundamental of the chopped bus. */
const phasorOnset = (strength: number, volts: number): number =>
  ((2 / Math.PI) * (1 - strength) * volts * 3 * Math.sqrt(3)) / Math.PI;

/** Rounds of settling the bus voltage against the current sent back; the second moves it by under 1 %. */
const BUS_ROUNDS = 3;

/**
 * Braking current that makes torque, A: π²/9 of the DC form, but not more than the phasor form once that
 * rises above what the DC form had reached when the phasor form began. Taking the phasor form from its very
 * first positive value would cut the discontinuous current off and leave a notch that no machine has.
 * At full strength exactly π²/9·(E/R)/(1 + (ω_e·L/R)²): strongest at ω_e = R/L, weaker above.
 * The current sent back raises the bus through the pack's own resistance.
 *
 * @param strength 0 to 1
 * @param shaftSpeed rad/s, ≥ 0
 * @param openVolts of the whole pack
 * @param packOhm pack and leads
 */
export function brakeCurrent(
  motor: MotorModel,
  strength: number,
  frequencyHz: number,
  shaftSpeed: number,
  openVolts: number,
  packOhm: number,
): number {
  const backEmf = motor.constant * shaftSpeed;
  if (backEmf <= 0) return 0;
  const electricalSpeed = motor.polePairs * shaftSpeed;
  if (strength >= 1) {
    const ratio = (electricalSpeed * motor.inductance) / motor.resistance;
    return (THREE_PHASE * (backEmf / motor.resistance)) / (1 + ratio * ratio);
  }
  let volts = openVolts;
  let current = 0;
  for (let round = 0; round < BUS_ROUNDS; round += 1) {
    const direct = (emf: number): number =>
      THREE_PHASE * chopperCurrentDc(motor, strength, frequencyHz, emf, volts);
    const limit = chopperCurrentPhasor(motor, strength, electricalSpeed, backEmf, volts);
    current =
      limit === undefined
        ? direct(backEmf)
        : Math.min(direct(backEmf), Math.max(limit, direct(phasorOnset(strength, volts))));
    volts = openVolts + (1 - strength) * current * packOhm;
  }
  return current;
}
