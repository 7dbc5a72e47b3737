/** The standard manoeuvres of a car that run in time: launch, top speed, lift-off and brake. */
import type { ResolvedWheels } from '../../rig/resolve';
import { GRAVITY, kmPerHour, metresPerSecond, rpmOf } from '../../units/convert';
import { brakeCurrent } from '../brakeChopper';
import { brakeStrengthOf, dutyOf, type EscBehaviour } from '../escChain';
import { noExtremes, noteExtremes } from '../extreme';
import { blocked, driveFlow, newFlow } from '../motor';
import { currentLimitOf, finely, setupOf } from '../setup';
import type { Mark, Part } from '../powerTrain';
import { AT, gripLimit, resistance, runWheels, shaftSpeedAt, startState } from '../wheels';
import { number, TRACE_POINTS, type Drill } from './drill';
import { drawOver } from './trace';

const LAUNCH_LONGEST_S = 12;
const LAUNCH_DRAWN_S = 3;
const FAR_M = 20;
const TOP_LONGEST_S = 60;
const TOP_DRAWN_S = 10;
const STOP_LONGEST_S = 40;
const WALKING_PACE = metresPerSecond(5);
const BRAKE_FROM = metresPerSecond(30);
/** Share of the no-load speed that a car reaches on the flat, for cars slower than `BRAKE_FROM`. */
const REACHABLE_SHARE = 0.85;
const SIZE = 10;
/** Distance from the front axle over height of the weight: braking harder than g times this lifts the rear. Assumed. */
const LEVER_OVER_HEIGHT = 1.9;

/** Full trigger, all at once: what duty does. */
export const pull = (esc: EscBehaviour, lengthS: number): Part => ({
  lengthS,
  kind: 'drive',
  from: Math.min(esc.startDuty, 1) * esc.forwardPower,
  to: dutyOf(esc, esc.forwardSignal),
  perSecond: Number.isFinite(esc.rampPerSecond) ? esc.rampPerSecond : 0,
  signal: esc.forwardSignal,
});

/** From rest with the trigger pulled at once. */
export function launch(rig: ResolvedWheels, esc: EscBehaviour): Drill {
  const at = (metres: number): Mark => ({ value: (state) => state[AT.distance]! - metres, ends: false });
  // Drawn to its end even where the twenty metres are over before.
  const end: Mark = {
    value: (state, t) => Math.min(state[AT.distance]! - FAR_M - 0.01, t - LAUNCH_DRAWN_S),
    ends: true,
  };
  const cutoff: Mark = { value: (y) => y[AT.seenCell]! - esc.cutoffVoltsPerCell, ends: false };
  const y = startState(rig, 0);
  const pack = noExtremes();
  const amps = noExtremes();
  const force = noExtremes();
  const trace = drawOver(LAUNCH_DRAWN_S, TRACE_POINTS, SIZE, (state) => kmPerHour(state[AT.speed]!));
  const probe = new Float64Array(SIZE);
  let spun: { car: number; tyre: number } | undefined;
  const whole = pull(esc, LAUNCH_LONGEST_S);
  const run = runWheels(finely(rig), setupOf(rig, esc), [whole], y, {
    marks: [at(5), at(FAR_M), cutoff, end],
    visit: (step, momentAt) => {
      trace.visit(step);
      step.at(step.t1, probe);
      if (probe[AT.distance]! >= FAR_M - 1e-9)
        spun ??= { car: probe[AT.distance]!, tyre: probe[AT.tyreDistance]! };
      noteExtremes(pack, step, (t) => momentAt(step, t).packVolts);
      noteExtremes(amps, step, (t) => momentAt(step, t).packAmps);
      noteExtremes(force, step, (t) => momentAt(step, t).tyreForce);
    },
  });
  const [at5, at20, cutoffS] = run.markTimes;
  spun ??= { car: y[AT.distance]!, tyre: y[AT.tyreDistance]! };
  trace.fill(kmPerHour(y[AT.speed]!));
  const honest = blocked(
    rig.motor,
    dutyOf(esc, esc.forwardSignal),
    currentLimitOf(rig, esc),
    rig.openVolts,
    rig.packOhm,
  );
  return {
    xLabel: 's',
    yLabel: 'speed, km/h',
    points: trace.points,
    numbers: [
      number('to5', 'First 5 m', at5, 's', 2, 'quicker', 'slower'),
      number('to20', 'First 20 m', at20, 's', 2, 'quicker', 'slower'),
      number(
        'wheelspin',
        'Spun away by the tyres',
        spun.tyre > 0 ? 100 * Math.max(0, 1 - spun.car / spun.tyre) : 0,
        '%',
        0,
        'calmer',
        'wilder',
      ),
      number('peakPack', 'Peak pack current', amps.most, 'A', 0, 'cooler', 'hotter'),
      number('lowestCell', 'Lowest cell voltage', pack.least / rig.cells, 'V', 2, 'deeper sag', 'less sag'),
      number(
        'peakTorque',
        'Peak torque at the wheels',
        force.most * rig.wheelRadiusM,
        'N·m',
        2,
        'gentler',
        'harsher',
      ),
      number('blocked', 'Pack with wheels blocked', honest.packVolts, 'V', 1, 'near a brown-out', 'safer'),
      number(
        'cutoffAt',
        'Cutoff would act after',
        esc.cutoffVoltsPerCell > 0 ? cutoffS : undefined,
        's',
        2,
        'sooner',
        'later',
      ),
    ],
  };
}

