/** The standard manoeuvres of a car that run in time: launch, top speed, lift-off and brake. */
import { GRAVITY, kmPerHour, metresPerSecond, rpmOf } from '../../units/convert';
import { totalAdvance, type EscBehaviour } from '../escChain';
import { brakeStrengthOf, dutyOf } from '../triggerChain';
import { noExtremes, noteExtremes } from '../extreme';
import { blocked, driveFlow, newFlow } from '../motor';
import { brakeAmps, driveAt, finely, newDrive, setupOf, startLimitOf } from '../setup';
import type { Mark, Part } from '../powerTrain';
import { AT, gripLimit, resistance, runWheels, shaftSpeedAt, SIZE, startState } from '../wheels';
import { number, TRACE_POINTS, type Drill } from './drill';
import { drawOver } from './trace';
import type { ResolvedWheels } from '../resolved';

const LAUNCH_LONGEST_S = 12;
const LAUNCH_DRAWN_S = 3;
const FAR_M = 20;
const TOP_LONGEST_S = 60;
const TOP_DRAWN_S = 10;
const STOP_LONGEST_S = 40;
export const WALKING_PACE = metresPerSecond(5);
export const BRAKE_FROM = metresPerSecond(30);
/** Share of the no-load speed that a car reaches on the flat, for cars slower than `BRAKE_FROM`. */
export const REACHABLE_SHARE = 0.85;
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
    startLimitOf(rig, esc),
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
const steadyDrive = newDrive();

function steadyFlow(rig: ResolvedWheels, esc: EscBehaviour, duty: number, signal: number, tyreSpeed: number) {
  const shaft = shaftSpeedAt(rig, tyreSpeed);
  driveAt(setupOf(rig, esc), duty, signal, shaft, LONG_S, steadyDrive);
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

/** How long a finger takes to let the trigger go, s. Assumed. */
const EASING_S = 0.25;

/** The trigger on its way back, and then let go: it rolls until neutral, or drag brake comes in on the way. */
function lettingGo(esc: EscBehaviour): Part[] {
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
  const withoutTurbo = totalAdvance({ ...esc.advance, turbo: 0 }, Infinity, esc.forwardSignal, 0);
  let speed = steadySpeed(rig, esc, dutyOf(esc, esc.forwardSignal), esc.forwardSignal);
  let most = 0;
  const tickS = 0.005;
  for (let t = 0; t <= turbo / turboOffPerSecond + tickS; t += tickS) {
    const degrees = withoutTurbo + Math.max(0, turbo - turboOffPerSecond * t);
    const shaft = shaftSpeedAt(rig, speed);
    const over = rig.motor.constant * shaft * Math.cos((degrees * Math.PI) / 180) - rig.openVolts;
    const amps = Math.max(0, over) / (rig.motor.resistance + rig.packOhm);
    const force = (rig.motor.constant * amps * rig.finalDrive) / (rig.wheelRadiusM * rig.drivelineEfficiency);
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
        'Of what lifts the rear',
        (100 * first) / (GRAVITY * LEVER_OVER_HEIGHT),
        '%',
        0,
        'calmer',
        'tips sooner',
      ),
      ...(esc.advance.turbo > 0
        ? [
            number(
              'turboBack',
              'Pushes back as turbo goes',
              turboPushBack(rig, esc),
              'N',
              1,
              'rolls on',
              'drags',
            ),
          ]
        : []),
    ],
  };
}

/** Trigger pushed at once and fully. */
export const pushed = (esc: EscBehaviour, lengthS: number): Part => {
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
function slowing(rig: ResolvedWheels, esc: EscBehaviour, parts: readonly Part[], braking: Braking) {
  const startSpeed = Math.min(BRAKE_FROM, REACHABLE_SHARE * noLoadSpeed(rig));
  const setup = setupOf(rig, esc);
  const y = startState(rig, startSpeed);
  const probe = new Float64Array(SIZE);
  let walkingAfterM: number | undefined;
  const walking: Mark = { value: (state) => state[AT.speed]! - WALKING_PACE, ends: false };
  const run = runWheels(finely(rig), setup, parts, y, {
    marks: [walking],
    visit: (step) => {
      step.at(step.t1, probe);
      if (walkingAfterM === undefined && probe[AT.speed]! <= WALKING_PACE * (1 + 1e-9))
        walkingAfterM = probe[AT.distance]!;
    },
  });
  const slow = startState(rig, WALKING_PACE);
  const slowRun = runWheels(finely(rig), setup, parts, slow);
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

const brakeAmpsAt = (
  rig: ResolvedWheels,
  esc: EscBehaviour,
  { strength, pushed }: Braking,
  speed: number,
): number =>
  strength <= 0
    ? 0
    : brakeAmps(
        rig.motor,
        setupOf(rig, esc).brake,
        strength,
        pushed,
        shaftSpeedAt(rig, speed),
        rig.openVolts,
        rig.packOhm,
      );

/** Braking force at the tyre, N, ≥ 0: losses of motor and driveline help. */
export function brakeForceAt(
  rig: ResolvedWheels,
  esc: EscBehaviour,
  braking: Braking,
  speed: number,
): number {
  if (speed <= 0) return 0;
  const torque = rig.motor.constant * (brakeAmpsAt(rig, esc, braking, speed) + rig.motor.noLoadCurrent);
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
