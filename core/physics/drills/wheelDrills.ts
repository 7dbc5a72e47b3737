/** The standard manoeuvres of a car. */
import type { ResolvedWheels } from '../../rig/resolve';
import { kmPerHour, metresPerSecond } from '../../units/convert';
import { brakeCurrent } from '../brakeChopper';
import { driveCurrent, driveTorque } from '../motor';
import { launchDuty, type EscBehaviour } from '../escChain';
import { gripLimit, resistance, runWheels, shaftSpeedAt } from '../wheels';
import { number, TRACE_POINTS, type Drill } from './drill';

const LAUNCH_LONGEST_S = 8;
const LAUNCH_DRAWN_S = 3;
const STOP_LONGEST_S = 30;
const WALKING_PACE = metresPerSecond(5);
const BRAKE_FROM = metresPerSecond(30);
/** Share of the no-load speed that a car reaches on the flat, for cars slower than `BRAKE_FROM`. */
const REACHABLE_SHARE = 0.85;

/** From rest with the trigger pulled at once. */
export function launch(rig: ResolvedWheels, esc: EscBehaviour): Drill {
  const dutyAt = (timeS: number): number => launchDuty(esc, timeS);
  const motorCurrent = (timeS: number, tyreSpeed: number): number =>
    driveCurrent(rig.motor, dutyAt(timeS), shaftSpeedAt(rig, tyreSpeed), rig.openVolts, rig.packOhm);
  const force = (timeS: number, tyreSpeed: number): number => {
    const torque = driveTorque(rig.motor, motorCurrent(timeS, tyreSpeed));
    return Math.max(0, (torque * rig.finalDrive * rig.drivelineEfficiency) / rig.wheelRadiusM);
  };

  const points = [{ x: 0, y: 0 }];
  const interval = LAUNCH_DRAWN_S / TRACE_POINTS;
  let at5: number | undefined;
  let at20: number | undefined;
  let peakPackAmps = 0;
  let tyreM = 0;
  let carM = 0;
  let previousS = 0;
  runWheels(rig, 0, force, LAUNCH_LONGEST_S, (state) => {
    peakPackAmps = Math.max(peakPackAmps, dutyAt(state.timeS) * motorCurrent(state.timeS, state.tyreSpeed));
    if (at20 === undefined) {
      tyreM += state.tyreSpeed * (state.timeS - previousS);
      carM = state.distanceM;
    }
    previousS = state.timeS;
    if (at5 === undefined && state.distanceM >= 5) at5 = state.timeS;
    if (at20 === undefined && state.distanceM >= 20) at20 = state.timeS;
    if (points.length <= TRACE_POINTS && state.timeS >= points.length * interval - 1e-9) {
      points.push({ x: state.timeS, y: kmPerHour(state.speed) });
    }
    return at20 !== undefined && state.timeS >= LAUNCH_DRAWN_S;
  });
  const lowestCellVolts = (rig.openVolts - peakPackAmps * rig.packOhm) / rig.cells;
  return {
    xLabel: 's',
    yLabel: 'speed, km/h',
    points,
    numbers: [
      number('to5', 'First 5 m', at5, 's', 2, 'quicker', 'slower'),
      number('to20', 'First 20 m', at20, 's', 2, 'quicker', 'slower'),
      number(
        'wheelspin',
        'Spun away by the tyres',
        tyreM > 0 ? 100 * (1 - carM / tyreM) : 0,
        '%',
        0,
        'calmer',
        'wilder',
      ),
      number('peakPack', 'Peak pack current', peakPackAmps, 'A', 0, 'cooler', 'hotter'),
      number('lowestCell', 'Lowest cell voltage', lowestCellVolts, 'V', 2, 'deeper sag', 'less sag'),
    ],
  };
}

/** Letting go at speed: drag brake and resistance alone. */
export const letGo = (rig: ResolvedWheels, esc: EscBehaviour): Drill =>
  slowing(rig, esc, esc.dragBrake, 'letGo');

