/** The model driven along a trigger that was logged: what it says of every channel at the same times. */
import { rpmOf } from '../../units/convert';
import { bridgeSettingOf } from '../bridge';
import { AT, SIZE, startState } from '../car';
import type { EscBehaviour } from '../escChain';
import { openCircuitVolts } from '../pack';
import type { RunPart } from '../powerTrain';
import { runPropeller, SPIN, SPIN_SIZE, startSpin } from '../propeller';
import { extraShareAt } from '../lap';
import type { ResolvedRig } from '../resolved';
import type { Step } from '../solve';
import { brakeStrengthOf, dutyOf } from '../triggerChain';
import { shaftSpeedAt } from '../tyre';
import { runWheels, type MomentAt } from '../wheels';
import { FLIGHT_SHARE } from './stint';

/** A trigger over time. */
export interface TriggerTrace {
  /** Never falling, s. */
  seconds: ArrayLike<number>;
  /** −1 to 1; what is no number holds what was before. */
  trigger: ArrayLike<number>;
}

/** What the model says, at even times from the first. */
export interface Along {
  everyS: number;
  packVolts: Float32Array;
  amps: Float32Array;
  rpm: Float32Array;
  canCelsius: Float32Array;
  escCelsius: Float32Array;
  packCelsius: Float32Array;
  usedMah: Float32Array;
}

/** The same trigger to within this is one part. */
const SAME_TRIGGER = 0.02;
/** No part is shorter, s: what a finger does quicker is taken together. */
const SHORTEST_PART_S = 0.05;

/** What is driven along, beside the trigger. */
export interface AlongOptions {
  everyS: number;
  /** How full the pack is at first, 0 to 1. */
  charged: number;
  /**
   * What the ground asks for on top of rolling, as a share of the weight, by trigger and second. Left out: as the lap of the rig
   * has it at such a trigger.
   */
  extraShare?: (trigger: number, second: number) => number;
}

/**
 * Drives a rig from standing along a trigger.
 * @throws {Error} where the rig's numbers lead nowhere
 */
export function alongTrigger(
  rig: ResolvedRig,
  esc: EscBehaviour,
  trace: TriggerTrace,
  { everyS, charged, extraShare = groundOf(rig) }: AlongOptions,
): Along {
  const start = {
    ...rig,
    startCharge: charged,
    openVolts: rig.cells * openCircuitVolts(rig.chemistry, charged),
  };
  const { seconds } = trace;
  const lengthS = seconds.length === 0 ? 0 : seconds[seconds.length - 1]! - seconds[0]!;
  const out = newAlong(everyS, Math.floor(lengthS / everyS) + 1);
  const parts = partsOf(rig, esc, trace, extraShare);
  const bridge = bridgeSettingOf(rig, esc);
  const motors = rig.bus.sharedByMotors;
  const write = sampler(out);
  /** What a step says at a time of it. */
  const look =
    (step: Step, at: (step: Step, t: number) => { packAmps: number; packVolts: number }, its: Places) =>
    (t: number): Sampled => {
      const { packAmps, packVolts } = at(step, t);
      step.at(t, its.probe);
      return {
        volts: packVolts,
        amps: motors * packAmps,
        rpm: rpmOf(its.shaft(its.probe)),
        can: its.probe[its.places.case]!,
        esc: its.probe[its.places.esc]!,
        pack: its.probe[its.places.pack]!,
        mah: (motors * its.probe[its.places.drawn]!) / 3.6,
      };
    };
  if (start.kind === 'wheels') {
    const y = startState(start, 0);
    y[AT.winding] = y[AT.case] = rig.ambientC;
    const its: Places = {
      probe: new Float64Array(SIZE),
      places: AT,
      shaft: (state) => shaftSpeedAt(start, Math.max(0, state[AT.tyreSpeed]!)),
    };
    const visit = (step: Step, at: MomentAt): void => write(step, look(step, at, its));
    runWheels(start, bridge, parts, y, { endsAtRest: false, visit });
  } else {
    const y = startSpin(start, 0);
    y[SPIN.winding] = y[SPIN.case] = rig.ambientC;
    const its: Places = {
      probe: new Float64Array(SPIN_SIZE),
      places: SPIN,
      shaft: (state) => Math.max(0, state[SPIN.shaft]!),
    };
    runPropeller(start, bridge, parts, y, {
      airShare: FLIGHT_SHARE,
      endsAtRest: false,
      visit: (step, at) => write(step, look(step, at, its)),
    });
  }
  return out;
}

