/** The standard manoeuvres of an aeroplane held fast on the bench. */
import type { ResolvedPropeller } from '../../rig/resolve';
import { GRAVITY, rpmOf } from '../../units/convert';
import { brakeCurrent } from '../brakeChopper';
import { launchDuty, type EscBehaviour } from '../escChain';
import { driveCurrent, driveTorque } from '../motor';
import { airTorque, runPropeller, thrustNewtons } from '../propeller';
import { number, TRACE_POINTS, type Drill } from './drill';

const SPOOL_LONGEST_S = 25;
const SPOOL_DRAWN_S = 4;
const CUT_LONGEST_S = 30;
const CUT_DRAWN_S = 4;
/** Share of the final rpm that counts as being there. */
const THERE = 0.95;

const grams = (newtons: number): number => (newtons / GRAVITY) * 1000;

const motorAmps = (rig: ResolvedPropeller, duty: number, shaftSpeed: number): number =>
  driveCurrent(rig.motor, duty, shaftSpeed, rig.openVolts, rig.packOhm);

/**
 * The shaft speed at which motor and air agree at a duty, rad/s. Bisection: the balance falls with speed.
 */
export function steadySpeed(rig: ResolvedPropeller, duty: number): number {
  let low = 0;
  let high = (duty * rig.openVolts) / rig.motor.constant;
  for (let n = 0; n < 60; n += 1) {
    const middle = (low + high) / 2;
    const balance = driveTorque(rig.motor, motorAmps(rig, duty, middle)) - airTorque(rig.propeller, middle);
    if (balance > 0) low = middle;
    else high = middle;
  }
  return low;
}

/** What flows and pulls when everything is steady at a duty. */
function steady(rig: ResolvedPropeller, duty: number) {
  const shaftSpeed = steadySpeed(rig, duty);
  const packAmps = duty * motorAmps(rig, duty, shaftSpeed);
  const packVolts = rig.openVolts - packAmps * rig.packOhm;
  return { shaftSpeed, packAmps, packVolts, thrust: thrustNewtons(rig.propeller, shaftSpeed) };
}

/** Throttle opened at once from standstill. */
export function spoolUp(rig: ResolvedPropeller, esc: EscBehaviour): Drill {
  const full = steady(rig, esc.forwardSignal);
  const points = [{ x: 0, y: 0 }];
  const interval = SPOOL_DRAWN_S / TRACE_POINTS;
  let there: number | undefined;
  let peakPackAmps = 0;
  const torque = (timeS: number, shaftSpeed: number): number =>
    driveTorque(rig.motor, motorAmps(rig, launchDuty(esc, timeS), shaftSpeed));
  runPropeller(rig.propeller, 0, torque, SPOOL_LONGEST_S, ({ timeS, shaftSpeed }) => {
    const duty = launchDuty(esc, timeS);
    peakPackAmps = Math.max(peakPackAmps, duty * motorAmps(rig, duty, shaftSpeed));
    if (there === undefined && shaftSpeed >= THERE * full.shaftSpeed) there = timeS;
    if (points.length <= TRACE_POINTS && timeS >= points.length * interval - 1e-9) {
      points.push({ x: timeS, y: rpmOf(shaftSpeed) });
    }
    return there !== undefined && points.length > TRACE_POINTS;
  });
  const lowestCellVolts = (rig.openVolts - peakPackAmps * rig.packOhm) / rig.cells;
  return {
    xLabel: 's',
    yLabel: 'propeller, rpm',
    points,
    numbers: [
      number('there', 'To 95 % of full rpm', there, 's', 2, 'sharper', 'softer'),
      number('peakPack', 'Peak pack current', peakPackAmps, 'A', 0, 'cooler', 'hotter'),
      number('lowestCell', 'Lowest cell voltage', lowestCellVolts, 'V', 2, 'deeper sag', 'less sag'),
      number('rpm', 'Full rpm, standing', rpmOf(full.shaftSpeed), 'rpm', 0, 'slower', 'faster'),
    ],
  };
}

/** Thrust over throttle, everything steady. */
export function throttle(rig: ResolvedPropeller, esc: EscBehaviour): Drill {
  const at = (share: number) => steady(rig, share * esc.forwardSignal);
  const points = Array.from({ length: TRACE_POINTS + 1 }, (_, n) => {
    const share = n / TRACE_POINTS;
    return { x: share * 100, y: share === 0 ? 0 : grams(at(share).thrust) };
  });
  const full = at(1);
  const watts = full.packAmps * full.packVolts;
  return {
    xLabel: 'throttle, %',
    yLabel: 'static thrust, g',
    points,
    mark: { y: rig.massKg * 1000, label: 'its own weight' },
    numbers: [
      number('thrust', 'Static thrust', grams(full.thrust), 'g', 0, 'weaker', 'stronger'),
      number('thrustHalf', 'Thrust at half throttle', grams(at(0.5).thrust), 'g', 0, 'weaker', 'stronger'),
      number('amps', 'Current at full', full.packAmps, 'A', 1, 'cooler', 'hotter'),
      number('watts', 'Power at full', watts, 'W', 0, 'cooler', 'hotter'),
      number('cell', 'Cell voltage at full', full.packVolts / rig.cells, 'V', 2, 'deeper sag', 'less sag'),
    ],
  };
}

/** Throttle closed at once from full rpm. */
export function cut(rig: ResolvedPropeller, esc: EscBehaviour): Drill {
  const start = steadySpeed(rig, esc.forwardSignal);
  const points = [{ x: 0, y: rpmOf(start) }];
  const interval = CUT_DRAWN_S / TRACE_POINTS;
  let peakBrakeAmps = 0;
  const torque = (_timeS: number, shaftSpeed: number): number => {
    if (shaftSpeed <= 0) return 0;
    const amps =
      esc.propellerBrake <= 0
        ? 0
        : brakeCurrent(
            rig.motor,
            esc.propellerBrake,
            esc.brakeFrequencyHz,
            shaftSpeed,
            rig.openVolts,
            rig.packOhm,
          );
    peakBrakeAmps = Math.max(peakBrakeAmps, amps);
    return -rig.motor.constant * (amps + rig.motor.noLoadCurrent);
  };
  const stopped = runPropeller(rig.propeller, start, torque, CUT_LONGEST_S, ({ timeS, shaftSpeed }) => {
    if (points.length <= TRACE_POINTS && timeS >= points.length * interval - 1e-9) {
      points.push({ x: timeS, y: rpmOf(shaftSpeed) });
    }
    return false;
  });
  while (points.length <= TRACE_POINTS) points.push({ x: points.length * interval, y: 0 });
  return {
    xLabel: 's',
    yLabel: 'propeller, rpm',
    points,
    numbers: [
      number(
        'stops',
        'Propeller stands after',
        stopped.shaftSpeed === 0 ? stopped.timeS : undefined,
        's',
        2,
        'sooner',
        'later',
      ),
      number('peakBrake', 'Peak brake current', peakBrakeAmps, 'A', 0, 'gentler', 'harsher'),
    ],
  };
}
