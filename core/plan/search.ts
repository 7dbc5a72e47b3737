import {
  KEYS,
  type Config,
  type Effect,
  type EscMemory,
  type HandInput,
  type Input,
  type Machine,
} from '../procedure/language';
import { edgeDue, edgeFor, msToDeadline, stateOf, step } from '../procedure/step';
import type { LearnedRange } from '../radio/pulse';

/** What the hand is after. */
export interface Goal {
  /** Whether a change leads to the one memory that is wanted. No path leads through any other change. */
  allows: (memory: EscMemory) => boolean;
  /** Whether the hand is where it wants to be. */
  arrived: (config: Config) => boolean;
  /** The only item, by its place in the menu, whose stops matter. The search opens no other. */
  itemPlace?: number;
}

export interface Path {
  inputs: Input[];
  end: Config;
  seconds: number;
}

/** What a hand takes for each thing, s. Assumed; the order of size of common practice. */
const SECONDS = { down: 0.25, up: 0.25, powerOn: 1, powerOff: 1, card: 3, stick: 0.8, digit: 0.5 };
/** Fewer presses win where the time is the same. Small enough never to outweigh a tenth of a second. */
const PRESS_WEIGHT = 1e-4;
/**
 * What switching off weighs beside its time, s: a battery has to be unplugged and plugged in again, and it is
 * the moment in which things start to turn. A round of a tone menu is waited for rather.
 */
const RESTART_WEIGHT = 20;

interface Node {
  config: Config;
  cost: number;
  seconds: number;
  input: Input | undefined;
  before: Node | undefined;
}

/**
 * The quickest inputs from a config to a goal: a uniform-cost search over the machine itself, so that a plan
 * cannot promise what the ESC does not do. Waiting is a move to the next deadline and costs its time.
 *
 * @param stick the pulses of the ends to which the hand may bring the throttle
 * @returns undefined where no way leads there
 */
export function quickestPath(
  machine: Machine,
  start: Config,
  goal: Goal,
  stick: LearnedRange,
): Path | undefined {
  const queue: Node[] = [{ config: start, cost: 0, seconds: 0, input: undefined, before: undefined }];
  const done = new Set<string>();
  for (let node = queue.pop(); node; node = queue.pop()) {
    const { config } = node;
    if (goal.arrived(config)) return pathTo(node);
    const key = keyOf(config, start);
    if (done.has(key)) continue;
    done.add(key);
    for (const input of possibleInputs(machine, config, stick)) {
      if (opensAnotherItem(machine, config, input, goal.itemPlace)) continue;
      const next = step(machine, config, input).config;
      if (next.memory !== config.memory && !goal.allows(next.memory)) continue;
      const seconds = node.seconds + secondsOf(input);
      const cost = node.cost + secondsOf(input) + weightOf(input);
      insert(queue, { config: next, cost, seconds, input, before: node });
    }
  }
  return undefined;
}

/**
 * What a hand would do here. While it holds a key it neither moves the throttle nor switches off. It moves a
 * card only while the ESC is off. While the motor follows the throttle, it brings it to rest and nowhere else.
 */
function possibleInputs(machine: Machine, config: Config, stick: LearnedRange): Input[] {
  const { keyDown, role } = stateOf(machine, config);
  const hand: HandInput[] = [
    ...KEYS.flatMap((key): HandInput[] => [
      { type: 'down', key },
      { type: 'up', key },
    ]),
    { type: 'power', on: true },
    ...codesFor(machine, config).map((digits): HandInput => ({ type: 'code', digits })),
  ];
  if (!keyDown) hand.push({ type: 'power', on: false });
  if (role === 'off') hand.push({ type: 'card', in: true }, { type: 'card', in: false });
  const inputs: Input[] = hand.filter((input) => edgeFor(machine, config, input));
  const wait = msToDeadline(machine, config);
  if (wait !== undefined) inputs.push({ type: 'elapsed', ms: wait });
  if (keyDown) return inputs;
  const ends =
    role === 'driving'
      ? [stick.neutralMicros]
      : new Set([stick.neutralMicros, stick.forwardMicros, stick.brakeMicros]);
  for (const micros of ends) if (micros !== config.stickMicros) inputs.push({ type: 'stick', micros });
  return inputs;
}

/** The digits that mean something here. */
function codesFor(machine: Machine, config: Config): string[] {
  const waits = stateOf(machine, config).on.map(({ guard }) => guard);
  if (waits.includes('codeIsItem')) return machine.menu.map(({ code }) => code);
  return waits.includes('codeIsStop') ? machine.menu[config.itemCursor]!.stopCodes : [];
}

/** Going through the stops of an item that does not matter leads nowhere, and there are many such ways. */
function opensAnotherItem(
  machine: Machine,
  config: Config,
  input: Input,
  place: number | undefined,
): boolean {
  if (place === undefined || config.itemCursor === place) return false;
  const edge = input.type === 'elapsed' ? edgeDue(machine, config) : edgeFor(machine, config, input);
  const effects = edge?.effects ?? [];
  const moves = effects.some((effect) => MOVES.includes(effect));
  const opens = effects.some((effect) => OPENS.includes(effect));
  return opens && !moves;
}

const MOVES: readonly Effect[] = ['nextItem', 'previousItem', 'firstItem', 'itemByCode'];
const OPENS: readonly Effect[] = ['showStored', 'firstStop', 'nextStop', 'previousStop', 'stopByCode'];

function secondsOf(input: Input): number {
  switch (input.type) {
    case 'elapsed':
      return input.ms / 1000;
    case 'power':
      return input.on ? SECONDS.powerOn : SECONDS.powerOff;
    case 'code':
      return input.digits.length * SECONDS.digit;
    default:
      return SECONDS[input.type];
  }
}

function weightOf(input: Input): number {
  if (input.type === 'power' && !input.on) return RESTART_WEIGHT;
  return input.type === 'down' ? PRESS_WEIGHT : 0;
}

/** There are two memories at most: the one at the start, handed on as it is, and the wanted one. */
function keyOf(config: Config, start: Config): string {
  const { learning, memory } = config;
  return [
    config.state,
    config.itemCursor,
    config.stopCursor,
    config.rounds,
    config.stickMicros,
    learning.neutralMicros,
    learning.forwardMicros,
    learning.brakeMicros,
    config.settledMicros,
    memory === start.memory,
    config.msInState,
  ].join('|');
}

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
  for (let node: Node | undefined = end; node?.input; node = node.before) inputs.unshift(node.input);
  return { inputs, end: end.config, seconds: end.seconds };
}
