/**
 * The motor and its bridge, driven at a duty, quasi-static: what flows, what turns, where the heat goes.
 *
 * What this leaves out: iron loss that grows with speed beside the no-load current, saturation, single commutation steps.
 */
import { motorConstant } from '../units/convert';

/** Copper's rise of resistance per kelvin at 20 °C: IEC 60028. */
const COPPER_PER_KELVIN = 0.00393;

/** Winding resistance at a temperature, from its value at 20 °C. Source: IEC 60028. */
export const copperResistance = (ohmAt20: number, celsius: number): number =>
  ohmAt20 * (1 + COPPER_PER_KELVIN * (celsius - 20));

/** Share of ω_e·L that acts like a resistance without heating: assumed, fits a three-phase simulation. */
const REACTIVE_SHARE = 0.7;
/**
 * Share of p·L·I² that adds torque through the lagging current: assumed, as above. What is left between the two shares
 * is copper loss beyond I²·R, which makes it 1.2 to 2 times that on fast motors.
 */
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
  /** Of both, what the bridge has: two switches, ohm. */
  bridgeResistance: number;
  /** Rise and fall of a switch together, s. */
  switchingTime: number;
}

/** Of a switch of a usual bridge, s. From memory: 100 to 350 ns. */
const SWITCHING_TIME_S = 220e-9;
/** Switching fades over the last fiftieth of duty. Assumed. */
const FADES_OVER = 50;
/** Of the diode that carries the current while an undamped bridge is off, V. */
const DIODE_VOLTS = 0.8;
/** Share of a period in which both switches wait for each other, as time. From memory. */
const DEAD_TIME_S = 400e-9;

/** @param kvRpmPerVolt measured without advance */
export function motorModel(
  kvRpmPerVolt: number,
  windingOhm: number,
  bridgeOhm: number,
  rest: Pick<MotorModel, 'inductance' | 'noLoadCurrent' | 'polePairs' | 'rotorInertia'>,
): MotorModel {
  return {
    constant: motorConstant(kvRpmPerVolt),
    resistance: windingOhm + bridgeOhm,
    bridgeResistance: bridgeOhm,
    switchingTime: SWITCHING_TIME_S,
    ...rest,
  };
}

/** How the bridge is worked at one moment. */
export interface Drive {
  /** 0 to 1. */
  duty: number;
  /** Total advance, electrical radians; beyond what is proven it is capped, and costs heat. */
  advance: number;
  frequencyHz: number;
  /** Whether the bridge switches in place of its diodes, and so may send current back. */
  damped: boolean;
  /** The most motor current that the ESC lets through, A. */
  currentLimit: number;
}

/** What flows in motor and bridge. One object is reused; copy what you keep. */
export interface Flow {
  motorAmps: number;
  packAmps: number;
  /** At the shaft, its own friction taken off, N·m. */
  torque: number;
  windingWatts: number;
  escWatts: number;
}

export const newFlow = (): Flow => ({ motorAmps: 0, packAmps: 0, torque: 0, windingWatts: 0, escWatts: 0 });

/** No winding has less; without any, a ripple would have no end, H. */
const LEAST_INDUCTANCE = 1e-8;

/** The model of advance is proven to here, electrical. */
export const PROVEN_ADVANCE = (30 * Math.PI) / 180;

/**
 * What flows while driving, with the pack's own resistance in the loop, so that bus and motor agree:
 * I = (d·V_oc − E·cos θ)/(R + k·ω_e·L + d²·R_p), k ≈ 0.7 for the reactance of the commutated winding; torque
 * K_t·cos θ·I + k′·p·L·I². Advance as field weakening: Hanselman, Brushless Permanent Magnet Motor Design. An undamped
 * bridge whose current would not flow all the time takes the discontinuous form, mean motor current
 * d²·(V−E)·V/(2·L·f·E) and mean pack current d²·(V−E)/(2·L·f). Ripple, switching and diode losses come out of the pack.
 *
 * @param windingFactor resistance of the winding over that of `motor`, for its temperature
 * @param shaftSpeed rad/s, ≥ 0
 * @param openVolts of the whole pack, its slow sag taken off
 * @param packOhm pack and leads
 */
