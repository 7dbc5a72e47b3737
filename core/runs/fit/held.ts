/**
 * A log held against a model: what the model makes of the very volts, amperes and rpm that were logged, and by how much it is
 * off. Nothing is driven from a start, so nothing runs away from the log, and what is off is off for a reason of its own:
 * - the motor: the rpm at which it draws the current that was logged, against the rpm that was logged;
 * - the pack: its volts after what was drawn;
 * - the ground or the air: the torque that the motor has there, against what the model does with it;
 * - what is drawn while nothing is driven: servos, and what the sensor shows of nothing;
 * - heat: can and ESC after the losses so far.
 */
import type { Braking } from '../../physics/brakeChopper';
import { brakeAt, type BrakeCall, type BridgeSetting } from '../../physics/bridge';
import { copperResistance, newFlow } from '../../physics/motor';
import { WARM_C, type ResolvedRig } from '../../physics/resolved';
import { heatRates, shedding } from '../../physics/thermalNodes';
import { GRAVITY } from '../../units/convert';
import { dutyAtCurrent, flowAtCurrent } from './flowAt';
import { loadOf } from './load';
import type { LoggedRun } from './loggedRun';
import { PackAlong } from './packAlong';
import type { RunKey, SensorKey } from './parameters';
import type { Rows } from './rows';

/** What a model makes of a log: how far off each row is, and how far off it may be. */
export interface Held {
  off: Float64Array;
  /** One standard deviation, from what the model says there: noise of the mean, and what no model gets right. */
  may: Float64Array;
}

/** Noise of a single reading. From memory: rpm as a share, V, K, A. */
const RPM_NOISE = 0.004;
const VOLTS_NOISE = 0.02;
const KELVIN_NOISE = 0.5;
const AMPS_NOISE = 0.3;
/** What no model of ours gets right, whatever its numbers are: shares of what it says; V a cell. Assumed. */
const SPEED_LACK = 0.005;
const CELL_LACK = 0.004;
const FORCE_LACK = 0.02;
/** Tyres that spin hold somewhat less than the most. */
const GRIP_LACK = 0.06;
const CORNER_LACK = 0.1;
/** No ground is the same all over: of the weight. Assumed. */
const UNEVEN = 0.01;
const HEAT_LACK = 0.03;
/** A receiver and its servos never draw quite the same, A. Assumed. */
const STILL_LACK = 0.05;
/** A sensor sits where it is somewhat cooler or warmer than the whole, K. Assumed. */
const HEAT_UNEVEN = 0.4;
/** From run to run a driver pulls so much more or less, as a share. From memory. */
const PULL_SCATTER = 0.05;

/** Air that nobody read may be so many times further off. Assumed. */
const UNREAD_AIR = 4;
/** A single stretch's force is known to this share: what the rpm at its ends tells of speed is noise. Assumed. */
const STRETCH_NOISE = 0.1;
/** Cooler than this above the air, K, it began as cold as the air. */
const WARM_FROM = 3;
/** Slower than this a car stands, and its motor gets no wind, rad/s at the shaft. */
const STANDS_BELOW = 1;

/** Places of the heat in its state. */
const HEAT = { winding: 0, case: 1, esc: 2 } as const;
/** The first readings say how warm it began. */
const WARM_SAMPLES = 20;

/**
 * @param rig resolved with all that is tried, its pack as charged as that run began
 * @param bridge as its ESC works it
 */
