/**
 * What wheels and propellers have in common: a pack that sags, a bridge that drives or brakes by a command, a motor, and
 * their heat. Its seven variables stand together in the state of a run, in the order of `TRAIN`.
 */
import { WARM_C } from './resolved';
import { copperResistance, driveFlow, newFlow, type Flow } from './motor';
import { openCircuitVolts, resistanceFactor, SLOW_SECONDS, SLOW_SAG_SHARE, temperatureFactor } from './pack';
import type { Braking } from './brakeChopper';
import { brakeAt, driveAt, newDrive, type BrakeCall, type BridgeSetting } from './bridge';
import { heatRates } from './thermalNodes';
import type { ResolvedPower } from './resolved';

/** Places of the power train's variables, counted from where they begin in the state. */
export const TRAIN = {
  /** Drawn from one motor's share of the pack, A·s. */
  drawn: 0,
  /** The slow part of the sag, V. */
  slowSag: 1,
  /** A cell's voltage as the cutoff sees it, filtered, V. */
  seenCell: 2,
  winding: 3,
  case: 4,
  esc: 5,
  pack: 6,
} as const;

/** What each is large against: with the rig's accuracy, the error below which it counts as nothing. */
export const TRAIN_SCALES = [50, 1, 1, 50, 50, 50, 50] as const;

/** The cutoff looks at a voltage that is smoothed over this time, s. Assumed. */
const CUTOFF_FILTER_S = 0.4;
/** What the trigger asks for during a part of a run. */
export interface RunPart {
  lengthS: number;
  kind: 'drive' | 'brake';
  /** Duty or brake strength, 0 to 1, at its start and at its end; it gets there at `perSecond` and stays. */
  from: number;
  to: number;
  perSecond: number;
  /** Signal of the trigger behind it, −1 to 1: what boost, turbo and the law of the brake follow. */
  signal: number;
  /** What the ground asks for on top of rolling, as a share of the weight: corners and climbs. */
  extraShare?: number;
  /** How many times over it counts for charge and heat: a lap that stands for several alike. */
  standsFor?: number;
}

/** Ends or marks a run where its value changes sign. */
export interface Mark {
  value: (y: Float64Array, t: number) => number;
  /** Whether the run ends there. */
  ends: boolean;
  /** Told once, when it is reached. */
  reached?: (t: number, y: Float64Array) => void;
}

/** The times at which a part changes what it asks for: the end of its ramp, if that lies within, and its end. */
export function breaksOf(part: RunPart, startS: number): number[] {
  const endS = startS + part.lengthS;
  const rampS = part.perSecond > 0 ? Math.abs(part.to - part.from) / part.perSecond : 0;
  return rampS > 0 && rampS < part.lengthS ? [startS + rampS, endS] : [endS];
}

/** Writes a full pack and a warm motor into a state. */
export function startTrain(rig: ResolvedPower, y: Float64Array, place: number): void {
  y[place + TRAIN.seenCell] = rig.openVolts / rig.cells;
  y[place + TRAIN.winding] = WARM_C;
  y[place + TRAIN.case] = WARM_C;
  y[place + TRAIN.esc] = rig.ambientC;
  y[place + TRAIN.pack] = rig.ambientC;
}

const IDLE: RunPart = { lengthS: 0, kind: 'drive', from: 0, to: 0, perSecond: 0, signal: 0 };

/**
 * The power train of a rig, set up. A class and not closures: its methods are compiled once for all runs, and nothing is
 * made again while it runs.
 */
export class PowerTrain {
  /** What flows now; the same object each time. */
  readonly flow: Flow = newFlow();
  packVolts = 0;
  private readonly rig: ResolvedPower;
  private readonly bridge: BridgeSetting;
  private readonly place: number;
  private readonly coulombs: number;
  private readonly cellOhm: number;
  /** Turns a cell's resistance as warm as the air into what it is at another temperature. */
  private readonly stated: number;
  private readonly warmWinding: number;
  private readonly drive = newDrive();
  private readonly braking: Braking = { amps: 0, returned: 0 };
  private readonly call: BrakeCall = { strength: 0, stays: true, pushed: false };
  private part = IDLE;
  private standsFor = 1;
  private partStart = 0;
  /** Of all cells, as charged and as warm as they are, ohm. */
  private cellsOhm: number;

  /** @param place where its variables begin in the state */
  constructor(rig: ResolvedPower, bridge: BridgeSetting, place: number) {
    this.rig = rig;
    this.bridge = bridge;
    this.place = place;
    this.coulombs = rig.capacityAh * 3600;
    this.cellOhm = rig.packOhm - rig.leadOhm;
    this.cellsOhm = this.cellOhm;
    this.stated = 1 / temperatureFactor(rig.ambientC);
    this.warmWinding = rig.motor.resistance - rig.motor.bridgeResistance;
  }

