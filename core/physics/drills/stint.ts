/** A lap or a flight over and over, until the pack is down or something stops it. */
import { shaftSpeedAt } from '../tyre';
import { kmPerHour, rpmOf } from '../../units/convert';
import { AT, startState } from '../car';
import { bridgeSettingOf } from '../bridge';
import type { EscBehaviour } from '../escChain';
import { lapSeconds } from '../lap';
import { flatCharge, openCircuitVolts, TOO_FAR_VOLTS } from '../pack';
import type { Mark, RunPart } from '../powerTrain';
import { runPropeller, SPIN, startSpin } from '../propeller';
import type { ResolvedPropeller, ResolvedRig, ResolvedWheels } from '../resolved';
import { runWheels } from '../wheels';
import { number, type Drill, type DrillNumber } from './drill';
import { LapLog, LONGEST_S, type HowClosely, type Readings } from './lapLog';
import { lapParts, type Ground } from './laps';

/** In flight the propeller asks the air for less than on the bench. Assumed. */
export const FLIGHT_SHARE = 0.8;
const FIRST_MINUTE_S = 60;

/**
 * Drives or flies on, everything as warm as the air at first: a cutoff acts as it is set, and without one the pack is emptied
 * until it turns the motor no more.
 */
export const stint = (rig: ResolvedRig, esc: EscBehaviour): Drill =>
  driven(rig, esc, { how: 'closely', longestS: LONGEST_S });

/** A run that its driver ended after so many minutes, or that the pack, a cutoff or heat ended before. */
export const drivenFor = (rig: ResolvedRig, esc: EscBehaviour, minutes: number): Drill =>
  driven({ ...rig, raceMinutes: minutes }, esc, { how: 'closely', longestS: 60 * minutes });

/** About what a stint comes to, within a few per cent, in a quarter of the time: for verdicts, which round. */
export const roughStint = (rig: ResolvedRig, esc: EscBehaviour): Drill =>
  driven(rig, esc, { how: 'roughly', longestS: LONGEST_S });

/** How closely it is driven, and when it is over at the latest, s. */
interface Extent {
  how: HowClosely;
  longestS: number;
}

function driven(rig: ResolvedRig, esc: EscBehaviour, extent: Extent): Drill {
  const charged = offTheCharger(rig);
  return charged.kind === 'wheels' ? drive(charged, rig, esc, extent) : fly(charged, rig, esc, extent);
}

/** The rig with its pack as full as it is charged to; the other drills start on one that has driven to the line. */
const offTheCharger = <R extends ResolvedRig>(rig: R): R => ({
  ...rig,
  startCharge: rig.fullCharge,
  openVolts: rig.cells * openCircuitVolts(rig.chemistry, rig.fullCharge),
});

function drive(charged: ResolvedWheels, rig: ResolvedRig, esc: EscBehaviour, extent: Extent): Drill {
  const y = startState(charged, 0);
  y[AT.winding] = y[AT.case] = charged.ambientC;
  const read = (): Readings => ({
    distance: y[AT.distance]!,
    shaft: shaftSpeedAt(charged, y[AT.speed]!),
    cell: y[AT.seenCell]!,
    heat: { winding: y[AT.winding]!, case: y[AT.case]!, esc: y[AT.esc]!, pack: y[AT.pack]! },
    drawn: y[AT.drawn]!,
  });
  const run = (parts: Iterable<RunPart>, marks: readonly Mark[]) =>
    runWheels(charged, bridgeSettingOf(rig, esc), parts, y, { marks, endsAtRest: false });
  const told = repeat(
    charged,
    esc,
    { dragBrake: esc.dragBrake, grip: charged.grip, corners: charged.cornersShare },
    { y, read, run, places: AT, ...extent },
  );
  return answer(charged, esc, told, { label: 'speed of each lap, km/h', of: kmPerHour });
}

function fly(charged: ResolvedPropeller, rig: ResolvedRig, esc: EscBehaviour, extent: Extent): Drill {
  const y = startSpin(charged, 0);
  y[SPIN.winding] = y[SPIN.case] = charged.ambientC;
  const read = (): Readings => ({
    distance: undefined,
    shaft: y[SPIN.shaft]!,
    cell: y[SPIN.seenCell]!,
    heat: { winding: y[SPIN.winding]!, case: y[SPIN.case]!, esc: y[SPIN.esc]!, pack: y[SPIN.pack]! },
    drawn: y[SPIN.drawn]!,
  });
  const run = (parts: Iterable<RunPart>, marks: readonly Mark[]) =>
    runPropeller(charged, bridgeSettingOf(rig, esc), parts, y, {
      marks,
      airShare: FLIGHT_SHARE,
      endsAtRest: false,
    });
  const told = repeat(
    charged,
    esc,
    { dragBrake: esc.propellerBrake, grip: 0, corners: 0 },
    { y, read, run, places: SPIN, ...extent },
  );
  return answer(charged, esc, told, { label: 'highest rpm of each lap', of: rpmOf });
}