/** What pulls at the tyre when everything is steady, N, at a tyre speed, long after full trigger. */
export function steadyForce(
  rig: ResolvedWheels,
  esc: EscBehaviour,
  duty: number,
  signal: number,
  tyreSpeed: number,
): number {
  const flow = steadyFlow(rig, esc, duty, signal, tyreSpeed);
  const gearing = rig.finalDrive / rig.wheelRadiusM;
  return flow.torque >= 0
    ? flow.torque * gearing * rig.drivelineEfficiency
    : (flow.torque * gearing) / rig.drivelineEfficiency;
}

const LONG_S = 60;
const steadied = newFlow();

function steadyFlow(rig: ResolvedWheels, esc: EscBehaviour, duty: number, signal: number, tyreSpeed: number) {
  const setup = setupOf(rig, esc);
  const shaft = shaftSpeedAt(rig, tyreSpeed);
  driveFlow(
    rig.motor,
    1,
    {
      duty,
      advance: setup.advance(rpmOf(shaft), signal, LONG_S),
      frequencyHz: setup.frequencyHz,
      damped: setup.damped,
      currentLimit: setup.currentLimit,
    },
    shaft,
    rig.openVolts,
    rig.packOhm,
    steadied,
  );
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
  const drawn: Part[] = [pull(esc, TOP_DRAWN_S), { ...steady(esc), lengthS: TOP_LONGEST_S - TOP_DRAWN_S }];
  const run = runWheels(finely(rig), setupOf(rig, esc), drawn, y, {
    marks: [nearly],
    visit: (step) => trace.visit(step),
  });
  return {
    xLabel: 's',
    yLabel: 'speed, km/h',
    points: trace.points,
    numbers: [
      number('top', 'Top speed', kmPerHour(top), 'km/h', 1, 'slower', 'faster'),
      number('rpm', 'Motor there', rpmOf(shaftSpeedAt(rig, top)), 'rpm', 0, 'slower', 'faster'),
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

const steady = (esc: EscBehaviour): Part => {
  const duty = dutyOf(esc, esc.forwardSignal);
  return { lengthS: 0, kind: 'drive', from: duty, to: duty, perSecond: 0, signal: esc.forwardSignal };
};

/** Letting go at speed: drag brake, or what pulls on, and resistance. */
export function letGo(rig: ResolvedWheels, esc: EscBehaviour): Drill {
  const part: Part =
    esc.coastAssist > 0 && esc.dragBrake <= 0
      ? {
          lengthS: STOP_LONGEST_S,
          kind: 'drive',
          from: esc.coastAssist,
          to: esc.coastAssist,
          perSecond: 0,
          signal: 0,
        }
      : {
          lengthS: STOP_LONGEST_S,
          kind: 'brake',
          from: esc.dragRampS > 0 ? 0 : esc.dragBrake,
          to: esc.dragBrake,
          perSecond: esc.dragRampS > 0 ? esc.dragBrake / esc.dragRampS : 0,
          signal: 0,
        };
  const { startSpeed, points, walkingAfterM, fromWalkingM } = slowing(rig, esc, part, esc.dragBrake);
  const startKmh = Math.round(kmPerHour(startSpeed));
  const first =
    (Math.min(gripLimit(rig, true), brakeForceAt(rig, esc, esc.dragBrake, startSpeed)) +
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
        'Of what lifts the rear',
        (100 * first) / (GRAVITY * LEVER_OVER_HEIGHT),
        '%',
        0,
        'calmer',
        'tips sooner',
      ),
    ],
  };
}

/** Full brake at speed. */
export function brake(rig: ResolvedWheels, esc: EscBehaviour): Drill {
  const strength = brakeStrengthOf(esc, 1);
  const part: Part = {
    lengthS: STOP_LONGEST_S,
    kind: 'brake',
    from: strength,
    to: strength,
    perSecond: 0,
    signal: 0,
  };
  const { startSpeed, points, stopM, fromWalkingM, slidingShare } = slowing(rig, esc, part, strength);
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
        peakOver(startSpeed, (speed) => brakeAmpsAt(rig, esc, strength, speed)),
        'A',
        0,
        'cooler',
        'hotter',
      ),
      number(
        'bite',
        'Force at walking pace',
        brakeForceAt(rig, esc, strength, WALKING_PACE),
        'N',
        1,
        'gentler',
        'firmer',
      ),
    ],
  };
}

