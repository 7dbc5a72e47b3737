/** Full brake at speed, and what a brake holds at the tyre. */
import { gearingAt, noLoadSpeed, shaftSpeedAt } from '../tyre';
import { kmPerHour } from '../../units/convert';
import type { EscBehaviour } from '../escChain';
import { brakeStrengthOf } from '../triggerChain';
import { brakeAt, finely, bridgeSettingOf } from '../bridge';
import type { Mark, RunPart } from '../powerTrain';
import { AT, gripLimit, SIZE, startState } from '../car';
import { runWheels } from '../wheels';
import { number, TRACE_POINTS, type Drill } from './drill';
import type { ResolvedWheels } from '../resolved';

import { STOP_LONGEST_S, WALKING_PACE, BRAKE_FROM, REACHABLE_SHARE } from './wheelParts';

/** Trigger pushed at once and fully. */
export const pushed = (esc: EscBehaviour, lengthS: number): RunPart => {
  const { strength } = pushOf(esc);
  return { lengthS, kind: 'brake', from: strength, to: strength, perSecond: 0, signal: -esc.brakeSignal };
};

/** Full brake at speed. */
export function brake(rig: ResolvedWheels, esc: EscBehaviour): Drill {
  const braking = pushOf(esc);
  const { startSpeed, points, stopM, fromWalkingM, slidingShare } = slowing(
    rig,
    esc,
    [pushed(esc, STOP_LONGEST_S)],
    braking,
  );
  const startKmh = Math.round(kmPerHour(startSpeed));
  return {
    xLabel: 'km/h',
    yLabel: 'braking force, N',
    points,
    mark: { y: gripLimit(rig, true), label: 'tyres slide above this' },
    numbers: [
      number('stop', `Stop from ${startKmh} km/h`, stopM, 'm', 1, 'shorter', 'longer'),
      number('stopSlow', 'Stop from walking pace', fromWalkingM, 'm', 2, 'shorter', 'longer'),
      number('sliding', 'Tyres sliding', 100 * slidingShare, '%', 0, 'calmer', 'wilder'),
      number(
        'peakBrake',
        'Peak brake current',
        peakOver(startSpeed, (speed) => brakeAmpsAt(rig, esc, braking, speed)),
        'A',
        0,
        'cooler',
        'hotter',
      ),
      number(
        'bite',
        'Force at walking pace',
        brakeForceAt(rig, esc, braking, WALKING_PACE),
        'N',
        1,
        'gentler',
        'firmer',
      ),
    ],
  };
}

/** From speed, and from walking pace, to rest on the flat. */
export function slowing(rig: ResolvedWheels, esc: EscBehaviour, parts: readonly RunPart[], braking: Braking) {
  const startSpeed = Math.min(BRAKE_FROM, REACHABLE_SHARE * noLoadSpeed(rig));
  const bridge = bridgeSettingOf(rig, esc);
  const y = startState(rig, startSpeed);
  const probe = new Float64Array(SIZE);
  let walkingAfterM: number | undefined;
  const walking: Mark = { value: (state) => state[AT.speed]! - WALKING_PACE, ends: false };
  const run = runWheels(finely(rig), bridge, parts, y, {
    marks: [walking],
    visit: (step) => {
      step.at(step.t1, probe);
      if (walkingAfterM === undefined && probe[AT.speed]! <= WALKING_PACE * (1 + 1e-9))
        walkingAfterM = probe[AT.distance]!;
    },
  });
  const slow = startState(rig, WALKING_PACE);
  const slowRun = runWheels(finely(rig), bridge, parts, slow);
  const points = Array.from({ length: TRACE_POINTS + 1 }, (_, n) => {
    const speed = (startSpeed * n) / TRACE_POINTS;
    return { x: kmPerHour(speed), y: brakeForceAt(rig, esc, braking, speed) };
  });
  return {
    startSpeed,
    points,
    walkingAfterM,
    stopM: run.atRest ? y[AT.distance]! : undefined,
    fromWalkingM: slowRun.atRest ? slow[AT.distance]! : undefined,
    slidingShare: run.endS > 0 ? run.slidingS / run.endS : 0,
  };
}

/** A strength of the brake, and whether the trigger asks for it or is let go. */
export interface Braking {
  strength: number;
  pushed: boolean;
}
export const dragOf = ({ dragBrake }: EscBehaviour): Braking => ({ strength: dragBrake, pushed: false });
export const pushOf = (esc: EscBehaviour): Braking => ({
  strength: brakeStrengthOf(esc, esc.brakeSignal),
  pushed: true,
});

function brakeAmpsAt(
  rig: ResolvedWheels,
  esc: EscBehaviour,
  { strength, pushed: isPushed }: Braking,
  speed: number,
): number {
  if (strength <= 0) return 0;
  const { brake: setting } = bridgeSettingOf(rig, esc);
  const flow = { amps: 0, returned: 0 };
  const call = { strength, stays: true, pushed: isPushed };
  brakeAt(setting, call, shaftSpeedAt(rig, speed), rig.openVolts, rig.packOhm, flow);
  return flow.amps;
}

/** Braking force at the tyre, N, ≥ 0: losses of motor and driveline help. */
export function brakeForceAt(
  rig: ResolvedWheels,
  esc: EscBehaviour,
  braking: Braking,
  speed: number,
): number {
  if (speed <= 0) return 0;
  const torque = rig.motor.constant * (brakeAmpsAt(rig, esc, braking, speed) + rig.motor.noLoadCurrent);
  return (torque * gearingAt(rig, speed)) / rig.drivelineEfficiency;
}

/** The most of a function over speeds up to one, found on a grid and then between its neighbours. */
function peakOver(upTo: number, of: (speed: number) => number): number {
  let best = 0;
  let bestSpeed = 0;
  for (let n = 1; n <= 60; n += 1) {
    const speed = (upTo * n) / 60;
    if (of(speed) > best) {
      best = of(speed);
      bestSpeed = speed;
    }
  }
  let low = Math.max(0, bestSpeed - upTo / 60);
  let high = Math.min(upTo, bestSpeed + upTo / 60);
  for (let n = 0; n < 40; n += 1) {
    const a = low + (high - low) / 3;
    const b = high - (high - low) / 3;
    if (of(a) < of(b)) low = a;
    else high = b;
  }
  return Math.max(best, of((low + high) / 2));
}
