/** A lap or a flight over and over, until its time or the pack is over. */
import { kmPerHour } from '../../units/convert';
import type { EscBehaviour } from '../escChain';
import { brakeStrengthOf, dutyOf } from '../triggerChain';
import { runPropeller, SPIN, SPIN_SIZE, startSpin } from '../propeller';
import { coarsely, bridgeSettingOf } from '../bridge';
import type { RunPart } from '../powerTrain';
import { AT, startState } from '../car';
import { runWheels } from '../wheels';
import { number, TRACE_POINTS, type Drill } from './drill';
import { drawOver } from './trace';
import type { ResolvedPropeller, ResolvedRig, ResolvedWheels } from '../resolved';

/** One piece of a lap: how far the trigger is pulled or pushed, and for how long. */
interface Piece {
  trigger: number;
  seconds: number;
}

/** Assumed laps: a race with corners, an unhurried crawl, a sport flight. From memory. */
export const LAPS: Record<'race' | 'crawl' | 'flight', readonly Piece[]> = {
  race: [
    { trigger: 1, seconds: 2.2 },
    { trigger: -0.6, seconds: 0.5 },
    { trigger: 0.35, seconds: 1.4 },
    { trigger: 0.75, seconds: 1.6 },
    { trigger: 0, seconds: 0.7 },
    { trigger: 0.5, seconds: 2 },
    { trigger: -0.35, seconds: 0.4 },
    { trigger: 0.3, seconds: 1.2 },
  ],
  crawl: [
    { trigger: 0.18, seconds: 6 },
    { trigger: 0, seconds: 2 },
    { trigger: 0.3, seconds: 4 },
    { trigger: 0.12, seconds: 5 },
  ],
  flight: [
    { trigger: 1, seconds: 6 },
    { trigger: 0.6, seconds: 20 },
    { trigger: 0.75, seconds: 10 },
    { trigger: 0.3, seconds: 8 },
    { trigger: 0, seconds: 3 },
  ],
};

/** How long is looked at, s: a long final. */
const LONGEST_S = 600;
/** Speed of a car whose laps are a crawl, at full trigger, m/s. */
const CRAWLS_BELOW = 4;
/** In flight the propeller asks the air for less than on the bench. Assumed. */
const FLIGHT_SHARE = 0.8;

/** Drives or flies until ten minutes, the cutoff or heat end it. */
export const stint = (rig: ResolvedRig, esc: EscBehaviour): Drill =>
  rig.kind === 'wheels' ? wheelStint(rig, esc) : flight(rig, esc);

/** The parts of so many laps; a trigger below zero brakes, at zero drags. */
export function* lapParts(
  esc: EscBehaviour,
  lap: readonly Piece[],
  brakesOnWheels: boolean,
  untilS: number,
  powerLeft: () => number = () => 1,
): Generator<RunPart> {
  let total = 0;
  let duty = 0;
  while (total < untilS) {
    for (const { trigger, seconds } of lap) {
      const lengthS = Math.min(seconds, untilS - total);
      if (lengthS <= 0) return;
      total += seconds;
      if (trigger > 0) {
        const signal = trigger * esc.forwardSignal;
        const to = powerLeft() * dutyOf(esc, signal);
        const from = to > duty ? Math.max(duty, esc.startDuty * esc.forwardPower) : to;
        yield {
          lengthS,
          kind: 'drive',
          from: Math.min(from, to),
          to,
          perSecond: finite(esc.rampPerSecond),
          signal,
        };
        duty = to;
      } else {
        const strength =
          trigger < 0
            ? brakeStrengthOf(esc, -trigger * esc.brakeSignal)
            : brakesOnWheels
              ? esc.dragBrake
              : esc.propellerBrake;
        yield {
          lengthS,
          kind: 'brake',
          from: strength,
          to: strength,
          perSecond: 0,
          signal: Math.min(0, trigger),
        };
        duty = 0;
      }
    }
  }
}

const finite = (perSecond: number): number => (Number.isFinite(perSecond) ? perSecond : 0);

function wheelStint(rig: ResolvedWheels, esc: EscBehaviour): Drill {
  const slow = (rig.openVolts / rig.motor.constant / rig.finalDrive) * rig.wheelRadiusM < CRAWLS_BELOW;
  const lap = slow ? LAPS.crawl : LAPS.race;
  const y = startState(rig, 0);
  const trace = drawOver(LONGEST_S, TRACE_POINTS, y.length, (state) => charge(rig, state[AT.drawn]!));
  const drive = endings(esc, AT.seenCell, AT.esc, AT.winding);
  const run = runWheels(
    coarsely(rig),
    bridgeSettingOf(rig, esc),
    lapParts(esc, lap, true, LONGEST_S, powerLeft(esc, y, AT.seenCell)),
    y,
    {
      marks: [emptied(rig, AT.drawn), ...drive],
      corners: true,
      endsAtRest: false,
      visit: (step) => trace.visit(step),
    },
  );
  trace.fill(charge(rig, y[AT.drawn]!));
  return answer(rig, esc, trace.points, run.leastPackVolts / rig.cells, run.endS, run.markTimes, {
    drawn: y[AT.drawn]!,
    winding: y[AT.winding]!,
    esc: y[AT.esc]!,
    pack: y[AT.pack]!,
    speed: run.endS > 0 ? y[AT.distance]! / run.endS : 0,
  });
}