/** A vehicle on its way. */
interface Driven extends Extent {
  /** Its state; changed on the way. */
  y: Float64Array;
  read: () => Readings;
  run: (parts: Iterable<RunPart>, marks: readonly Mark[]) => { endS: number };
  places: { drawn: number; seenCell: number; winding: number; esc: number };
}

/** What was noted; times of the stint in s, undefined for what never came. */
interface Told {
  log: LapLog;
  endS: number;
  drawn: number;
  cutoffS: number | undefined;
  hotS: number | undefined;
  /** What was drawn after a cell had first fallen too far, A·s. */
  drawnTooFar: number;
}

function repeat(
  rig: ResolvedRig,
  esc: EscBehaviour,
  ground: Ground,
  { y, read, run, places, how, longestS }: Driven,
): Told {
  const coulombs = rig.capacityAh * 3600;
  const drawable = (rig.startCharge - flatCharge(rig.chemistry)) * coulombs;
  const lapS = lapSeconds(rig.lap);
  const heatUntilS = 60 * (rig.raceMinutes ?? Infinity);
  const log = new LapLog({ read, drawable, lapS, heatUntilS, longestS, how });
  let cutoffS: number | undefined;
  let hotS: number | undefined;
  let drawnAtTooFar: number | undefined;
  const fallsTo = (least: number, place: number, ends: boolean, reached: Mark['reached']): Mark => ({
    value: (at) => at[place]! - least,
    ends,
    reached,
  });
  const noteHot = (t: number): void => {
    hotS ??= log.stintTime(t);
  };
  const warmsTo = (most: number, place: number): Mark => ({
    value: (at) => most - at[place]!,
    ends: true,
    reached: noteHot,
  });
  const noteCutoff = (t: number): void => {
    cutoffS = log.stintTime(t);
  };
  const marks: Mark[] = [
    { value: (at) => drawable - at[places.drawn]!, ends: true },
    fallsTo(TOO_FAR_VOLTS[rig.chemistry], places.seenCell, false, () => {
      drawnAtTooFar = read().drawn;
    }),
    ...(esc.cutoffVoltsPerCell > 0
      ? [fallsTo(esc.cutoffVoltsPerCell, places.seenCell, esc.cutoffLeaves === 0, noteCutoff)]
      : []),
    ...(Number.isFinite(esc.escLimitC) ? [warmsTo(esc.escLimitC, places.esc)] : []),
    ...(Number.isFinite(esc.motorLimitC) ? [warmsTo(esc.motorLimitC, places.winding)] : []),
  ];
  const keeper = {
    lapBegins: () => log.next(),
    pieceEnds: (seconds: number) => log.note(seconds),
    powerLeft: () => (cutoffS === undefined ? 1 : esc.cutoffLeaves),
  };
  // A run tells only what it crosses: a guard that holds from the start has acted before it.
  const actedAtOnce = marks.filter(({ value }) => value(y, 0) <= 0);
  for (const { reached } of actedAtOnce) reached?.(0, y);
  const endS = actedAtOnce.some(({ ends }) => ends)
    ? 0
    : run(lapParts(rig.lap, esc, ground, keeper), marks).endS;
  const stintEndS = log.stintTime(endS);
  log.end(endS);
  const { drawn } = read();
  return {
    log,
    endS: stintEndS,
    drawn,
    cutoffS,
    hotS,
    drawnTooFar: drawnAtTooFar === undefined ? 0 : drawn - drawnAtTooFar,
  };
}

/** How a vehicle shows that it pulls: a label with its unit, and what makes that unit of the log's. */
interface Pull {
  label: string;
  of: (pull: number) => number;
}

