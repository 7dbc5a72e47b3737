/** Backing up: the trigger pushed at walking pace and kept there, or pushed again, until the car drives backward. */
import { noLoadSpeed } from '../tyre';
import { AT_NEUTRAL, canBackUp, nextDirection, type DirectionRules } from '../../esc/direction';
import { kmPerHour } from '../../units/convert';
import { onStraights, type Point } from '../../units/straight';
import type { EscBehaviour } from '../escChain';
import type { Mark, RunPart } from '../powerTrain';
import { finely, bridgeSettingOf } from '../bridge';
import { reverseDutyOf } from '../triggerChain';
import { AT, startState } from '../car';
import { runWheels } from '../wheels';
import { number, TRACE_POINTS, type Drill } from './drill';
import { drawOver } from './trace';
import { steadySpeed } from './topSpeed';
import { pushed } from './brake';
import { REACHABLE_SHARE, WALKING_PACE } from './wheelParts';
import type { ResolvedWheels } from '../resolved';

const STOP_LONGEST_S = 20;
const BACK_LONGEST_S = 12;
const DRAWN_S = 4;
const FAR_M = 2;
/** How long a finger needs between two pushes, s. From memory. */
const TAP_S = 0.25;

/** What the finger does to back up once the car stands, by how reverse is entered. */
const FINGER: Record<
  DirectionRules['entry'],
  (rules: DirectionRules) => { signal: number; lastsS: number }[]
> = {
  instant: () => [{ signal: -1, lastsS: 0 }],
  doubleTap: () => [
    { signal: 0, lastsS: TAP_S },
    { signal: -1, lastsS: 0 },
  ],
  delayed: ({ delayS }) => [{ signal: -1, lastsS: delayS }],
};

/** From standing under the brake until the ESC drives backward, s; undefined where it never does. */
export function reverseWaitS(rules: DirectionRules): number | undefined {
  if (!canBackUp(rules)) return undefined;
  const entry = rules.mode === 'forwardReverse' ? 'instant' : rules.entry;
  let direction = nextDirection(rules, AT_NEUTRAL, { signal: -1, turning: 1, lastedS: 0 });
  let waitedS = 0;
  for (const { signal, lastsS } of FINGER[entry](rules)) {
    direction = nextDirection(rules, direction, { signal, turning: 0, lastedS: lastsS });
    waitedS += lastsS;
  }
  return direction.going === 'reverse' ? waitedS : undefined;
}

/** Pushed at once and fully, backward. */
const push = (esc: EscBehaviour): RunPart => ({
  lengthS: BACK_LONGEST_S,
  kind: 'drive',
  from: esc.startDuty * esc.reversePower,
  to: reverseDutyOf(esc, esc.brakeSignal),
  perSecond: Number.isFinite(esc.rampPerSecond) ? esc.rampPerSecond : 0,
  signal: esc.brakeSignal,
});

/** From walking pace to rest, and then backward as far as the ESC lets it. */
export function backUp(rig: ResolvedWheels, esc: EscBehaviour): Drill {
  const startSpeed = Math.min(WALKING_PACE, REACHABLE_SHARE * noLoadSpeed(rig));
  const forward = startState(rig, startSpeed);
  const slowing = drawOver(DRAWN_S, TRACE_POINTS, forward.length, (y) => kmPerHour(y[AT.speed]!));
  const stop = runWheels(finely(rig), bridgeSettingOf(rig, esc), [pushed(esc, STOP_LONGEST_S)], forward, {
    visit: (step) => slowing.visit(step),
  });
  slowing.fill(0);
  const waitS = stop.atRest ? reverseWaitS(esc.direction) : undefined;
  const backsAfterS = waitS === undefined ? undefined : stop.endS + waitS;

  const backward = startState(rig, 0);
  const backing = drawOver(DRAWN_S, TRACE_POINTS, backward.length, (y) => kmPerHour(y[AT.speed]!));
  const far: Mark = { value: (y) => y[AT.distance]! - FAR_M, ends: false };
  const back =
    backsAfterS === undefined
      ? undefined
      : runWheels(finely(rig), bridgeSettingOf(rig, esc), [push(esc)], backward, {
          marks: [far],
          visit: (step) => backing.visit(step),
        });
  const backwardSpeed = backing.points.map(({ x, y }): Point => [x, y]);
  const top =
    backsAfterS === undefined
      ? undefined
      : steadySpeed(rig, esc, reverseDutyOf(esc, esc.brakeSignal), esc.brakeSignal);
  return {
    xLabel: 's',
    yLabel: 'speed, km/h, backward below zero',
    points: slowing.points.map(({ x, y }) => ({
      x,
      y: backsAfterS !== undefined && x > backsAfterS ? -onStraights(backwardSpeed, x - backsAfterS) : y,
    })),
    numbers: [
      number('stands', 'Stops after', stop.atRest ? stop.endS : undefined, 's', 2, 'sooner', 'later'),
      number('backs', 'Backs up after', backsAfterS, 's', 2, 'sooner', 'later'),
      number('firstMetres', 'First 2 m backward', back?.markTimes[0], 's', 2, 'quicker', 'slower'),
      number('reverseTop', 'Top speed backward', top && kmPerHour(top), 'km/h', 1, 'tamer', 'faster'),
    ],
  };
}
