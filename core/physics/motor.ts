/**
 * The motor and its bridge, driven at a duty, quasi-static.
 *
 * What this leaves out: detent torque, iron loss that grows with speed, undamped (discontinuous)
 * switching at part throttle, advance beyond what kV was measured with.
 */
import { motorConstant } from '../units/convert';

/** Copper's rise of resistance per kelvin at 20 °C: IEC 60028. */
const COPPER_PER_KELVIN = 0.00393;

/** Winding resistance at a temperature, from its value at 20 °C. Source: IEC 60028. */
export const copperResistance = (ohmAt20: number, celsius: number): number =>
  ohmAt20 * (1 + COPPER_PER_KELVIN * (celsius - 20));

/** Share of ω_e·L that acts like a resistance without heating: assumed, fits a three-phase simulation. */
const REACTIVE_SHARE = 0.7;
/** Share of p·L·I² that adds torque through the lagging current: assumed, as above. */
const REACTIVE_TORQUE_SHARE = 0.55;

/** Motor plus bridge as plain SI numbers. */
export interface MotorModel {
  /** K_e = K_t, V·s/rad. */
  constant: number;
  /** Winding and bridge in series, ohm. */
  resistance: number;
  inductance: number;
  noLoadCurrent: number;
  polePairs: number;
  rotorInertia: number;
}

/** @param kvRpmPerVolt measured without advance */
export function motorModel(
  kvRpmPerVolt: number,
  windingOhm: number,
  bridgeOhm: number,
  rest: Pick<MotorModel, 'inductance' | 'noLoadCurrent' | 'polePairs' | 'rotorInertia'>,
): MotorModel {
  return { constant: motorConstant(kvRpmPerVolt), resistance: windingOhm + bridgeOhm, ...rest };
}

/**
 * Motor current at a duty, with the pack's own resistance in the loop, so that bus and motor agree:
 * I = (d·V_oc − E)/(R + k·ω_e·L + d²·R_p), k ≈ 0.7 for the reactance of the commutated winding.
 * Never below zero: a damped bridge that is asked for less than the back-EMF is left to coast.
 *
 * @param duty 0 to 1
 * @param shaftSpeed rad/s, ≥ 0
 * @param openVolts of the whole pack
 * @param packOhm pack and leads
 * @returns A
 */
export function driveCurrent(
  motor: MotorModel,
  duty: number,
  shaftSpeed: number,
  openVolts: number,
  packOhm: number,
): number {
  const backEmf = motor.constant * shaftSpeed;
  const reactance = REACTIVE_SHARE * motor.polePairs * shaftSpeed * motor.inductance;
  const current = (duty * openVolts - backEmf) / (motor.resistance + reactance + duty * duty * packOhm);
  return Math.max(0, current);
}

/**
 * Torque at the shaft while driving: K_t·(I − I0) plus the reluctance-like share k′·p·L·I² of the lagging current.
 * @returns N·m; negative where the motor's own losses exceed its pull
 */
export function driveTorque(motor: MotorModel, current: number): number {
  const lagging = REACTIVE_TORQUE_SHARE * motor.polePairs * motor.inductance * current * current;
  return motor.constant * (current - motor.noLoadCurrent) + lagging;
}
