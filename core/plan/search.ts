import type { Config, EscMemory, Input, Machine } from '../procedure/language';
import { edgeFor, msToDeadline, stateOf, step } from '../procedure/step';

/** What the hand is after. */
export interface Goal {
  /** Whether a changed memory is one that is wanted. No path leads through any other change. */
  keeps: (memory: EscMemory) => boolean;
  /** Whether the hand is where it wants to be, once the memory is right. */
  arrived: (config: Config) => boolean;
}

export interface Path {
  inputs: Input[];
  end: Config;
  seconds: number;
}

/** What a hand takes for each thing, s. Assumed; the order of size of common practice. */
const SECONDS = { down: 0.25, up: 0.25, powerOn: 1, powerOff: 1, stick: 0.8 };
/** Fewer presses win where the time is the same. Small enough never to outweigh a tenth of a second. */
const PRESS_WEIGHT = 1e-4;

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
 * @param stickMicros positions that the hand may bring the trigger to
 * @returns undefined where no way leads there
 */
export function quickestPath(
  machine: Machine,
  start: Config,
  goal: Goal,
  stickMicros: readonly number[] = [],
): Path | undefined {
  const queue: Node[] = [{ config: start, cost: 0, seconds: 0, input: undefined, before: undefined }];
  const done = new Set<string>();
  for (let node = queue.pop(); node; node = queue.pop()) {
    const { config } = node;
    const keeps = goal.keeps(config.memory);
    if (keeps && goal.arrived(config)) return pathTo(node);
    const key = keyOf(config, start);
    if (done.has(key)) continue;
    done.add(key);
    for (const input of possibleInputs(machine, config, stickMicros)) {
      const next = step(machine, config, input).config;
      const changes = next.memory !== config.memory;
      if (changes && !goal.keeps(next.memory)) continue;
      const seconds = node.seconds + secondsOf(input);
      const cost = node.cost + secondsOf(input) + (input.type === 'down' ? PRESS_WEIGHT : 0);
      insert(queue, { config: next, cost, seconds, input, before: node });
    }
  }
  return undefined;
}

/** What a hand would do here. While it holds the key it neither moves the trigger nor switches off. */
function possibleInputs(machine: Machine, config: Config, stickMicros: readonly number[]): Input[] {
  const hand: Exclude<Input, { type: 'elapsed' }>[] = [
    { type: 'down' },
    { type: 'up' },
    { type: 'power', on: true },
  ];
  if (!stateOf(machine, config).keyDown) hand.push({ type: 'power', on: false });
  const inputs: Input[] = hand.filter((input) => edgeFor(machine, config, input));
  const wait = msToDeadline(machine, config);
  if (wait !== undefined) inputs.push({ type: 'elapsed', ms: wait });
  if (stateOf(machine, config).keyDown) return inputs;
  for (const micros of stickMicros) if (micros !== config.stickMicros) inputs.push({ type: 'stick', micros });
  return inputs;
}

function secondsOf(input: Input): number {
  switch (input.type) {
    case 'elapsed':
      return input.ms / 1000;
    case 'power':
      return input.on ? SECONDS.powerOn : SECONDS.powerOff;
    default:
      return SECONDS[input.type];
  }
}

function keyOf(config: Config, start: Config): string {
  const { learning } = config;
  return [
    config.state,
    config.itemCursor,
    config.stopCursor,
    config.stickMicros,
    learning.neutralMicros,
    learning.forwardMicros,
    config.memory === start.memory,
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
