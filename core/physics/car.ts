/**
 * A car on its driven wheels, as modes: gripping, where wheel and ground move together; sliding, where the wheels have a
 * speed of their own; and rest. Clamping the force alone would be simpler and wrong: the motor would not feel that its
 * wheels spin or slow down. Changes of mode are events, found within the step; rest is one of them, not a smoothed sign.
 * Longitudinal model: Gillespie, Fundamentals of Vehicle Dynamics. Left out: tyres that grip less when they slide, suspension.
 */
import { GRAVITY } from '../units/convert';
import { AIR_DENSITY } from './air';
import { newFlow, type Flow } from './motor';
import { PowerTrain, startTrain, TRAIN, TRAIN_SCALES, type RunPart } from './powerTrain';
import type { BridgeSetting } from './bridge';
import type { System } from './solve';
import { gearingOf, tyreModel, tyreSize, type TyreModel } from './tyre';
import type { ResolvedWheels } from './resolved';

/** Variables of the car itself; those of its power train come after. */
const OWN = 4;

/** Places in the state of a run. */
export const AT = {
  /** Of the car, m/s. */
  speed: 0,
  /** Of the tyre's surface, m/s. Equal to `speed` while gripping. */
  tyreSpeed: 1,
  distance: 2,
  /** What the tyres have run, m. */
  tyreDistance: 3,
  drawn: OWN + TRAIN.drawn,
  slowSag: OWN + TRAIN.slowSag,
  seenCell: OWN + TRAIN.seenCell,
  winding: OWN + TRAIN.winding,
  case: OWN + TRAIN.case,
  esc: OWN + TRAIN.esc,
  pack: OWN + TRAIN.pack,
} as const;
export const SIZE = OWN + TRAIN_SCALES.length;

/** Height of the weight over the wheelbase, where one axle drives. Assumed. */
const HEIGHT_SHARE = 0.22;

/** What flows at a moment of a run: electrical, and at the tyre. */
export interface Moment extends Flow {
  /** Of motor or brake at the tyre, N, positive forward. */
  tyreForce: number;
  /** Between tyre and ground, N. */
  groundForce: number;
  packVolts: number;
}

/** The most force that the driven wheels can put on the ground, N, driving or braking: weight moves while they do. */
export function gripLimit(rig: ResolvedWheels, braking = false): number {
  const whole = rig.grip * rig.massKg * GRAVITY;
  if (rig.drivenWeightShare >= 1) return whole;
  const moved = rig.grip * HEIGHT_SHARE;
  const driven = (whole * rig.drivenWeightShare) / (braking ? 1 + moved : 1 - moved);
  return Math.min(whole, driven);
}

/** Rolling and air resistance at a forward speed, N, ≥ 0. */
export function resistance(rig: ResolvedWheels, speed: number): number {
  const rolling = rig.rollingResistance * rig.massKg * GRAVITY;
  return rolling + 0.5 * AIR_DENSITY * rig.dragAreaM2 * speed * speed;
}

/** What turns with the wheels, felt at the tyre, kg. */
const turningMass = (rig: ResolvedWheels): number =>
  (rig.wheelInertiaKgM2 + rig.motor.rotorInertia * rig.finalDrive * rig.finalDrive) / rig.wheelRadiusM ** 2;

/** A clutch is set to slip just before the tyres do, as a share of their grip. Common practice; the share is assumed. */
const CLUTCH_OF_GRIP = 0.95;
/** Rounds of finding the speed at which the motor gives what a slipping clutch carries. */
const CLUTCH_ROUNDS = 30;
/** How near to that it comes, as a share. */
const CLUTCH_EXACT = 1e-6;

/** A car at a speed, its pack as charged as drills begin, its motor warm. */
export function startState(rig: ResolvedWheels, speed: number): Float64Array {
  const y = new Float64Array(SIZE);
  y[AT.speed] = speed;
  y[AT.tyreSpeed] = speed;
  startTrain(rig, y, OWN);
  return y;
}

/** `spin` is a slide that has settled: the tyre turns as fast as motor and ground agree, from moment to moment. */
type Mode = 'grip' | 'slide' | 'spin' | 'rest';

/** A slide counts as settled when what turns the wheels is so small a share of the grip, for each bit of accuracy. */
const SETTLED_FOR_ACCURACY = 20;

