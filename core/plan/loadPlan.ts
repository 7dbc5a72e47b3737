import { MEDIA, type MediumFamily } from '../esc/media';
import type { Change } from '../sheet/draft';
import type { Config, EscMemory, Input, Machine } from '../procedure/language';
import { stateOf, storedWith } from '../procedure/step';
import { gesturesOf, type Gesture } from './gestures';
import { Explorer } from './explorer';
import type { LearnedRange } from '../radio/pulse';
import { isPlanned, NO_ITEM, quickestPath, type Goal, type NoWay } from './search';

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

/**
 * Everything to do for these changes, in the order given: store each, then have each shown again where the
 * medium can show what is stored.
 */
export const legsFor = (changes: Change[], showsStored: boolean): Leg[] => [
  ...changes.map(({ itemId, toStopId }): Leg => ({ purpose: 'store', itemId, stopId: toStopId })),
  ...(showsStored
    ? changes.map(({ itemId, toStopId }): Leg => ({ purpose: 'show', itemId, stopId: toStopId }))
    : []),
];

/**
 * The presses that do these legs one after the other, each the quickest from where the one before ended.
 * Which order is short and safe is decided before: `shortOrder.ts`, `safeOrder.ts`.
 * @param stick the pulses of the throttle's ends
 * @param by the medium that the hand works; it keeps out of all others
 * @returns why there is no plan where the ESC cannot be brought there, as when the trigger is not at neutral
 */
export function planLegs(
  machine: Machine,
  start: Config,
  legs: Leg[],
  stick: LearnedRange,
  by: MediumFamily,
): LoadPlan | NoWay {
  const planned: PlannedLeg[] = [];
  const explorer = new Explorer(machine, MEDIA[by].hearsStick ? stick : onlyRest(stick), by);
  let config = start;
  for (const leg of legs) {
    const goal = leg.purpose === 'store' ? storeGoal(machine, config, leg) : showGoal(machine, config, leg);
    const path = quickestPath(explorer, config, goal);
    if (!isPlanned(path)) return path;
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

/** Where no menu listens to the stick, a hand has no reason to move it anywhere but to rest. */
const onlyRest = ({ neutralMicros }: LearnedRange): LearnedRange => ({
  brakeMicros: neutralMicros,
  neutralMicros,
  forwardMicros: neutralMicros,
});

/** Brings the ESC back to driving, as it has to be after the last leg. @param by the medium in which it may still be */
export function planRestart(
  machine: Machine,
  start: Config,
  stick: LearnedRange,
  by: MediumFamily,
): PlannedRestart | NoWay {
  const explorer = new Explorer(machine, onlyRest(stick), by);
  const goals: Goal['arrived'][] = [
    (config) => {
      const { role, keyDown } = stateOf(machine, config);
      return role === 'off' && !keyDown;
    },
    // At rest before it is switched on: a stick that stays up would lead into a menu.
    ({ stickMicros }) => stickMicros === stick.neutralMicros,
    (config) => stateOf(machine, config).role === 'driving',
  ];
  let config = start;
  let seconds = 0;
  const inputs: Input[] = [];
  for (const arrived of goals) {
    const path = quickestPath(explorer, config, { itemPlace: NO_ITEM, allows: () => false, arrived });
    if (!isPlanned(path)) return path;
    inputs.push(...path.inputs);
    seconds += path.seconds;
    config = path.end;
  }
  return { gestures: gesturesOf(machine, start, inputs), inputs, seconds };
}
export type PlannedRestart = Omit<PlannedLeg, 'leg'>;

const placeOf = (machine: Machine, itemId: string): number =>
  machine.menu.findIndex((item) => item.itemId === itemId);

function storeGoal(machine: Machine, start: Config, { itemId, stopId }: Leg): Goal {
  const place = placeOf(machine, itemId);
  const wanted = { ...start.memory.stops, ...storedWith(machine.menu[place]!, stopId) };
  const isWanted = ({ stops, range }: EscMemory): boolean =>
    range === start.memory.range && Object.keys(wanted).every((id) => stops[id] === wanted[id]);
  const isAlready = isWanted(start.memory);
  return {
    itemPlace: place,
    allows: isWanted,
    arrived: (config, memory) => (memory !== start.memory || isAlready) && !stateOf(machine, config).keyDown,
  };
}

/** Opened just now, so that the lamp shows what is stored, whatever that is. */
function showGoal(machine: Machine, start: Config, { itemId }: Leg): Goal {
  const place = placeOf(machine, itemId);
  return {
    itemPlace: place,
    allows: () => false,
    arrived: (config, memory) =>
      memory === start.memory &&
      stateOf(machine, config).role === 'showingStored' &&
      config.itemCursor === place,
  };
}
