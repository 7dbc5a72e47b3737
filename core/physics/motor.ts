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

/**
 * What the reactance ω_e·L of a commutated winding does, by how fast it turns: `working` of it makes torque through the
 * lagging current, `heating` of it is copper loss beyond I²·R. Both together resist like a resistance.
 */
interface Reactance {
  working: number;
  heating: number;
}

/** Nothing is divided by less, V. */
const LEAST_VOLTS = 1e-9;

/** In overrun all of it works, the other way round. */
const OVERRUN_SHARE = 0.42;

/**
 * The two shares, fitted to a three-phase switching simulation of our own (`reference/drive.csv`).
 * @param speedShare back-EMF over duty times bus voltage
 * @param theta advance, electrical rad
 */
function reactanceAt(speedShare: number, theta: number, out: Reactance): void {
  out.working = Math.min(0.66, 0.95 * speedShare) * (1 - 0.25 * theta);
  out.heating = Math.max(0, 1.08 - 1.33 * speedShare) * (1 - 0.37 * theta);
}

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
  /** Total advance, electrical radians; beyond what is proven it is capped, and costs heat. Below zero it retards. */
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
export const LEAST_INDUCTANCE = 1e-8;

/** The model of advance is proven to here, electrical. */
export const PROVEN_ADVANCE = (30 * Math.PI) / 180;

/** Rounds of settling the reactance and the bus voltage against each other; the last moves the current by under 0.1 %. */
const REACTANCE_ROUNDS = 3;

/** What flows in the motor, and how much of each period the bridge conducts for it. Reused. */
const driven = { current: 0, conducting: 0 };
const reactance: Reactance = { working: 0, heating: 0 };

/**
 * Fills `driven` and `reactance`: I = (d·V_oc − E·cos θ)/(R + k·ω_e·L + d²·R_p), with the pack's own resistance in the loop.
 * The limit of the ESC takes duty back until it just flows.
 */
function settle(
  drive: Drive,
  R: number,
  reactive: number,
  emf: number,
  theta: number,
  openVolts: number,
  packOhm: number,
): void {
  const { duty } = drive;
  const backEmf = emf * Math.cos(theta);
  driven.conducting = duty;
  driven.current = 0;
  for (let round = 0; round < REACTANCE_ROUNDS; round += 1) {
    const bus = openVolts - driven.conducting * driven.current * packOhm;
    if (driven.conducting * bus >= backEmf)
      reactanceAt(emf / Math.max(driven.conducting * bus, LEAST_VOLTS), Math.max(0, theta), reactance);
    else {
      reactance.working = OVERRUN_SHARE;
      reactance.heating = 0;
    }
    const resisting = R + (reactance.working + reactance.heating) * reactive;
    driven.current = (duty * openVolts - backEmf) / (resisting + duty * duty * packOhm);
    driven.conducting = duty;
    if (driven.current > drive.currentLimit) {
      driven.current = drive.currentLimit;
      driven.conducting = dutyFor(driven.current, backEmf, resisting, openVolts, packOhm);
    }
  }
}

/**
 * What flows while driving. Mean current as `settle` has it; torque K_t·cos θ·I + k′·p·L·I², where the lag's torque keeps its
 * sign; copper I²·(R + h·ω_e·L). Advance as field weakening: Hanselman, Brushless Permanent Magnet Motor Design. An undamped
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
  const R = (motor.resistance - motor.bridgeResistance) * windingFactor + motor.bridgeResistance;
  const electrical = motor.polePairs * shaftSpeed;
  const theta = Math.max(-Math.PI / 2, Math.min(drive.advance, PROVEN_ADVANCE));
  const cosine = Math.cos(theta);
  const emf = motor.constant * shaftSpeed;
  const backEmf = emf * cosine;
  settle(drive, R, electrical * L, emf, theta, openVolts, packOhm);
  let { current } = driven;
  let packAmps = driven.conducting * current;
  let diodeWatts = 0;
  /** The discontinuous form says what flows in the motor; what it takes for that is drawn as power. */
  let undrawn = false;
  if (!drive.damped && duty < 1) {
    const continuousFrom = (openVolts * duty * (1 - duty)) / (2 * L * frequencyHz);
    if (current < continuousFrom) {
      const over = Math.max(0, openVolts - backEmf);
      const pulsed = (duty * duty * over * openVolts) / (2 * L * frequencyHz * Math.max(backEmf, 1e-9));
      // Slower than duty times voltage the current would flow all the time but for its resistance.
      current = Math.min(pulsed, continuousFrom);
      packAmps = 0;
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
  const copper = current * current * (R + reactance.heating * electrical * L);
  const lagging = reactance.working * motor.polePairs * L * current * current;
  const gross = motor.constant * cosine * current + lagging;
  const friction = motor.constant * motor.noLoadCurrent;
  const bridgeShare = motor.bridgeResistance / R;
  const rippleWatts = rippleSquare * R;
  const circulatingWatts = circulatingLoss(R, drive.advance, electrical, L, Math.min(emf, openVolts));
  const extraWatts =
    rippleWatts +
    switchingWatts +
    circulatingWatts +
    diodeWatts +
    (undrawn ? current * backEmf + copper + lagging * shaftSpeed : 0);
  const drawnWatts = packAmps * (openVolts - packAmps * packOhm) + extraWatts;
  out.motorAmps = current;
  // A motor that holds its pack below half its voltage takes all that it gives: losses beside it draw no more.
  out.packAmps = Math.max(packAmps, ampsFor(drawnWatts, openVolts, packOhm));
  // At rest, friction holds and does not pull back.
  out.torque = shaftSpeed > 0 ? gross - friction : Math.max(0, gross - friction);
  out.windingWatts =
    (copper + rippleWatts + circulatingWatts) * (1 - bridgeShare) +
    motor.constant * motor.noLoadCurrent * shaftSpeed;
  out.escWatts = (copper + rippleWatts + circulatingWatts) * bridgeShare + switchingWatts + diodeWatts;
}

/**
 * The current that draws so many watts from a pack that sags under it, A: the smaller root of I·(V − I·R_p) = P. More than the
 * most that it can give is not drawn.
 */
function ampsFor(watts: number, volts: number, packOhm: number): number {
  if (packOhm < 1e-9) return watts / volts;
  const under = volts * volts - 4 * packOhm * watts;
  return under <= 0 ? volts / (2 * packOhm) : (2 * watts) / (volts + Math.sqrt(under));
}

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
 * Heat of what circulates in the phases with more advance than is proven, W: the excess of sin²θ of the back-EMF (at most of the
 * bus) over the impedance of the winding. So it is zero at rest, never more than V/R, and turns nothing. Assumed; marked
 * "outside the proven range" wherever it counts.
 * @param volts the smaller of back-EMF and bus
 */
function circulatingLoss(R: number, advance: number, electrical: number, L: number, volts: number): number {
  if (advance <= PROVEN_ADVANCE) return 0;
  const sine = Math.sin(Math.min(advance, Math.PI / 2)) ** 2 - Math.sin(PROVEN_ADVANCE) ** 2;
  const amps = (volts * sine) / (3 * Math.hypot(R, electrical * L));
  return 3 * amps * amps * (R / 2);
}

/** Current of a stalled motor at a duty, A, and the pack's voltage under it. */
export function stalled(
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
