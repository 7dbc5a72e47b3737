import type { Config, EscMemory, Input } from '../procedure/language';
import type { Explorer, Move, Place } from './explorer';

/** What the hand is after. */
export interface Goal {
  /** Whether a change leads to the one memory that is wanted. No path leads through any other change. */
  allows: (memory: EscMemory) => boolean;
  /** Whether the hand is where it wants to be, with what the ESC holds then. */
  arrived: (config: Config, memory: EscMemory) => boolean;
  /** The only item, by its place in the menu, whose stops matter. The search opens no other. */
  itemPlace?: number;
}

export interface Path {
  inputs: Input[];
  end: Config;
  seconds: number;
}

interface Node {
  place: Place;
  memory: EscMemory;
  cost: number;
  seconds: number;
  move: Move | undefined;
  before: Node | undefined;
}

/** Why there is no plan: no way leads there, or none was found before the search gave up. */
export type NoWay = 'noWay' | 'gaveUp';

/** What is said of a search that gave up. */
export const GAVE_UP = 'No plan found: this menu has too many ways to try them all. Use its manual.';

/** Whether something was planned. */
export const isPlanned = <T extends object>(plan: T | NoWay): plan is T => typeof plan !== 'string';

/** A place that no menu has, for a goal that lies in none. */
export const NO_ITEM = -1;

/**
 * More configurations than these no search looks at. A menu of 99 items with 30 stops each takes some 650 at most; these
 * are done within a second.
 */
const MOST_LOOKED_AT = 10_000;

/**
 * The quickest inputs from a config to a goal: a uniform-cost search over the machine itself, so that a plan
 * cannot promise what the ESC does not do. Waiting is a move to the next deadline and costs its time.
 * @param most configurations that are looked at
 */
export function quickestPath(
  explorer: Explorer,
  start: Config,
  goal: Goal,
  most = MOST_LOOKED_AT,
): Path | NoWay {
  const { memory: held } = start;
  explorer.holds(held);
  const first: Node = {
    place: explorer.placeOf(start),
    memory: held,
    cost: 0,
    seconds: 0,
    move: undefined,
    before: undefined,
  };
  const queue = [first];
  // There are two memories at most: the one at the start, handed on as it is, and the wanted one.
  const done = { asBefore: new Set<Place>(), changed: new Set<Place>() };
  let lookedAt = 0;
  for (let node = queue.pop(); node; node = queue.pop()) {
    const { place, memory } = node;
    if (goal.arrived(place.config, memory)) return pathTo(node);
    const been = memory === held ? done.asBefore : done.changed;
    if (been.has(place)) continue;
    been.add(place);
    lookedAt += 1;
    if (lookedAt > most) return 'gaveUp';
    const { itemPlace } = goal;
    const moves =
      memory === held ? explorer.movesFrom(place, itemPlace) : explorer.movesWith(place, memory, itemPlace);
    for (const move of moves) {
      if (opensAnother(move, goal)) continue;
      const after = explorer.heldAfter(place, move, memory);
      if (move.stores && !goal.allows(after)) continue;
      insert(queue, {
        place: move.to,
        memory: after,
        cost: node.cost + move.seconds + move.weight,
        seconds: node.seconds + move.seconds,
        move,
        before: node,
      });
    }
  }
  return 'noWay';
}

const opensAnother = ({ opens }: Move, { itemPlace }: Goal): boolean =>
  itemPlace !== undefined && opens !== undefined && opens !== itemPlace;

/** Keeps the queue sorted with the cheapest last. */
function insert(queue: Node[], node: Node): void {
  let low = 0;
  let high = queue.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (queue[middle]!.cost > node.cost) low = middle + 1;
    else high = middle;
  }
  queue.splice(low, 0, node);
}

function pathTo(end: Node): Path {
  const inputs: Input[] = [];
  for (let node: Node | undefined = end; node?.move; node = node.before) inputs.push(node.move.input);
  return {
    inputs: inputs.reverse(),
    end: { ...end.place.config, memory: end.memory },
    seconds: end.seconds,
  };
}
