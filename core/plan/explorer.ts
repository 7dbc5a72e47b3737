/** What a hand can do with an ESC and where it leads, remembered: every leg of a plan walks the same menu. */
import type { MediumFamily } from '../esc/media';
import {
  KEYS,
  type Config,
  type Effect,
  type EscMemory,
  type HandInput,
  type Input,
  type Machine,
  type State,
  type TimedEdge,
} from '../procedure/language';
import { advance, along, edgeDue, edgeFor, msToDeadline, stateOf, triggerOf } from '../procedure/step';
import type { LearnedRange } from '../radio/pulse';

/** Where an ESC can be, whatever it holds. There is one object for each. */
export interface Place {
  /** What it holds there is told apart from it: the memory in here is that of whoever came first. */
  config: Config;
}

/** One thing that a hand can do, or that happens when it waits. */
export interface Move {
  input: Input;
  to: Place;
  seconds: number;
  /** What it weighs in the choice beside its time, s. */
  weight: number;
  /** The item, by its place in the menu, whose stops it goes through or stores, or whose code it types. */
  opens: number | undefined;
  /** Whether the ESC then holds something else. */
  stores: boolean;
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

interface Way {
  input: Input;
  edge: TimedEdge | undefined;
}

/** The ways through one machine. It works them out once, and again only where what is stored changes them. */
export class Explorer {
  readonly #machine: Machine;
  readonly #stick: LearnedRange;
  readonly #by: MediumFamily | undefined;
  readonly #places = new Map<string, Place>();
  readonly #moves = new Map<Place, Move[]>();
  /** From where a move leads to an item: its stored stop may be what such a move shows. */
  readonly #leadingTo = new Map<number, Set<Place>>();
  readonly #choosers: ReadonlySet<string>;
  readonly #hands = new Map<string, HandInput[]>();
  #memory: EscMemory | undefined;

  /**
   * @param stick the pulses of the ends to which the hand may bring the throttle
   * @param by the only medium into which the hand goes; none where it is undefined. It may leave any.
   */
  constructor(machine: Machine, stick: LearnedRange, by: MediumFamily | undefined) {
    this.#machine = machine;
    this.#stick = stick;
    this.#by = by;
    this.#choosers = new Set(
      machine.menu.flatMap(({ existsWhile }) => existsWhile.map(({ itemId }) => itemId)),
    );
  }

  /** From here on the ESC holds this. */
  holds(memory: EscMemory): void {
    const before = this.#memory;
    this.#memory = memory;
    if (before === undefined || before === memory) return;
    const { menu, lock } = this.#machine;
    const changed = menu.flatMap(({ itemId }, at) =>
      before.stops[itemId] === memory.stops[itemId] ? [] : [at],
    );
    // What locks the calibration, or decides which items there are, leads elsewhere from everywhere.
    const isFar = changed.some(
      (at) => menu[at]!.itemId === lock?.itemId || this.#choosers.has(menu[at]!.itemId),
    );
    if (isFar || before.range !== memory.range) {
      this.#moves.clear();
      this.#leadingTo.clear();
    }
    for (const at of changed) {
      this.#leadingTo.get(at)?.forEach((place) => this.#moves.delete(place));
      this.#leadingTo.delete(at);
    }
  }

  /** The one object for where this config is. */
  placeOf(config: Config): Place {
    const key = keyOf(config);
    const known = this.#places.get(key);
    if (known) return known;
    const place = { config };
    this.#places.set(key, place);
    return place;
  }