export function driveFlow(
  motor: MotorModel,
  windingFactor: number,
  drive: Drive,
  shaftSpeed: number,
  openVolts: number,
  packOhm: number,
  out: Flow,
): void {
  const { duty, frequencyHz } = drive;
  const L = Math.max(motor.inductance, LEAST_INDUCTANCE);
  const winding = (motor.resistance - motor.bridgeResistance) * windingFactor;
  const R = winding + motor.bridgeResistance;
  const electrical = motor.polePairs * shaftSpeed;
  const theta = Math.min(drive.advance, PROVEN_ADVANCE);
  const cosine = Math.cos(theta);
  const backEmf = motor.constant * shaftSpeed * cosine;
  const resisting = R + REACTIVE_SHARE * electrical * L;
  let current = (duty * openVolts - backEmf) / (resisting + duty * duty * packOhm);
  let conducting = duty;
  if (current > drive.currentLimit) {
    current = drive.currentLimit;
    conducting = dutyFor(current, backEmf, resisting, openVolts, packOhm);
  }
  let packAmps = conducting * current;
  let diodeWatts = 0;
  /** The discontinuous form draws neither copper loss nor the work of the lagging current by itself. */
  let undrawn = false;
  if (!drive.damped && duty < 1) {
    const continuousFrom = (openVolts * duty * (1 - duty)) / (2 * L * frequencyHz);
    if (current < continuousFrom) {
      const over = Math.max(0, openVolts - backEmf);
      const pulsed = (duty * duty * over * openVolts) / (2 * L * frequencyHz * Math.max(backEmf, 1e-9));
      // Slower than duty times voltage the current would flow all the time but for its resistance.
      current = Math.min(pulsed, continuousFrom);
      packAmps = (current * backEmf) / openVolts;
      undrawn = true;
    }
    diodeWatts = DIODE_VOLTS * Math.max(0, current) * (1 - duty);
  } else if (!drive.damped && current < 0) {
    current = 0;
    packAmps = 0;
  }
  const switches = duty > 0 && duty < 1;
  const swing = switches ? (openVolts * duty * (1 - duty)) / (L * frequencyHz) : 0;
  const rippleSquare = (swing * swing) / 12;
  const carried = Math.abs(current);
  // At full duty nothing switches; just below, ever fewer periods do.
  const switching = Math.min(1, (1 - duty) * FADES_OVER);
  const switchingWatts = switches
    ? switching *
      carried *
      frequencyHz *
      (0.5 * openVolts * motor.switchingTime + 2 * DIODE_VOLTS * DEAD_TIME_S)
    : 0;
  const beyond =
    drive.advance > PROVEN_ADVANCE ? circulating(motor, drive.advance, electrical, openVolts) : 0;
  const copper = current * current * (R + (REACTIVE_SHARE - REACTIVE_TORQUE_SHARE) * electrical * L);
  const lagging = REACTIVE_TORQUE_SHARE * motor.polePairs * L * current * carried;
  const gross = motor.constant * cosine * current + lagging;
  const friction = motor.constant * motor.noLoadCurrent;
  const bridgeShare = motor.bridgeResistance / R;
  const rippleWatts = rippleSquare * R;
  const circulatingWatts = 3 * beyond * beyond * (R / 2);
  const extraWatts =
    rippleWatts +
    switchingWatts +
    circulatingWatts +
    diodeWatts +
    (undrawn ? copper + lagging * shaftSpeed : 0);
  const volts = Math.max(openVolts - packAmps * packOhm, openVolts * LEAST_BUS_SHARE);
  out.motorAmps = current;
  out.packAmps = packAmps + extraWatts / volts;
  // At rest, friction holds and does not pull back.
  out.torque = shaftSpeed > 0 ? gross - friction : Math.max(0, gross - friction);
  out.windingWatts =
    (copper + rippleWatts + circulatingWatts) * (1 - bridgeShare) +
    motor.constant * motor.noLoadCurrent * shaftSpeed;
  out.escWatts = (copper + rippleWatts + circulatingWatts) * bridgeShare + switchingWatts + diodeWatts;
}

/** A bus that sags below this share of the open voltage is none any more. */
const LEAST_BUS_SHARE = 0.1;

/** The duty at which a current just flows: I·R_p·d² − V_oc·d + (E + I·R) = 0, the smaller root. */
function dutyFor(
  current: number,
  backEmf: number,
  resisting: number,
  openVolts: number,
  packOhm: number,
): number {
  const c = backEmf + current * resisting;
  const a = current * packOhm;
  if (a < 1e-12) return c / openVolts;
  const under = openVolts * openVolts - 4 * a * c;
  return under <= 0 ? openVolts / (2 * a) : (openVolts - Math.sqrt(under)) / (2 * a);
}

/**
 * Current that circulates in each phase with more advance than is proven, A: about V·sin²θ/(3·ω_e·L) of the excess.
 * Assumed; marked "outside the proven range" wherever it counts.
 */
function circulating(motor: MotorModel, advance: number, electrical: number, volts: number): number {
  const sine = Math.sin(Math.min(advance, Math.PI / 2)) ** 2 - Math.sin(PROVEN_ADVANCE) ** 2;
  return (volts * sine) / (3 * Math.max(electrical, 1) * motor.inductance);
}

/** Current of a blocked motor at a duty, A, and the pack's voltage under it. */
export function blocked(
  motor: MotorModel,
  duty: number,
  currentLimit: number,
  openVolts: number,
  packOhm: number,
): { motorAmps: number; packVolts: number } {
  const free = (duty * openVolts) / (motor.resistance + duty * duty * packOhm);
  const motorAmps = Math.min(free, currentLimit);
  const conducting = free > currentLimit ? dutyFor(motorAmps, 0, motor.resistance, openVolts, packOhm) : duty;
  return { motorAmps, packVolts: openVolts - conducting * motorAmps * packOhm };
}