/** What was asked last: events look where the last derivative has just been taken. */
interface LastAsked {
  t: number;
  tyreSpeed: number;
  drawn: number;
  slowSag: number;
  winding: number;
  pack: number;
  force: number;
}

/** A car with one programme running on it. A class for the same reason as its power train. */
export class Car implements System {
  readonly size = SIZE;
  events: System['events'] = [];
  private readonly rig: ResolvedWheels;
  private readonly train: PowerTrain;
  private readonly turning: number;
  /** The same without the rotor, which a slipping clutch lets go. */
  private readonly wheelsAlone: number;
  /** What turns with the wheels at the moment that was looked at last, felt at the tyre, kg. */
  private turns: number;
  private readonly gearing: number;
  private readonly tyre: TyreModel;
  /** The most torque that the clutch carries, at the motor's shaft, N·m; Infinity without one. */
  private readonly clutchTorque: number;
  private readonly rolling: number;
  private extra = 0;
  private readonly airDrag: number;
  private readonly driveLimit: number;
  private readonly brakeLimit: number;
  private readonly settledBelow: number;
  private readonly now: Moment = { ...newFlow(), tyreForce: 0, groundForce: 0, packVolts: 0 };
  private readonly last: LastAsked = {
    t: NaN,
    tyreSpeed: NaN,
    drawn: NaN,
    slowSag: NaN,
    winding: NaN,
    pack: NaN,
    force: 0,
  };
  private mode: Mode = 'grip';
  /** Which way the tyre is faster than the ground. */
  private slipSign = 1;
  private moving = false;
  /** What the last event has just decided, whatever its last digits say. */
  private loosened = false;
  private released = false;
  private settled = false;
  /** Of a settled slide: the tyre's speed, and how its force falls with it, N per m/s. */
  private spinSpeed = 0;
  private spinSlope = -1;

  constructor(rig: ResolvedWheels, bridge: BridgeSetting) {
    const { massKg: mass } = rig;
    this.rig = rig;
    this.train = new PowerTrain(rig, bridge, OWN);
    this.turning = turningMass(rig);
    this.wheelsAlone = rig.wheelInertiaKgM2 / rig.wheelRadiusM ** 2;
    this.turns = this.turning;
    this.gearing = gearingOf(rig);
    this.rolling = rig.rollingResistance * mass * GRAVITY;
    this.airDrag = 0.5 * AIR_DENSITY * rig.dragAreaM2;
    this.driveLimit = gripLimit(rig);
    this.brakeLimit = gripLimit(rig, true);
    this.tyre = tyreModel(rig);
    this.clutchTorque = rig.slipperClutch
      ? (CLUTCH_OF_GRIP * this.driveLimit) / (this.gearing * rig.drivelineEfficiency)
      : Infinity;
    this.settledBelow = SETTLED_FOR_ACCURACY * rig.accuracy * Math.min(this.driveLimit, this.brakeLimit);
  }

  begin(next: RunPart, startS: number): void {
    this.last.t = NaN;
    this.extra = (next.extraShare ?? 0) * this.rig.massKg * GRAVITY;
    this.train.begin(next, startS);
  }
  isSliding(): boolean {
    return this.mode === 'slide' || this.mode === 'spin';
  }
  isAtRest(): boolean {
    return this.mode === 'rest';
  }

  derivative(t: number, y: Float64Array, out: Float64Array): void {
    const { mode } = this;
    const speed = y[AT.speed]!;
    const force = this.forceNow(t, y);
    const drag = speed > 0 || mode !== 'rest' ? this.resisting(Math.max(0, speed)) : 0;
    if (mode === 'rest') {
      out[AT.speed] = 0;
      out[AT.tyreSpeed] = 0;
    } else if (mode === 'grip') {
      const gain = (force - drag) / (this.rig.massKg + this.turns);
      out[AT.speed] = gain;
      out[AT.tyreSpeed] = gain;
    } else {
      const ground = this.groundOfSlide();
      const gain = (ground - drag) / this.rig.massKg;
      // Rolling resistance holds a car; it drives none backwards.
      out[AT.speed] = speed <= 0 ? Math.max(0, gain) : gain;
      out[AT.tyreSpeed] = mode === 'spin' ? 0 : (force - ground) / this.turns;
    }
    out[AT.distance] = speed;
    out[AT.tyreDistance] = mode === 'spin' ? this.spinSpeed : y[AT.tyreSpeed]!;
    this.train.rates(this.moving, y, out);
  }