export function holdAgainst(
  run: LoggedRun,
  rows: Rows,
  rig: ResolvedRig,
  bridge: BridgeSetting,
  sensors: Record<SensorKey, number>,
  ofRun: Record<RunKey, number>,
): Held {
  const rowCount = rows.kinds.length;
  const sum = new Float64Array(rowCount);
  const size = new Float64Array(rowCount);
  const extra = new Float64Array(rowCount);
  const add = (row: number, off: number, of: number): void => {
    if (row < 0) return;
    sum[row]! += off;
    size[row]! += of;
  };
  const motors = rig.bus.sharedByMotors;
  const airC = run.airC + ofRun.airKelvin * (run.airKnown ? 1 : UNREAD_AIR);
  const shed = Math.exp(ofRun.cooling);
  const hotter = Math.exp(ofRun.heat);
  const thermal = shedding(rig.thermal, { motor: shed, esc: shed });
  const pack = new PackAlong(rig, run.charged + ofRun.charge, airC);
  const heat = new Float64Array(3);
  heat[HEAT.case] = heat[HEAT.winding] = startsAt(run.canC, airC, sensors.canOffset);
  heat[HEAT.esc] = startsAt(run.escC, airC, sensors.escOffset);
  const rates = new Float64Array(3);
  const flow = newFlow();
  const call: BrakeCall = { strength: 0, stays: true, pushed: false };
  const torque = new Float32Array(run.volts.length);
  const load = loadOf(rig, ofRun.ground);
  const count = run.volts.length;
  for (let n = 0; n < count; n += 1) {
    const lasts = run.lasts[n]!;
    const volts = run.volts[n]! / (1 + sensors.voltsGain);
    const amps = ((run.amps[n]! - sensors.ampsZero) / (1 + sensors.ampsGain) - ofRun.servoAmps) / motors;
    const shaft = run.shaft[n]!;
    add(rows.still[n]!, amps, 0);
    add(rows.pack[n]!, volts - pack.voltsAt(amps), volts);
    pack.draw(amps + bridge.ownAmps, amps, lasts);
    let windingWatts: number;
    let escWatts: number;
    if (run.duty[n]! > 0) {
      const windingFactor = copperResistance(1, heat[HEAT.winding]!) / copperResistance(1, WARM_C);
      const moment = {
        duty:
          run.steady[n] === 1
            ? run.duty[n]!
            : Math.min(run.duty[n]!, dutyAtCurrent(rig, Math.max(0, amps), volts, shaft)),
        signal: run.signal[n]!,
        sinceS: run.since[n]!,
        volts,
        amps,
        shaft,
      };
      const drawnAt = flowAtCurrent(rig, bridge, windingFactor, moment, flow);
      const free = (moment.duty * volts) / rig.motor.constant;
      add(rows.motor[n]!, (drawnAt - shaft) / free, 1);
      ({ windingWatts, escWatts } = flow);
      torque[n] = flow.torque;
    } else {
      call.strength = run.strength[n]!;
      call.pushed = run.trigger[n]! < 0;
      const lost = lostWhileBraking(rig, bridge, call, shaft, volts);
      const ofBridge = rig.motor.bridgeResistance / rig.motor.resistance;
      windingWatts = lost * (1 - ofBridge);
      escWatts = lost * ofBridge;
    }
    add(
      rows.can[n]!,
      run.canC ? run.canC[n]! - sensors.canOffset - heat[HEAT.case]! : 0,
      heat[HEAT.case]! - airC,
    );
    add(
      rows.esc[n]!,
      run.escC ? run.escC[n]! - sensors.escOffset - heat[HEAT.esc]! : 0,
      heat[HEAT.esc]! - airC,
    );
    heatRates(
      thermal,
      rig.fan,
      airC,
      rig.kind === 'propeller' || shaft > STANDS_BELOW,
      hotter * windingWatts,
      hotter * escWatts + bridge.ownWatts,
      heat,
      rates,
      0,
    );
    for (let node = 0; node < 3; node += 1) heat[node]! += rates[node]! * lasts;
  }
  // A rig's lap is as hard as its owner says, and as its runs were.
  sum[rows.pull] = (rows.counts[rows.pull]! * (run.howHardPercent - rig.lap.howHardPercent)) / 100;
  for (const { from, to, row } of rows.stretches) {
    const told = load.over(run, torque, from, to);
    sum[row]! += rows.kinds[row] === 'grip' ? told.force - load.grips : told.off;
    size[row]! += told.force;
    extra[row]! += told.extra;
  }
  return finished(rows, rig, { sum, size, extra });
}

const braking: Braking = { amps: 0, returned: 0 };

/** What becomes heat while a brake holds, or where a motor coasts, W. */
function lostWhileBraking(
  { motor }: ResolvedRig,
  { brake }: BridgeSetting,
  call: BrakeCall,
  shaft: number,
  volts: number,
): number {
  if (call.strength > 0) brakeAt(brake, call, shaft, volts, 0, braking);
  else [braking.amps, braking.returned] = [0, 0];
  return motor.constant * (braking.amps + motor.noLoadCurrent) * shaft - braking.returned * volts;
}

/** The means of the rows, and how far off each may be. */
function finished(
  { kinds, counts }: Rows,
  rig: ResolvedRig,
  { sum, size, extra }: { sum: Float64Array; size: Float64Array; extra: Float64Array },
): Held {
  const uneven = rig.kind === 'wheels' ? UNEVEN * rig.massKg * GRAVITY : 0;
  const off = new Float64Array(kinds.length);
  const may = new Float64Array(kinds.length);
  for (let row = 0; row < kinds.length; row += 1) {
    const count = counts[row]!;
    const of = size[row]! / count;
    off[row] = sum[row]! / count;
    const noise = (single: number): number => single / Math.sqrt(count);
    may[row] = (() => {
      switch (kinds[row]!) {
        case 'motor':
          return Math.hypot(noise(RPM_NOISE), SPEED_LACK);
        case 'pack':
          return Math.hypot(noise(VOLTS_NOISE), CELL_LACK * rig.cells);
        case 'ground':
          return Math.hypot(
            noise(STRETCH_NOISE * of),
            FORCE_LACK * of,
            CORNER_LACK * (extra[row]! / count),
            uneven,
          );
        case 'grip':
          return Math.hypot(noise(STRETCH_NOISE * of), GRIP_LACK * of);
        case 'still':
          return Math.hypot(noise(AMPS_NOISE), STILL_LACK);
        case 'pull':
          return PULL_SCATTER;
        case 'can':
        case 'esc':
          return Math.hypot(noise(KELVIN_NOISE), HEAT_LACK * Math.max(0, of), HEAT_UNEVEN);
      }
    })();
  }
  return { off, may };
}

/** How warm something began: what was read first, where that was above the air. */
function startsAt(read: Float32Array | undefined, airC: number, offset: number): number {
  if (!read) return airC;
  const first =
    read.subarray(0, WARM_SAMPLES).reduce((so, value) => so + value, 0) / Math.min(WARM_SAMPLES, read.length);
  return first - offset > airC + WARM_FROM ? first - offset : airC;
}
