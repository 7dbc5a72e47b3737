/** The standard drills of a model with a propeller, held fast on the bench: spool up, thrust, cut. */
import { GRAVITY, kmPerHour, rpmOf } from '../../units/convert';
import type { EscBehaviour } from '../escChain';
import { dutyOf } from '../triggerChain';
import { noExtremes, noteExtremes } from '../extreme';
import { stalled, driveFlow, newFlow, type Flow } from '../motor';
import { airTorque, runPropeller, SPIN, SPIN_SIZE, startSpin, thrustNewtons } from '../propeller';
import { driveAt, finely, newDrive, bridgeSettingOf, startLimitOf } from '../bridge';
import type { Mark, RunPart } from '../powerTrain';
import { number, TRACE_POINTS, type Drill } from './drill';
import { drawOver } from './trace';
import type { ResolvedPropeller } from '../resolved';

const SPOOL_LONGEST_S = 25;
const SPOOL_DRAWN_S = 4;
const CUT_LONGEST_S = 30;
const CUT_DRAWN_S = 4;
/** Share of the final rpm that counts as being there. */
const THERE = 0.95;
const LONG_S = 60;

export const grams = (newtons: number): number => (newtons / GRAVITY) * 1000;

/** What flows when everything is steady. */
export interface Steady extends Flow {
  shaftSpeed: number;
  packVolts: number;
  thrust: number;
  /** Of the electric power, what the shaft gives, 0 to 1. */
  efficiency: number;
}

/** The state in which motor and air agree at a signal of the throttle. Bisection: the balance falls with speed. */
export function steady(rig: ResolvedPropeller, esc: EscBehaviour, signal: number, airShare = 1): Steady {
  const bridge = bridgeSettingOf(rig, esc);
  const duty = dutyOf(esc, signal);
  const flow = newFlow();
  const drive = newDrive();
  const flowAt = (shaft: number): void => {
    driveAt(bridge, duty, signal, shaft, LONG_S, drive);
    driveFlow(rig.motor, 1, drive, shaft, rig.openVolts, rig.packOhm, flow);
  };
  let low = 0;
  let high = duty > 0 ? (3 * rig.openVolts) / rig.motor.constant : 0;
  for (let n = 0; n < 60; n += 1) {
    const middle = (low + high) / 2;
    flowAt(middle);
    if (flow.torque - airShare * airTorque(rig.propeller, middle) > 0) low = middle;
    else high = middle;
  }
  if (duty > 0) flowAt(low);
  const packVolts = rig.openVolts - flow.packAmps * rig.packOhm;
  const watts = flow.packAmps * packVolts;
  return {
    ...flow,
    shaftSpeed: low,
    packVolts,
    thrust: thrustNewtons(rig.propeller, low),
    efficiency: watts > 0 ? (airShare * airTorque(rig.propeller, low) * low) / watts : 0,
  };
}

const open = (esc: EscBehaviour, lengthS: number): RunPart => ({
  lengthS,
  kind: 'drive',
  from: esc.startDuty * esc.forwardPower,
  to: dutyOf(esc, esc.forwardSignal),
  perSecond: Number.isFinite(esc.rampPerSecond) ? esc.rampPerSecond : 0,
  signal: esc.forwardSignal,
});

/** Throttle opened at once from standstill. */
export function spoolUp(rig: ResolvedPropeller, esc: EscBehaviour): Drill {
  const full = steady(rig, esc, esc.forwardSignal);
  const y = startSpin(rig, 0);
  const pack = noExtremes();
  const amps = noExtremes();
  const trace = drawOver(SPOOL_DRAWN_S, TRACE_POINTS, SPIN_SIZE, (state) => rpmOf(state[SPIN.shaft]!));
  const there: Mark = { value: (state) => state[SPIN.shaft]! - THERE * full.shaftSpeed, ends: false };
  const done: Mark = {
    value: (state, t) => Math.min(state[SPIN.shaft]! - (THERE + 0.01) * full.shaftSpeed, t - SPOOL_DRAWN_S),
    ends: true,
  };
  const run = runPropeller(finely(rig), bridgeSettingOf(rig, esc), [open(esc, SPOOL_LONGEST_S)], y, {
    marks: [there, done],
    visit: (step, at) => {
      trace.visit(step);
      noteExtremes(amps, step, (t) => at(step, t).packAmps);
      noteExtremes(pack, step, (t) => at(step, t).packVolts);
    },
  });
  trace.fill(rpmOf(y[SPIN.shaft]!));
  const honest = stalled(
    rig.motor,
    Math.min(esc.launchDuty, dutyOf(esc, esc.forwardSignal)),
    startLimitOf(rig, esc),
    rig.openVolts,
    rig.packOhm,
  );
  return {
    xLabel: 's',
    yLabel: 'propeller, rpm',
    points: trace.points,
    numbers: [
      number('there', 'To 95 % of full rpm', run.markTimes[0], 's', 2, 'sharper', 'softer'),
      number('peakPack', 'Peak pack current', amps.most, 'A', 0, 'cooler', 'hotter'),
      number('lowestCell', 'Lowest cell voltage', pack.least / rig.cells, 'V', 2, 'deeper sag', 'less sag'),
      number('rpm', 'Full rpm, standing', rpmOf(full.shaftSpeed), 'rpm', 0, 'slower', 'faster'),
      number('stalled', 'Pack volts, propeller stalled', honest.packVolts, 'V', 1, 'sags deeper', 'safer'),
    ],
  };
}

