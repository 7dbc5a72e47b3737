import type { Change } from '../sheet/draft';
import type { Config, Input, Machine } from '../procedure/language';
import { stateOf } from '../procedure/step';
import { gesturesOf, type Gesture } from './gestures';
import { quickestPath, type Goal, type Path } from './search';

/** One thing to get done: a value stored, or a value shown again for counting. */
export interface Leg {
  purpose: 'store' | 'show';
  itemId: string;
  stopId: string;
}

/** A leg with the way to do it. */
export interface PlannedLeg {
  leg: Leg;
  gestures: Gesture[];
  inputs: Input[];
  seconds: number;
}

export interface LoadPlan {
  legs: PlannedLeg[];
  seconds: number;
  end: Config;
}

/** Everything to do for these changes, in the order given: store each, then have each shown again. */
export const legsFor = (changes: Change[]): Leg[] => [
  ...changes.map(({ itemId, toStopId }): Leg => ({ purpose: 'store', itemId, stopId: toStopId })),
  ...changes.map(({ itemId, toStopId }): Leg => ({ purpose: 'show', itemId, stopId: toStopId })),
];

/**
 * The presses that do these legs one after the other, each the quickest from where the one before ended.
 * Taking the legs in a stated order rather than searching over orders is right for an ESC that restarts after
 * every value: every order costs the same.
 * @returns undefined where the ESC cannot be brought there, as when the trigger is not at neutral
 */
export function planLegs(machine: Machine, start: Config, legs: Leg[]): LoadPlan | undefined {
  const planned: PlannedLeg[] = [];
  let config = start;
  for (const leg of legs) {
    const path = pathFor(machine, config, leg);
    if (!path) return undefined;
    planned.push({
      leg,
      gestures: gesturesOf(machine, config, path.inputs),
      inputs: path.inputs,
      seconds: path.seconds,
    });
    config = path.end;
  }
  return { legs: planned, seconds: planned.reduce((sum, { seconds }) => sum + seconds, 0), end: config };
}

/** Brings the ESC back to driving, as it has to be after the last leg. */
export function planRestart(machine: Machine, start: Config): PlannedRestart | undefined {
  const off = quickestPath(machine, start, {
    keeps: (memory) => memory === start.memory,
    arrived: (config) => stateOf(machine, config).role === 'off' && !stateOf(machine, config).keyDown,
  });
  const on =
    off &&
    quickestPath(machine, off.end, {
      keeps: (memory) => memory === start.memory,
      arrived: (config) => stateOf(machine, config).role === 'driving',
    });
  if (!off || !on) return undefined;
  const inputs = [...off.inputs, ...on.inputs];
  return { gestures: gesturesOf(machine, start, inputs), inputs, seconds: off.seconds + on.seconds };
}
export type PlannedRestart = Omit<PlannedLeg, 'leg'>;

function pathFor(machine: Machine, start: Config, leg: Leg): Path | undefined {
  return quickestPath(
    machine,
    start,
    leg.purpose === 'store' ? storeGoal(machine, leg) : showGoal(machine, start, leg),
  );
}

function storeGoal(machine: Machine, { itemId, stopId }: Leg): Goal {
  return {
    keeps: (memory) => memory.stops[itemId] === stopId,
    arrived: (config) => !stateOf(machine, config).keyDown,
  };
}

/** Opened just now, so that the lamp shows what is stored, whatever that is. */
function showGoal(machine: Machine, start: Config, { itemId }: Leg): Goal {
  const place = machine.menu.findIndex((item) => item.itemId === itemId);
  return {
    keeps: (memory) => memory === start.memory,
    arrived: (config) => stateOf(machine, config).role === 'showingStored' && config.itemCursor === place,
  };
}
