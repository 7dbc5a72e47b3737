/** Full trigger on a long straight, and the speeds that a car comes to. */
import { gearingAt, noLoadSpeed, shaftSpeedAt } from '../tyre';
import { kmPerHour, rpmOf } from '../../units/convert';
import type { EscBehaviour } from '../escChain';
import { dutyOf } from '../triggerChain';
import { driveFlow, newFlow } from '../motor';
import { driveAt, finely, newDrive, bridgeSettingOf } from '../bridge';
import type { Mark, RunPart } from '../powerTrain';
import { AT, resistance, SIZE, startState } from '../car';
import { runWheels } from '../wheels';
import { number, TRACE_POINTS, type Drill } from './drill';
import { drawOver } from './trace';
import type { ResolvedWheels } from '../resolved';
import { pull } from './wheelParts';

const TOP_LONGEST_S = 60;
const TOP_DRAWN_S = 10;

/** What pulls at the tyre when everything is steady, N, at a tyre speed, long after full trigger. */
export function steadyForce(
  rig: ResolvedWheels,
  esc: EscBehaviour,
  duty: number,
  signal: number,
  tyreSpeed: number,
): number {
  const flow = steadyFlow(rig, esc, duty, signal, tyreSpeed);
  const gearing = gearingAt(rig, tyreSpeed);
  return flow.torque >= 0
    ? flow.torque * gearing * rig.drivelineEfficiency
    : (flow.torque * gearing) / rig.drivelineEfficiency;
}

const LONG_S = 60;
const steadied = newFlow();
const steadyDrive = newDrive();

function steadyFlow(rig: ResolvedWheels, esc: EscBehaviour, duty: number, signal: number, tyreSpeed: number) {
  const shaft = shaftSpeedAt(rig, tyreSpeed);
  driveAt(bridgeSettingOf(rig, esc), duty, signal, shaft, LONG_S, steadyDrive);
  driveFlow(rig.motor, 1, steadyDrive, shaft, rig.openVolts, rig.packOhm, steadied);
  return steadied;
}

/** The speed at which pull and resistance agree, m/s; 0 where it does not start. Bisection: the balance falls with speed. */
export function steadySpeed(
  rig: ResolvedWheels,
  esc: EscBehaviour,
  duty: number,
  signal: number,
  slopeForce = 0,
): number {
  const balance = (speed: number): number =>
    steadyForce(rig, esc, duty, signal, speed) - resistance(rig, speed) - slopeForce;
  if (balance(0) <= 0) return 0;
  let low = 0;
  let high = 3 * noLoadSpeed(rig);
  for (let n = 0; n < 60; n += 1) {
    const middle = (low + high) / 2;
    if (balance(middle) > 0) low = middle;
    else high = middle;
  }
  return low;
}

/** Full trigger on a long straight. */
export function topSpeed(rig: ResolvedWheels, esc: EscBehaviour): Drill {
  const duty = dutyOf(esc, esc.forwardSignal);
  const top = steadySpeed(rig, esc, duty, esc.forwardSignal);
  const flow = { ...steadyFlow(rig, esc, duty, esc.forwardSignal, top) };
  const y = startState(rig, 0);
  const trace = drawOver(TOP_DRAWN_S, TRACE_POINTS, SIZE, (state) => kmPerHour(state[AT.speed]!));
  const nearly: Mark = { value: (state) => state[AT.speed]! - 0.95 * top, ends: false };
  const drawn: RunPart[] = [pull(esc, TOP_DRAWN_S), { ...steady(esc), lengthS: TOP_LONGEST_S - TOP_DRAWN_S }];
  const run = runWheels(finely(rig), bridgeSettingOf(rig, esc), drawn, y, {
    marks: [nearly],
    visit: (step) => trace.visit(step),
  });
  return {
    xLabel: 's',
    yLabel: 'speed, km/h',
    points: trace.points,
    numbers: [
      number('top', 'Top speed', kmPerHour(top), 'km/h', 1, 'slower', 'faster'),
      number('rpm', 'Motor rpm there', rpmOf(shaftSpeedAt(rig, top)), 'rpm', 0, 'slower', 'faster'),
      number('amps', 'Current there', flow.packAmps, 'A', 1, 'cooler', 'hotter'),
      number(
        'heat',
        'Heat in motor and ESC there',
        flow.windingWatts + flow.escWatts,
        'W',
        0,
        'cooler',
        'hotter',
      ),
      number('to95', 'To 95 % of it', top > 0 ? run.markTimes[0] : undefined, 's', 2, 'quicker', 'slower'),
    ],
  };
}

const steady = (esc: EscBehaviour): RunPart => {
  const duty = dutyOf(esc, esc.forwardSignal);
  return { lengthS: 0, kind: 'drive', from: duty, to: duty, perSecond: 0, signal: esc.forwardSignal };
};