  /**
   * What can be done here while the ESC holds what it was last said to.
   * @param itemPlace the only item whose code is worth typing; every one where it is not said
   * @throws {Error} before it was said
   */
  movesFrom(place: Place, itemPlace?: number): Move[] {
    // A handful where only one code is typed; remembered for each item they would be many.
    if (this.#memory && takesItemCode(this.#machine, place.config))
      return this.movesWith(place, this.#memory, itemPlace);
    const known = this.#moves.get(place);
    if (known) return known;
    if (!this.#memory) throw new Error('the explorer was not told what the ESC holds');
    const moves = this.movesWith(place, this.#memory);
    this.#moves.set(place, moves);
    for (const { to } of moves) {
      const { itemCursor } = to.config;
      const leading = this.#leadingTo.get(itemCursor) ?? new Set();
      this.#leadingTo.set(itemCursor, leading.add(place));
    }
    return moves;
  }

  /** What can be done here while the ESC holds this. */
  movesWith(place: Place, memory: EscMemory, itemPlace?: number): Move[] {
    const machine = this.#machine;
    const config = { ...place.config, memory };
    const ways = this.#ways(config, itemPlace).filter(({ edge }) => !this.#goesAstray(config, edge));
    return ways.map(({ input, edge }) => {
      const next =
        input.type === 'elapsed' ? advance(machine, config, input) : along(machine, config, input, edge);
      return {
        input,
        to: this.placeOf(next),
        seconds: secondsOf(input),
        weight: weightOf(input),
        opens: opensItem(config, input, edge, next.itemCursor),
        stores: next.memory !== memory,
      };
    });
  }

  /** What the ESC holds after a move, where it held this before. */
  heldAfter(place: Place, { input, stores }: Move, memory: EscMemory): EscMemory {
    return stores ? advance(this.#machine, { ...place.config, memory }, input).memory : memory;
  }

  /** What can be given here, each with the edge that it takes: looked up once, since there are thousands. */
  #ways(config: Config, itemPlace: number | undefined): Way[] {
    const machine = this.#machine;
    const ways: Way[] = [];
    for (const input of this.#handInputs(config)) {
      const edge = edgeFor(machine, config, input);
      if (edge) ways.push({ input, edge });
    }
    for (const digits of codesFor(machine, config, itemPlace)) {
      const input: HandInput = { type: 'code', digits };
      ways.push({ input, edge: edgeFor(machine, config, input) });
    }
    const wait = msToDeadline(machine, config);
    if (wait !== undefined)
      ways.push({ input: { type: 'elapsed', ms: wait }, edge: edgeDue(machine, config) });
    for (const micros of stickEnds(stateOf(machine, config), this.#stick)) {
      const input: HandInput = { type: 'stick', micros };
      if (micros !== config.stickMicros) ways.push({ input, edge: edgeFor(machine, config, input) });
    }
    return ways;
  }

  /** Whether an edge leads into a medium that is not the chosen one, or stores something in it. */
  #goesAstray({ state }: Config, edge: TimedEdge | undefined): boolean {
    if (!edge) return false;
    const { states } = this.#machine;
    const [from, into] = [states[state]?.medium, states[edge.to]?.medium];
    const isAstray = from !== undefined && from !== this.#by;
    if (isAstray) return edge.effects?.some((effect) => STORES.includes(effect)) ?? false;
    return into !== undefined && into !== this.#by;
  }

  #handInputs(config: Config): HandInput[] {
    const known = this.#hands.get(config.state);
    if (known) return known;
    const inputs = handInputs(stateOf(this.#machine, config));
    this.#hands.set(config.state, inputs);
    return inputs;
  }
}

/**
 * What a hand does with keys, switch and card in a state, whatever else is the case. While it holds a key it does not
 * switch off. It moves a card only while the ESC is off.
 */
function handInputs({ on, keyDown, role }: State): HandInput[] {
  const inputs: HandInput[] = [
    ...KEYS.flatMap((key): HandInput[] => [
      { type: 'down', key },
      { type: 'up', key },
    ]),
    { type: 'power', on: true },
  ];
  if (!keyDown) inputs.push({ type: 'power', on: false });
  if (role === 'off') inputs.push({ type: 'card', in: true }, { type: 'card', in: false });
  return inputs.filter((input) => on.some((edge) => edge.on === triggerOf(input)));
}

/** Where a hand would bring the throttle. While it holds a key: nowhere; while the motor follows: to rest. */
function stickEnds({ keyDown, role }: State, stick: LearnedRange): number[] {
  if (keyDown) return [];
  if (role === 'driving') return [stick.neutralMicros];
  return [...new Set([stick.neutralMicros, stick.forwardMicros, stick.brakeMicros])];
}

const takesItemCode = (machine: Machine, config: Config): boolean =>
  stateOf(machine, config).on.some(({ guard }) => guard === 'codeIsItem');

/** The digits, or keys of items, that mean something here. */
function codesFor(machine: Machine, config: Config, itemPlace: number | undefined): string[] {
  const items = machine.menu.filter((_, at) => itemPlace === undefined || at === itemPlace);
  const takesStop = stateOf(machine, config).on.some(({ guard }) => guard === 'codeIsStop');
  return [
    ...(takesItemCode(machine, config) ? items.map(({ code }) => code) : []),
    ...(takesStop ? machine.menu[config.itemCursor]!.stopCodes : []),
  ];
}

/**
 * The item whose stops are gone into. Doing so with one that does not matter leads nowhere, and there are many such ways.
 * @param ledTo the item at which the ESC is afterwards
 */
function opensItem(
  config: Config,
  input: Input,
  edge: TimedEdge | undefined,
  ledTo: number,
): number | undefined {
  if (input.type === 'code') return ledTo;
  const effects = edge?.effects;
  if (!effects?.some((effect) => OPENS.includes(effect))) return undefined;
  return effects.some((effect) => MOVES.includes(effect)) ? undefined : config.itemCursor;
}

const STORES: readonly Effect[] = ['storeStop', 'storeFactory', 'storeRange'];
const MOVES: readonly Effect[] = ['nextItem', 'previousItem', 'firstItem'];
const OPENS: readonly Effect[] = [
  'showStored',
  'firstStop',
  'nextStop',
  'previousStop',
  'raiseNumber',
  'lowerNumber',
  'storeStop',
];

/** What quick hands and the ESC need for these, s. */
export const inputSeconds = (inputs: readonly Input[]): number =>
  inputs.reduce((sum, input) => sum + secondsOf(input), 0);

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

/** Only a calibration learns anything: most keys are short. */
function keyOf({
  state,
  itemCursor,
  stopCursor,
  rounds,
  stickMicros,
  settledMicros,
  msInState,
  learning,
}: Config): string {
  const { neutralMicros, forwardMicros, brakeMicros } = learning;
  const learned = neutralMicros ?? forwardMicros ?? brakeMicros;
  const key = `${state}|${itemCursor}|${stopCursor}|${rounds}|${stickMicros}|${settledMicros}|${msInState}`;
  return learned === undefined ? key : `${key}|${neutralMicros}|${forwardMicros}|${brakeMicros}`;
}