/** From speed, and from walking pace, to rest on the flat. */
function slowing(rig: ResolvedWheels, esc: EscBehaviour, part: Part, strength: number) {
  const startSpeed = Math.min(BRAKE_FROM, REACHABLE_SHARE * noLoadSpeed(rig));
  const setup = setupOf(rig, esc);
  const y = startState(rig, startSpeed);
  const probe = new Float64Array(SIZE);
  let walkingAfterM: number | undefined;
  const walking: Mark = { value: (state) => state[AT.speed]! - WALKING_PACE, ends: false };
  const run = runWheels(finely(rig), setup, [part], y, {
    marks: [walking],
    visit: (step) => {
      step.at(step.t1, probe);
      if (walkingAfterM === undefined && probe[AT.speed]! <= WALKING_PACE * (1 + 1e-9))
        walkingAfterM = probe[AT.distance]!;
    },
  });
  const slow = startState(rig, WALKING_PACE);
  const slowRun = runWheels(finely(rig), setup, [part], slow);
  const points = Array.from({ length: TRACE_POINTS + 1 }, (_, n) => {
    const speed = (startSpeed * n) / TRACE_POINTS;
    return { x: kmPerHour(speed), y: brakeForceAt(rig, esc, strength, speed) };
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

const brakeAmpsAt = (rig: ResolvedWheels, esc: EscBehaviour, strength: number, speed: number): number =>
  strength <= 0
    ? 0
    : brakeCurrent(
        rig.motor,
        strength,
        esc.brakeFrequencyHz,
        shaftSpeedAt(rig, speed),
        rig.openVolts,
        rig.packOhm,
      );

/** Braking force at the tyre, N, ≥ 0: losses of motor and driveline help. */
export function brakeForceAt(
  rig: ResolvedWheels,
  esc: EscBehaviour,
  strength: number,
  speed: number,
): number {
  if (speed <= 0) return 0;
  const torque = rig.motor.constant * (brakeAmpsAt(rig, esc, strength, speed) + rig.motor.noLoadCurrent);
  return (torque * rig.finalDrive) / (rig.wheelRadiusM * rig.drivelineEfficiency);
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

/** Speed at which the back-EMF meets the pack, m/s: kV × V through the gearing. Hughes and Drury, Electric Motors and Drives. */
export const noLoadSpeed = (rig: ResolvedWheels): number =>
  (rig.openVolts / rig.motor.constant / rig.finalDrive) * rig.wheelRadiusM;