  chooseMode(t: number, y: Float64Array): void {
    if (this.mode === 'spin') this.mode = 'slide';
    this.moving = y[AT.speed]! > 0.1;
    const slip = y[AT.tyreSpeed]! - y[AT.speed]!;
    const force = this.forceAt(t, y);
    const drag = this.resisting(Math.max(0, y[AT.speed]!));
    const stands = y[AT.speed]! <= 1e-9 && y[AT.tyreSpeed]! <= 1e-9;
    if (stands && !this.released && force <= drag + 1e-12) {
      this.mode = 'rest';
      return;
    }
    this.released = false;
    if (Math.abs(slip) > 1e-7) {
      this.slipSign = Math.sign(slip);
      this.mode = this.settled ? 'spin' : 'slide';
      this.spinSpeed = y[AT.tyreSpeed]!;
      this.settled = false;
      return;
    }
    const ground = this.held(force, drag);
    if (this.loosened || Math.abs(ground) > this.limitFor(ground)) {
      this.loosened = false;
      this.mode = 'slide';
      this.slipSign = Math.sign(ground);
    } else this.mode = 'grip';
  }

  /** What ends the present mode. */
  modeEvents(startS: number): readonly ((t: number, y: Float64Array) => number)[] {
    if (this.mode === 'rest') return this.ofRest;
    if (this.mode === 'grip') return this.ofGrip;
    if (this.mode === 'spin') return this.ofSpin;
    // While the command still moves, the wheels never settle for long.
    return this.train.steadied(startS) ? this.ofSteadySlide : this.ofSlide;
  }

  private readonly stands = (_t: number, y: Float64Array): number => y[AT.speed]!;
  private readonly slip = (_t: number, y: Float64Array): number => y[AT.tyreSpeed]! - y[AT.speed]!;
  private readonly ofRest = [(t: number, y: Float64Array): number => this.forceAt(t, y) - this.resisting(0)];
  private readonly ofGrip = [(t: number, y: Float64Array): number => this.gripLeft(t, y), this.stands];
  private readonly ofSpin = [
    (t: number, y: Float64Array): number => {
      this.settle(t, y);
      return this.spinSpeed - y[AT.speed]!;
    },
    this.stands,
  ];
  private readonly ofSlide = [this.slip, this.stands];
  private readonly ofSteadySlide = [
    this.slip,
    this.stands,
    (t: number, y: Float64Array): number =>
      Math.abs(this.forceAt(t, y) - this.groundOfSlide()) - this.settledBelow,
  ];

  /** Takes what a mode kept beside the state back into it. */
  endPiece(t: number, y: Float64Array): void {
    if (this.mode !== 'spin') return;
    this.settle(t, y);
    y[AT.tyreSpeed] = this.spinSpeed;
  }

  changeMode(event: number, y: Float64Array): void {
    const { mode } = this;
    this.settled = mode === 'slide' && event === 2;
    this.loosened = mode === 'grip' && event === 0;
    this.released = mode === 'rest';
    if ((mode === 'slide' || mode === 'spin') && event === 0) y[AT.tyreSpeed] = y[AT.speed]!;
    if (mode !== 'rest' && event === 1) {
      y[AT.speed] = 0;
      if (mode === 'grip') y[AT.tyreSpeed] = 0;
    }
  }

  /** What flows at a time and a state; the same object each time. */
  moment(t: number, y: Float64Array): Moment {
    const { now } = this;
    const tyreForce = this.forceAt(t, y);
    const ground = this.held(tyreForce, this.resisting(Math.max(0, y[AT.speed]!)));
    Object.assign(now, this.train.flow);
    now.tyreForce = tyreForce;
    now.groundForce = Math.sign(ground) * Math.min(Math.abs(ground), this.limitFor(ground));
    now.packVolts = this.train.packVolts;
    return now;
  }

  private forceNow(t: number, y: Float64Array): number {
    if (this.mode === 'spin') return this.settle(t, y);
    const force = this.forceAt(t, y);
    return this.mode === 'rest' ? Math.max(0, force) : force;
  }