  begin(next: RunPart, startS: number): void {
    this.part = next;
    this.partStart = startS;
    this.standsFor = next.standsFor ?? 1;
  }

  /** Whether the command has come to where it stays. */
  steadied(t: number): boolean {
    const { perSecond, to, from } = this.part;
    return perSecond <= 0 || perSecond * (t - this.partStart) >= Math.abs(to - from) - 1e-12;
  }

  /** Fills `flow` for a time, a shaft speed in rad/s and a state; returns the torque at the shaft, N·m. */
  torqueAt(t: number, shaft: number, y: Float64Array): number {
    const { rig, part, place, flow } = this;
    const charge = rig.startCharge - y[place + TRAIN.drawn]! / this.coulombs;
    const open = rig.cells * openCircuitVolts(rig.chemistry, charge) - y[place + TRAIN.slowSag]!;
    this.cellsOhm =
      this.cellOhm * resistanceFactor(charge) * temperatureFactor(y[place + TRAIN.pack]!) * this.stated;
    const packOhm = this.cellsOhm + rig.leadOhm;
    const value = this.commanded(t);
    if (part.kind === 'drive' && value > 0) {
      driveAt(this.bridge, value, part.signal, shaft, t - this.partStart, this.drive);
      const heat = copperResistance(1, y[place + TRAIN.winding]!) / copperResistance(1, WARM_C);
      driveFlow(rig.motor, heat, this.drive, shaft, open, packOhm, flow);
    } else this.brake(part.kind === 'brake' ? value : 0, part.signal < 0, shaft, open, packOhm);
    this.packVolts = open - flow.packAmps * packOhm;
    return flow.torque;
  }

  /** The rates of its own variables, from what flows now. */
  rates(moving: boolean, y: Float64Array, out: Float64Array): void {
    const { rig, flow, place, cellOhm, standsFor } = this;
    const { packAmps } = flow;
    const slow = y[place + TRAIN.slowSag]!;
    out[place + TRAIN.drawn] = standsFor * (packAmps + this.bridge.ownAmps);
    out[place + TRAIN.slowSag] = (packAmps * cellOhm * SLOW_SAG_SHARE - slow) / SLOW_SECONDS;
    out[place + TRAIN.seenCell] = (this.packVolts / rig.cells - y[place + TRAIN.seenCell]!) / CUTOFF_FILTER_S;
    heatRates(
      rig.thermal,
      rig.fan,
      rig.ambientC,
      moving,
      flow.windingWatts,
      flow.escWatts + this.bridge.ownWatts,
      y,
      out,
      place + TRAIN.winding,
    );
    const packWatts =
      packAmps * packAmps * this.cellsOhm + (cellOhm > 0 ? (slow * slow) / (cellOhm * SLOW_SAG_SHARE) : 0);
    const toAir = (y[place + TRAIN.pack]! - rig.ambientC) / rig.packThermal.toAir;
    out[place + TRAIN.pack] = (standsFor * (packWatts - toAir)) / rig.packThermal.joulesPerK;
    out[place + TRAIN.winding]! *= standsFor;
    out[place + TRAIN.case]! *= standsFor;
    out[place + TRAIN.esc]! *= standsFor;
  }

  /** Duty or brake strength at a time. */
  private commanded(t: number): number {
    const { from, to, perSecond } = this.part;
    if (perSecond <= 0) return to;
    const gone = perSecond * (t - this.partStart);
    return to >= from ? Math.min(to, from + gone) : Math.max(to, from - gone);
  }

  private brake(strength: number, pushed: boolean, shaft: number, open: number, packOhm: number): void {
    const { flow } = this;
    const { motor } = this.rig;
    // Above no-load speed the diodes brake, whatever is commanded.
    const brakes = strength > 0 || motor.constant * shaft > open;
    const { braking } = this;
    this.call.strength = strength;
    this.call.stays = this.part.perSecond <= 0 || strength === this.part.to;
    this.call.pushed = pushed;
    if (brakes) brakeAt(this.bridge.brake, this.call, shaft, open, packOhm, braking);
    else [braking.amps, braking.returned] = [0, 0];
    const { amps, returned: back } = braking;
    const friction = shaft > 0 ? motor.noLoadCurrent : 0;
    const lost = Math.max(0, motor.constant * (amps + friction) * shaft - back * (open + back * packOhm));
    flow.motorAmps = amps;
    flow.packAmps = -back;
    flow.torque = -motor.constant * (amps + friction);
    flow.escWatts = (lost * motor.bridgeResistance) / motor.resistance;
    flow.windingWatts = (lost * this.warmWinding) / motor.resistance;
  }
}