function flight(rig: ResolvedPropeller, esc: EscBehaviour): Drill {
  const y = startSpin(rig, 0);
  const trace = drawOver(LONGEST_S, TRACE_POINTS, SPIN_SIZE, (state) => charge(rig, state[SPIN.drawn]!));
  const run = runPropeller(
    coarsely(rig),
    bridgeSettingOf(rig, esc),
    lapParts(esc, LAPS.flight, false, LONGEST_S, powerLeft(esc, y, SPIN.seenCell)),
    y,
    {
      marks: [emptied(rig, SPIN.drawn), ...endings(esc, SPIN.seenCell, SPIN.esc, SPIN.winding)],
      airShare: FLIGHT_SHARE,
      endsAtRest: false,
      visit: (step) => trace.visit(step),
    },
  );
  trace.fill(charge(rig, y[SPIN.drawn]!));
  return answer(rig, esc, trace.points, run.leastPackVolts / rig.cells, run.endS, run.markTimes, {
    drawn: y[SPIN.drawn]!,
    winding: y[SPIN.winding]!,
    esc: y[SPIN.esc]!,
    pack: y[SPIN.pack]!,
    speed: undefined,
  });
}

/** Full power until the cutoff has acted; then what its action leaves, to the end. */
function powerLeft(esc: EscBehaviour, y: Float64Array, cell: number): () => number {
  let acted = false;
  return () => {
    acted ||= esc.cutoffVoltsPerCell > 0 && y[cell]! <= esc.cutoffVoltsPerCell;
    return acted ? esc.cutoffLeaves : 1;
  };
}

/** What is left in one motor's share of the pack, %. */
const charge = (rig: ResolvedRig, drawn: number): number =>
  100 * (rig.startCharge - drawn / (rig.capacityAh * 3600));

const emptied = (rig: ResolvedRig, place: number) => ({
  value: (y: Float64Array): number => rig.startCharge * rig.capacityAh * 3600 - y[place]!,
  ends: true,
});

/** The guards that end it: cutoff, ESC, motor. */
function endings(esc: EscBehaviour, cell: number, escPlace: number, winding: number) {
  const never = (): number => 1;
  return [
    {
      value:
        esc.cutoffVoltsPerCell > 0 ? (y: Float64Array): number => y[cell]! - esc.cutoffVoltsPerCell : never,
      ends: esc.cutoffLeaves === 0,
    },
    {
      value: Number.isFinite(esc.escLimitC)
        ? (y: Float64Array): number => esc.escLimitC - y[escPlace]!
        : never,
      ends: true,
    },
    {
      value: Number.isFinite(esc.motorLimitC)
        ? (y: Float64Array): number => esc.motorLimitC - y[winding]!
        : never,
      ends: true,
    },
  ];
}

function answer(
  rig: ResolvedRig,
  esc: EscBehaviour,
  points: Drill['points'],
  leastCell: number,
  endS: number,
  [emptyS, cutoffS, escHotS, motorHotS]: (number | undefined)[],
  last: { drawn: number; winding: number; esc: number; pack: number; speed: number | undefined },
): Drill {
  const hotS = escHotS ?? motorHotS;
  return {
    xLabel: 's',
    yLabel: 'left in the pack, %',
    points,
    numbers: [
      number('runs', 'Runs for', endS / 60, 'min', 2, 'shorter', 'longer'),
      number(
        'cutoff',
        'Cutoff acts after',
        cutoffS === undefined ? undefined : cutoffS / 60,
        'min',
        2,
        'sooner',
        'later',
      ),
      number(
        'heatStop',
        'Heat stops it after',
        hotS === undefined ? undefined : hotS / 60,
        'min',
        2,
        'sooner',
        'later',
      ),
      number('used', 'Used of the pack', last.drawn / 3.6, 'mAh', 0, 'thriftier', 'hungrier'),
      number('lowestCell', 'Lowest cell voltage', leastCell, 'V', 2, 'deeper sag', 'less sag'),
      number('winding', 'Motor winding at the end', last.winding, '°C', 0, 'cooler', 'hotter'),
      number('esc', 'ESC at the end', last.esc, '°C', 0, 'cooler', 'hotter'),
      number('pack', 'Pack at the end', last.pack, '°C', 0, 'cooler', 'hotter'),
      ...(last.speed === undefined
        ? []
        : [number('speed', 'Average speed', kmPerHour(last.speed), 'km/h', 1, 'slower', 'faster')]),
      ...(emptyS === undefined
        ? []
        : [number('empty', 'Empty after', emptyS / 60, 'min', 2, 'sooner', 'later')]),
    ],
  };
}