  /** Fills what flows and returns the force at the tyre. */
  private forceAt(t: number, y: Float64Array): number {
    const { last } = this;
    const tyreSpeed = Math.max(0, this.mode === 'spin' ? this.spinSpeed : y[AT.tyreSpeed]!);
    const drawn = y[AT.drawn]!;
    const slowSag = y[AT.slowSag]!;
    const winding = y[AT.winding]!;
    const pack = y[AT.pack]!;
    if (
      t === last.t &&
      tyreSpeed === last.tyreSpeed &&
      drawn === last.drawn &&
      slowSag === last.slowSag &&
      winding === last.winding &&
      pack === last.pack
    )
      return last.force;
    last.t = t;
    last.tyreSpeed = tyreSpeed;
    last.drawn = drawn;
    last.slowSag = slowSag;
    last.winding = winding;
    last.pack = pack;
    const gearing = this.gearing / tyreSize(this.tyre, tyreSpeed);
    const shaft = tyreSpeed * gearing;
    let torque = this.train.torqueAt(t, shaft, y);
    const slips = torque > this.clutchTorque;
    if (slips) torque = this.slippingAt(t, shaft, torque, y);
    this.turns = slips ? this.wheelsAlone : this.turning;
    const { drivelineEfficiency } = this.rig;
    last.force =
      torque >= 0 ? torque * gearing * drivelineEfficiency : (torque * gearing) / drivelineEfficiency;
    return last.force;
  }

  /**
   * A slipping clutch: the motor runs ahead to where it gives just what the clutch carries; the difference of speeds is heat
   * in the clutch. The rotor's own time, some milliseconds, is left out. Its torque falls with speed, nearly along a line:
   * false position, Illinois' variant (Dowell and Jarratt, BIT 11, 1971).
   * @param torque at the shaft speed of the wheels, more than the clutch carries
   */
  private slippingAt(t: number, shaft: number, torque: number, y: Float64Array): number {
    const { clutchTorque } = this;
    const offAt = (speed: number): number => this.train.torqueAt(t, speed, y) - clutchTorque;
    let low = shaft;
    let high = 2 * (this.tyre.fullTyreSpeed * this.gearing + shaft);
    let over = torque - clutchTorque;
    let under = offAt(high);
    let off = over;
    for (let round = 0; round < CLUTCH_ROUNDS && Math.abs(off) > CLUTCH_EXACT * clutchTorque; round += 1) {
      const between = low + ((high - low) * over) / (over - under);
      const side = Math.sign(off);
      off = offAt(between);
      if (off > 0) {
        low = between;
        over = off;
        if (side > 0) under /= 2;
      } else {
        high = between;
        under = off;
        if (side < 0) over /= 2;
      }
    }
    return clutchTorque;
  }

  private resisting(speed: number): number {
    return this.rolling + (this.moving ? this.extra : 0) + this.airDrag * speed * speed;
  }

  /** What the ground would have to carry for wheels and car to stay together, N. */
  private held(force: number, drag: number): number {
    return force - (this.turns * (force - drag)) / (this.rig.massKg + this.turns);
  }

  private limitFor(ground: number): number {
    return ground >= 0 ? this.driveLimit : this.brakeLimit;
  }

  private groundOfSlide(): number {
    return this.slipSign > 0 ? this.driveLimit : -this.brakeLimit;
  }

  private gripLeft(t: number, y: Float64Array): number {
    const ground = this.held(this.forceAt(t, y), this.resisting(Math.max(0, y[AT.speed]!)));
    return this.limitFor(ground) - Math.abs(ground);
  }

  /**
   * Brings a settled slide to the tyre speed at which its force is the ground's: a secant step or two. A tyre that is held back
   * turns slower than the car, whatever a step says: a motor that is driven far too fast hardly brakes.
   */
  private settle(t: number, y: Float64Array): number {
    const ground = this.groundOfSlide();
    const most = this.slipSign < 0 ? Math.max(0, y[AT.speed]!) : Infinity;
    let off = this.forceAt(t, y) - ground;
    for (let n = 0; n < 3 && Math.abs(off) > 0.5 * this.settledBelow; n += 1) {
      const from = this.spinSpeed;
      this.spinSpeed = Math.min(most, Math.max(0, from - off / this.spinSlope));
      if (this.spinSpeed === from) break;
      const next = this.forceAt(t, y) - ground;
      const slope = (next - off) / (this.spinSpeed - from);
      if (slope < 0) this.spinSlope = slope;
      off = next;
    }
    return ground + off;
  }
}
