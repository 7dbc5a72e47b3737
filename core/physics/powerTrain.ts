/**
 * What wheels and propellers have in common: a pack that sags, a bridge that drives or brakes by a command, a motor, and
 * their heat. Its seven variables stand together in the state of a run, in the order of `TRAIN`.
 */
import type { ResolvedPower } from '../rig/resolve';
import { copperResistance, driveFlow, newFlow, type Flow } from './motor';
import { openCircuitVolts, resistanceFactor, SLOW_SECONDS, SLOW_SHARE, temperatureFactor } from './pack';
import { brakeAmps, driveAt, newDrive, type Setup } from './setup';
import { heatRates } from './thermalNodes';

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
/** Where a rig's motor has its resistance: warm from a lap, not hot, °C. */
const START_C = 50;

/** What the trigger asks for during a part of a run. */
export interface Part {
  lengthS: number;
  kind: 'drive' | 'brake';
  /** Duty or brake strength, 0 to 1, at its start and at its end; it gets there at `perSecond` and stays. */
  from: number;
  to: number;
  perSecond: number;
  /** Signal of the trigger behind it, −1 to 1: what boost, turbo and the law of the brake follow. */
  signal: number;
}

/** Ends or marks a run where its value changes sign. */
export interface Mark {
  value: (y: Float64Array, t: number) => number;
  /** Whether the run ends there. */
  ends: boolean;
}

/** The times at which a part changes what it asks for: the end of its ramp, if that lies within, and its end. */
export function breaksOf(part: Part, startS: number): number[] {
  const endS = startS + part.lengthS;
  const rampS = part.perSecond > 0 ? Math.abs(part.to - part.from) / part.perSecond : 0;
  return rampS > 0 && rampS < part.lengthS ? [startS + rampS, endS] : [endS];
}

/** Writes a full pack and a warm motor into a state. */
export function startTrain(rig: ResolvedPower, y: Float64Array, place: number): void {
  y[place + TRAIN.seenCell] = rig.openVolts / rig.cells;
  y[place + TRAIN.winding] = START_C;
  y[place + TRAIN.case] = START_C;
  y[place + TRAIN.esc] = rig.ambientC;
  y[place + TRAIN.pack] = rig.ambientC;
}

/**
 * The power train of a rig, set up. Local numbers, nothing made anew while it runs.
 * @param place where its variables begin in the state
 */
export function powerTrainOf(rig: ResolvedPower, setup: Setup, place: number) {
  const { motor, cells } = rig;
  const coulombs = rig.capacityAh * 3600;
  const cellOhm = rig.packOhm - rig.leadOhm;
  const warmWinding = motor.resistance - motor.bridgeResistance;
  const flow: Flow = newFlow();
  const drive = newDrive();
  let part: Part = { lengthS: 0, kind: 'drive', from: 0, to: 0, perSecond: 0, signal: 0 };
  let partStart = 0;
  let packVolts = 0;
  /** Of all cells, as charged and as warm as they are, ohm. */
  let cellsOhm = cellOhm;
  const stated = 1 / temperatureFactor(rig.ambientC);

  const asked = (t: number): number => {
    if (part.perSecond <= 0) return part.to;
    const gone = part.perSecond * (t - partStart);
    return part.to >= part.from ? Math.min(part.to, part.from + gone) : Math.max(part.to, part.from - gone);
  };

  const brake = (strength: number, pushed: boolean, shaft: number, open: number, packOhm: number): void => {
    // Above no-load speed the diodes brake, whatever is asked.
    const brakes = strength > 0 || motor.constant * shaft > open;
    const amps = brakes ? brakeAmps(motor, setup.brake, strength, pushed, shaft, open, packOhm) : 0;
    const friction = shaft > 0 ? motor.noLoadCurrent : 0;
    const back = (1 - strength) * amps;
    const lost = Math.max(0, motor.constant * (amps + friction) * shaft - back * (open + back * packOhm));
    flow.motorAmps = amps;
    flow.packAmps = -back;
    flow.torque = -motor.constant * (amps + friction);
    flow.escWatts = (lost * motor.bridgeResistance) / motor.resistance;
    flow.windingWatts = (lost * warmWinding) / motor.resistance;
  };

  return {
    /** What flows now; the same object each time. */
    flow,
    packVolts: (): number => packVolts,
    begin(next: Part, startS: number): void {
      part = next;
      partStart = startS;
    },
    /** Whether the command has come to where it stays. */
    steadied: (t: number): boolean =>
      part.perSecond <= 0 || part.perSecond * (t - partStart) >= Math.abs(part.to - part.from) - 1e-12,
    /** Fills `flow` for a time, a shaft speed in rad/s and a state; returns the torque at the shaft, N·m. */
    torqueAt(t: number, shaft: number, y: Float64Array): number {
      const charge = rig.startCharge - y[place + TRAIN.drawn]! / coulombs;
      const open = cells * openCircuitVolts(rig.chemistry, charge) - y[place + TRAIN.slowSag]!;
      cellsOhm = cellOhm * resistanceFactor(charge) * temperatureFactor(y[place + TRAIN.pack]!) * stated;
      const packOhm = cellsOhm + rig.leadOhm;
      const value = asked(t);
      if (part.kind === 'drive' && value > 0) {
        driveAt(setup, value, part.signal, shaft, t - partStart, drive);
        const heat = copperResistance(1, y[place + TRAIN.winding]!) / copperResistance(1, START_C);
        driveFlow(motor, heat, drive, shaft, open, packOhm, flow);
      } else brake(part.kind === 'brake' ? value : 0, part.signal < 0, shaft, open, packOhm);
      packVolts = open - flow.packAmps * packOhm;
      return flow.torque;
    },
    /** The rates of its own variables, from what flows now. */
    rates(moving: boolean, y: Float64Array, out: Float64Array): void {
      out[place + TRAIN.drawn] = flow.packAmps;
      out[place + TRAIN.slowSag] =
        (flow.packAmps * cellOhm * SLOW_SHARE - y[place + TRAIN.slowSag]!) / SLOW_SECONDS;
      out[place + TRAIN.seenCell] = (packVolts / cells - y[place + TRAIN.seenCell]!) / CUTOFF_FILTER_S;
      heatRates(
        rig.thermal,
        rig.fan,
        rig.ambientC,
        moving,
        flow.windingWatts,
        flow.escWatts + setup.ownWatts,
        y,
        out,
        place + TRAIN.winding,
      );
      const slow = y[place + TRAIN.slowSag]!;
      const packWatts =
        flow.packAmps * flow.packAmps * cellsOhm + (cellOhm > 0 ? (slow * slow) / (cellOhm * SLOW_SHARE) : 0);
      out[place + TRAIN.pack] =
        (packWatts - (y[place + TRAIN.pack]! - rig.ambientC) / rig.packThermal.toAir) /
        rig.packThermal.joulesPerK;
    },
  };
}