/** Full brake at speed. */
export const brake = (rig: ResolvedWheels, esc: EscBehaviour): Drill =>
  slowing(rig, esc, esc.fullBrake, 'brake');

/** From speed to rest with a steady brake strength, on the flat. */
function slowing(rig: ResolvedWheels, esc: EscBehaviour, strength: number, id: 'letGo' | 'brake'): Drill {
  const startSpeed = Math.min(BRAKE_FROM, REACHABLE_SHARE * noLoadSpeed(rig));
  const amps = (tyreSpeed: number): number =>
    strength <= 0
      ? 0
      : brakeCurrent(
          rig.motor,
          strength,
          esc.brakeFrequencyHz,
          shaftSpeedAt(rig, tyreSpeed),
          rig.openVolts,
          rig.packOhm,
        );
  const force = (_timeS: number, tyreSpeed: number): number =>
    tyreSpeed <= 0 ? 0 : -brakeForce(rig, amps(tyreSpeed));

  let slidingS = 0;
  let walkingAfterM: number | undefined;
  let previousS = 0;
  const stop = runWheels(rig, startSpeed, force, STOP_LONGEST_S, (state) => {
    if (state.sliding) slidingS += state.timeS - previousS;
    previousS = state.timeS;
    if (walkingAfterM === undefined && state.speed <= WALKING_PACE) walkingAfterM = state.distanceM;
    return false;
  });
  const stopped = stop.speed <= 0 ? stop.distanceM : undefined;
  const fromWalking = runWheels(rig, WALKING_PACE, force, STOP_LONGEST_S, () => false);
  const startKmh = Math.round(kmPerHour(startSpeed));
  const points = Array.from({ length: TRACE_POINTS + 1 }, (_, n) => {
    const speed = (startSpeed * n) / TRACE_POINTS;
    return { x: kmPerHour(speed), y: -force(0, speed) };
  });
  const firstSlowing =
    (Math.min(gripLimit(rig), -force(0, startSpeed)) + resistance(rig, startSpeed)) / rig.massKg;

  const shared = { xLabel: 'km/h', yLabel: 'braking force, N', points };
  if (id === 'letGo') {
    return {
      ...shared,
      numbers: [
        number(
          'slowing',
          `First slowing at ${startKmh} km/h`,
          firstSlowing,
          'm/s²',
          1,
          'rolls on',
          'slows harder',
        ),
        number('toWalking', `Roll from ${startKmh} to 5 km/h`, walkingAfterM, 'm', 1, 'shorter', 'longer'),
        number('fromWalking', 'Roll from walking pace', fromWalking.distanceM, 'm', 2, 'shorter', 'longer'),
      ],
    };
  }
  return {
    ...shared,
    mark: { y: gripLimit(rig), label: 'tyres slide above this' },
    numbers: [
      number('stop', `Stop from ${startKmh} km/h`, stopped, 'm', 1, 'shorter', 'longer'),
      number('stopSlow', 'Stop from walking pace', fromWalking.distanceM, 'm', 2, 'shorter', 'longer'),
      number('sliding', 'Tyres sliding', (100 * slidingS) / stop.timeS, '%', 0, 'calmer', 'wilder'),
      number(
        'peakBrake',
        'Peak brake current',
        Math.max(...points.map((p) => amps(metresPerSecond(p.x)))),
        'A',
        0,
        'cooler',
        'hotter',
      ),
    ],
  };
}

/** Braking force at the tyre for a braking current, N: losses of motor and driveline help. */
function brakeForce(rig: ResolvedWheels, amps: number): number {
  const torque = rig.motor.constant * (amps + rig.motor.noLoadCurrent);
  return (torque * rig.finalDrive) / (rig.wheelRadiusM * rig.drivelineEfficiency);
}

/** Speed at which the back-EMF meets the pack, m/s: kV × V through the gearing. Hughes and Drury, Electric Motors and Drives. */
export const noLoadSpeed = (rig: ResolvedWheels): number =>
  (rig.openVolts / rig.motor.constant / rig.finalDrive) * rig.wheelRadiusM;