function answer(rig: ResolvedRig, esc: EscBehaviour, told: Told, pull: Pull): Drill {
  const { log } = told;
  const shownS = 60 * rig.shownMinutes;
  const tooFar = TOO_FAR_VOLTS[rig.chemistry];
  const cells = log.over(shownS, ({ leastCell }) => leastCell, log.laps.at(-1)?.leastCell ?? log.lowest);
  const pulls = log.over(shownS, (lap) => pull.of(lap.pull), 0);
  const mark =
    esc.cutoffVoltsPerCell > 0
      ? { y: esc.cutoffVoltsPerCell, label: 'cutoff' }
      : { y: tooFar, label: `${tooFar} V: too low` };
  return {
    xLabel: 'min',
    yLabel: 'lowest cell of each lap, V',
    // A tenth of a volt decides here.
    from: tooFar - 0.5,
    points: cells,
    mark,
    more: [{ xLabel: 'min', yLabel: pull.label, points: pulls }],
    numbers: numbersOf(rig, esc, told),
  };
}

function numbersOf(rig: ResolvedRig, esc: EscBehaviour, told: Told): DrillNumber[] {
  const { log, endS, cutoffS, hotS, drawn } = told;
  const runsS = Math.min(cutoffS ?? Infinity, hotS ?? Infinity, endS);
  const minutes = (seconds: number | undefined) => (seconds === undefined ? undefined : seconds / 60);
  const perMinute = endS > 0 ? drawn / 3.6 / (endS / 60) : undefined;
  const speed = endS > 0 ? kmPerHour(log.metres() / endS) : 0;
  const first = firstMinute(log, runsS);
  const heat = (id: string, name: string, celsius: number): DrillNumber =>
    number(id, name, celsius, '°C', 0, 'cooler', 'hotter');
  return [
    number('runs', 'Runs for', runsS / 60, 'min', 1, 'shorter', 'longer'),
    ...(rig.raceMinutes === undefined
      ? []
      : [
          number(
            'spare',
            'Longer than needed by',
            runsS / 60 - rig.raceMinutes,
            'min',
            1,
            'shorter',
            'longer',
          ),
        ]),
    number('cutoff', 'Cutoff acts after', minutes(cutoffS), 'min', 1, 'sooner', 'later'),
    ...(cutoffS !== undefined && esc.cutoffLeaves > 0
      ? [number('limps', 'Then reduced power for', (endS - cutoffS) / 60, 'min', 1, 'shorter', 'longer')]
      : []),
    number('heatStop', 'Heat stops it after', minutes(hotS), 'min', 1, 'sooner', 'later'),
    number('used', 'Used from the pack', drawn / 3.6, 'mAh', 0, 'thriftier', 'hungrier'),
    number('perMinute', 'Used per minute', perMinute, 'mAh', 0, 'thriftier', 'hungrier'),
    number(
      'tooFar',
      `Drawn below ${TOO_FAR_VOLTS[rig.chemistry]} V`,
      told.drawnTooFar / 3.6,
      'mAh',
      0,
      'spares the cells',
      'harms the cells',
    ),
    number('lowestCell', 'Lowest cell, seen by the ESC', log.lowest, 'V', 2, 'deeper sag', 'less sag'),
    ...(first === undefined
      ? []
      : [
          number(
            'firstMinute',
            'Volts under load, first minute above the rest',
            first,
            '%',
            1,
            'more even',
            'livelier at first',
          ),
        ]),
    number('rpm', 'Highest rpm on the way', rpmOf(log.mostShaft), 'rpm', 0, 'slower', 'faster'),
    heat('winding', 'Motor winding, hottest lap', log.hottest.winding),
    heat('can', 'Motor can, hottest lap', log.hottest.case),
    heat('esc', 'ESC’s case, hottest lap', log.hottest.esc),
    heat('pack', 'Pack, hottest lap', log.hottest.pack),
    ...(rig.kind === 'wheels'
      ? [number('speed', 'Average speed', speed, 'km/h', 1, 'slower', 'faster')]
      : []),
  ];
}

/**
 * By how much the cells stand higher under load in the first minute than later at full power, %: a motor follows its volts.
 * Undefined where no lap ends in that minute, or none after it.
 */
function firstMinute({ laps }: LapLog, runsS: number): number | undefined {
  const mean = (from: number, to: number): number => {
    const between = laps.filter(({ untilS }) => untilS > from && untilS <= to);
    const lasted = between.reduce((total, { seconds }) => total + seconds, 0);
    return between.reduce((total, { leastCell, seconds }) => total + leastCell * seconds, 0) / lasted;
  };
  const first = mean(0, FIRST_MINUTE_S);
  const rest = mean(FIRST_MINUTE_S, runsS);
  return first > 0 && rest > 0 ? 100 * (first / rest - 1) : undefined;
}