/** Thrust over throttle, everything steady; what hovers and what climbs. */
export function throttle(rig: ResolvedPropeller, esc: EscBehaviour): Drill {
  const at = (share: number): Steady => steady(rig, esc, share * esc.forwardSignal);
  const states = Array.from({ length: TRACE_POINTS }, (_, n) => at((n + 1) / TRACE_POINTS));
  const over = (value: (state: Steady) => number) => [
    { x: 0, y: 0 },
    ...states.map((state, n) => ({ x: (100 * (n + 1)) / TRACE_POINTS, y: value(state) })),
  ];
  const full = at(1);
  const watts = full.packAmps * full.packVolts;
  const hover = hoverShare(rig, (share) => at(share).thrust);
  const hovering = hover === undefined ? undefined : at(hover);
  return {
    xLabel: 'throttle, %',
    yLabel: 'static thrust, g',
    points: over(({ thrust }) => grams(thrust)),
    more: [{ xLabel: 'throttle, %', yLabel: 'pack current, A', points: over(({ packAmps }) => packAmps) }],
    mark: { y: rig.massKg * 1000, label: 'its own weight' },
    numbers: [
      number('thrust', 'Static thrust', grams(full.thrust), 'g', 0, 'weaker', 'stronger'),
      number('thrustHalf', 'Thrust at half throttle', grams(at(0.5).thrust), 'g', 0, 'weaker', 'stronger'),
      number(
        'pitchSpeed',
        'Pitch speed at full',
        kmPerHour((rig.propeller.pitchM * full.shaftSpeed) / (2 * Math.PI)),
        'km/h',
        0,
        'slower',
        'faster',
      ),
      number('amps', 'Current at full', full.packAmps, 'A', 1, 'cooler', 'hotter'),
      number('watts', 'Power at full', watts, 'W', 0, 'cooler', 'hotter'),
      number('efficiency', 'Heat in motor and ESC', 100 * full.efficiency, '%', 1, 'more heat', 'less heat'),
      number('cell', 'Cell voltage at full', full.packVolts / rig.cells, 'V', 2, 'deeper sag', 'less sag'),
      number(
        'hover',
        'Hovers on its propeller at',
        hover === undefined ? undefined : 100 * hover,
        '%',
        0,
        'sooner',
        'later',
      ),
      number(
        'hoverTime',
        'Could hover for',
        hovering && (60 * rig.capacityAh * USABLE) / hovering.packAmps,
        'min',
        1,
        'shorter',
        'longer',
      ),
    ],
  };
}

/** Of the capacity, what is flown out. Common practice: a fifth stays in. */
const USABLE = 0.8;

/** The share of throttle at which thrust carries the model; undefined where it never does. */
function hoverShare(rig: ResolvedPropeller, thrustAt: (share: number) => number): number | undefined {
  const weight = rig.massKg * GRAVITY;
  if (thrustAt(1) < weight) return undefined;
  let low = 0;
  let high = 1;
  for (let n = 0; n < 24; n += 1) {
    const middle = (low + high) / 2;
    if (thrustAt(middle) < weight) low = middle;
    else high = middle;
  }
  return high;
}

/** Throttle closed at once from full rpm. */
export function cut(rig: ResolvedPropeller, esc: EscBehaviour): Drill {
  const start = steady(rig, esc, esc.forwardSignal).shaftSpeed;
  const y = startSpin(rig, start);
  const amps = noExtremes();
  const trace = drawOver(CUT_DRAWN_S, TRACE_POINTS, SPIN_SIZE, (state) => rpmOf(state[SPIN.shaft]!));
  const strength = esc.propellerBrake;
  const part: RunPart = {
    lengthS: CUT_LONGEST_S,
    kind: 'brake',
    from: strength,
    to: strength,
    perSecond: 0,
    signal: 0,
  };
  const run = runPropeller(rig, bridgeSettingOf(rig, esc), [part], y, {
    visit: (step, at) => {
      trace.visit(step);
      noteExtremes(amps, step, (time) => at(step, time).motorAmps);
    },
  });
  trace.fill(0);
  return {
    xLabel: 's',
    yLabel: 'propeller, rpm',
    points: trace.points,
    numbers: [
      number('stops', 'Propeller stops after', run.atRest ? run.endS : undefined, 's', 2, 'sooner', 'later'),
      number('peakBrake', 'Peak brake current', Math.max(0, amps.most), 'A', 0, 'gentler', 'harsher'),
    ],
  };
}