/** What the lap of a rig has at a trigger; nothing in the air. */
export function groundOf(rig: ResolvedRig): (trigger: number) => number {
  if (rig.kind === 'propeller') return () => 0;
  const { lap, grip, cornersShare } = rig;
  return (trigger) => cornersShare * extraShareAt(lap, grip, trigger);
}

function newAlong(everyS: number, count: number): Along {
  const blank = (): Float32Array => new Float32Array(count).fill(NaN);
  return {
    everyS,
    packVolts: blank(),
    amps: blank(),
    rpm: blank(),
    canCelsius: blank(),
    escCelsius: blank(),
    packCelsius: blank(),
    usedMah: blank(),
  };
}

/** Where the state of a vehicle has what is sampled. */
interface Places {
  /** Written over at each look. */
  probe: Float64Array;
  places: { case: number; esc: number; pack: number; drawn: number };
  /** Of the motor's shaft, rad/s. */
  shaft: (state: Float64Array) => number;
}

interface Sampled {
  volts: number;
  amps: number;
  rpm: number;
  can: number;
  esc: number;
  pack: number;
  mah: number;
}

/** Writes what flows at each even time that lies in a step. */
function sampler(out: Along): (step: Step, at: (t: number) => Sampled) => void {
  let place = 0;
  return (step, at) => {
    while (place < out.rpm.length && place * out.everyS <= step.t1 + 1e-9) {
      const { volts, amps, rpm, can, esc, pack, mah } = at(
        Math.min(step.t1, Math.max(step.t0, place * out.everyS)),
      );
      out.packVolts[place] = volts;
      out.amps[place] = amps;
      out.rpm[place] = rpm;
      out.canCelsius[place] = can;
      out.escCelsius[place] = esc;
      out.packCelsius[place] = pack;
      out.usedMah[place] = mah;
      place += 1;
    }
  };
}

/** Stretches of about the same trigger as parts of a run. */
function* partsOf(
  rig: ResolvedRig,
  esc: EscBehaviour,
  { seconds, trigger }: TriggerTrace,
  extraShareOf: NonNullable<AlongOptions['extraShare']>,
): Generator<RunPart> {
  let duty = 0;
  let held = 0;
  const known = (n: number): number => {
    const value = trigger[n]!;
    if (!Number.isNaN(value)) held = Math.max(-1, Math.min(1, value));
    return held;
  };
  for (let n = 0; n < seconds.length - 1;) {
    const value = known(n);
    let next = n + 1;
    while (
      next < seconds.length - 1 &&
      (seconds[next]! - seconds[n]! < SHORTEST_PART_S || Math.abs(known(next) - value) <= SAME_TRIGGER)
    )
      next += 1;
    const lengthS = seconds[next]! - seconds[n]!;
    const extraShare = extraShareOf(value, seconds[n]!);
    n = next;
    if (lengthS <= 0) continue;
    if (value > 0) {
      const signal = value * esc.forwardSignal;
      const to = dutyOf(esc, signal);
      const from = to > duty ? Math.max(duty, esc.startDuty * esc.forwardPower) : to;
      const perSecond = Number.isFinite(esc.rampPerSecond) ? esc.rampPerSecond : 0;
      yield { kind: 'drive', lengthS, from: Math.min(from, to), to, perSecond, signal, extraShare };
      duty = to;
    } else {
      const letGo = rig.kind === 'wheels' ? esc.dragBrake : esc.propellerBrake;
      const strength = value < 0 ? brakeStrengthOf(esc, -value * esc.brakeSignal) : letGo;
      yield { kind: 'brake', lengthS, from: strength, to: strength, perSecond: 0, signal: value, extraShare };
      duty = 0;
    }
  }
}
