/** Letting go at speed. */
import { gearingAt, shaftSpeedAt } from '../tyre';
import { GRAVITY, kmPerHour } from '../../units/convert';
import { totalAdvance, type EscBehaviour } from '../escChain';
import { dutyOf } from '../triggerChain';
import type { RunPart } from '../powerTrain';
import { gripLimit, resistance } from '../car';
import { number, type Drill } from './drill';
import type { ResolvedWheels } from '../resolved';
import { steadySpeed } from './topSpeed';
import { slowing, dragOf, brakeForceAt } from './brake';
import { STOP_LONGEST_S, LEVER_OVER_HEIGHT } from './wheelParts';

/** How long a finger takes to let the trigger go, s. Assumed. */
const EASING_S = 0.25;

/** The trigger on its way back, and then let go: it rolls until neutral, or drag brake comes in on the way. */
function lettingGo(esc: EscBehaviour): RunPart[] {
  const { dragBrake, dragRampS } = esc;
  const still = { from: 0, to: 0, perSecond: 0, signal: 0 };
  if (esc.coastAssist > 0 && dragBrake <= 0) {
    const pulls = { ...still, from: esc.coastAssist, to: esc.coastAssist };
    return [{ ...pulls, kind: 'drive', lengthS: STOP_LONGEST_S }];
  }
  const eased = esc.dragWhileEasing;
  return [
    { ...still, kind: 'brake', lengthS: EASING_S, to: eased, perSecond: eased / EASING_S },
    {
      ...still,
      kind: 'brake',
      lengthS: STOP_LONGEST_S,
      from: dragRampS > 0 ? eased : dragBrake,
      to: dragBrake,
      perSecond: dragRampS > 0 ? Math.abs(dragBrake - eased) / dragRampS : 0,
    },
  ];
}

/**
 * What pushes back while turbo is withdrawn at top speed, N: the motor turns faster than its pack would drive it without,
 * and the diodes brake until it does not. Withdrawn slowly, resistance has done that by then.
 */
function turboPushBack(rig: ResolvedWheels, esc: EscBehaviour): number {
  const { turbo, turboOffPerSecond } = esc.advance;
  if (turbo <= 0) return 0;
  const { advance, forwardSignal } = esc;
  const withoutTurbo =
    rig.endBellDegrees + totalAdvance({ ...advance, turbo: 0 }, Infinity, forwardSignal, 0);
  let speed = steadySpeed(rig, esc, dutyOf(esc, esc.forwardSignal), esc.forwardSignal);
  let most = 0;
  const tickS = 0.005;
  for (let t = 0; t <= turbo / turboOffPerSecond + tickS; t += tickS) {
    const degrees = withoutTurbo + Math.max(0, turbo - turboOffPerSecond * t);
    const shaft = shaftSpeedAt(rig, speed);
    const over = rig.motor.constant * shaft * Math.cos((degrees * Math.PI) / 180) - rig.openVolts;
    const amps = Math.max(0, over) / (rig.motor.resistance + rig.packOhm);
    const force = (rig.motor.constant * amps * gearingAt(rig, speed)) / rig.drivelineEfficiency;
    most = Math.max(most, force);
    speed = Math.max(0, speed - ((force + resistance(rig, speed)) / rig.massKg) * tickS);
  }
  return most;
}

/** Letting go at speed: drag brake, or what pulls on, and resistance. */
export function letGo(rig: ResolvedWheels, esc: EscBehaviour): Drill {
  const { startSpeed, points, walkingAfterM, fromWalkingM } = slowing(rig, esc, lettingGo(esc), dragOf(esc));
  const startKmh = Math.round(kmPerHour(startSpeed));
  const first =
    (Math.min(gripLimit(rig, true), brakeForceAt(rig, esc, dragOf(esc), startSpeed)) +
      resistance(rig, startSpeed)) /
    rig.massKg;
  return {
    xLabel: 'km/h',
    yLabel: 'braking force, N',
    points,
    numbers: [
      number('slowing', `First slowing at ${startKmh} km/h`, first, 'm/s²', 1, 'rolls on', 'slows harder'),
      number('toWalking', `Roll from ${startKmh} to 5 km/h`, walkingAfterM, 'm', 1, 'shorter', 'longer'),
      number('fromWalking', 'Roll from walking pace', fromWalkingM, 'm', 2, 'shorter', 'longer'),
      number(
        'pitch',
        'Share of what lifts the rear',
        (100 * first) / (GRAVITY * LEVER_OVER_HEIGHT),
        '%',
        0,
        'calmer',
        'tips sooner',
      ),
      ...(esc.advance.turbo > 0
        ? [number('turboBack', 'Drag as turbo ends', turboPushBack(rig, esc), 'N', 1, 'rolls on', 'drags')]
        : []),
    ],
  };
}
