/** The interpreter of the procedure language. Pure: the same machine, config and input give the same answer. */
import type {
  Config,
  Cue,
  Edge,
  Effect,
  EscMemory,
  Guard,
  HandInput,
  Input,
  Machine,
  MenuItem,
  Observed,
  TimedEdge,
  Trigger,
} from './language';
import type { LearnedRange } from '../radio/pulse';

export interface Stepped {
  config: Config;
  /** What was seen and heard, in order. */
  observed: Observed[];
}

/** Takes in one cue, and where the ESC is when it comes. */
type Perceive = (cue: Cue, at: Config) => void;

/** A machine at rest: switched off, stick where it is, memory as given. */
export function initialConfig(machine: Machine, memory: EscMemory, stickMicros: number): Config {
  return {
    state: machine.initial,
    msInState: 0,
    itemCursor: 0,
    stopCursor: 0,
    rounds: 0,
    learning: {},
    settledMicros: stickMicros,
    typed: '',
    stickMicros,
    memory,
  };
}

/**
 * What one input does. Elapsed time is split at every deadline on the way; a deadline that falls exactly on
 * the end of the time is taken, so holding for as long as the manual says is long enough.
 * An input that the state does not wait for changes nothing.
 */
export function step(machine: Machine, config: Config, input: Input): Stepped {
  const observed: Observed[] = [];
  const perceive: Perceive = (cue, at) => observed.push(observe(machine, at, cue));
  return { config: advance(machine, config, input, perceive), observed };
}

/** The same for whoever only wants to know where it leads, and has many ways to try. */
export function advance(machine: Machine, config: Config, input: Input, perceive?: Perceive): Config {
  if (input.type === 'elapsed') return elapse(machine, config, input.ms, perceive);
  const edge = edgeFor(machine, config, input);
  return along(machine, config, input, edge, perceive);
}

/** The same, where the edge that the input takes is known. */
export function along(
  machine: Machine,
  config: Config,
  input: HandInput,
  edge: TimedEdge | undefined,
  perceive?: Perceive,
): Config {
  const moved = moveBy(config, input);
  return edge ? follow(machine, moved, edge, perceive) : moved;
}

/** What an input leaves behind whether or not the ESC listens. */
function moveBy(config: Config, input: HandInput): Config {
  if (input.type === 'stick') return { ...config, stickMicros: input.micros };
  return input.type === 'code' ? { ...config, typed: input.digits } : config;
}

/** The edge that an input takes here, if the state waits for it. */
export function edgeFor(machine: Machine, config: Config, input: HandInput): Edge | undefined {
  const trigger = triggerOf(input);
  const moved = moveBy(config, input);
  return stateOf(machine, config).on.find((e) => e.on === trigger && holds(machine, moved, e.guard));
}

/** The edge that is taken by itself when the state's time is over; undefined where nothing happens then. */
export function edgeDue(machine: Machine, config: Config): TimedEdge | undefined {
  return stateOf(machine, config).after?.edges.find((e) => holds(machine, config, e.guard));
}

/** Time until something happens by itself, ms; undefined where nothing does. */
export function msToDeadline(machine: Machine, config: Config): number | undefined {
  const after = stateOf(machine, config).after;
  return after && Math.max(0, after.ms - config.msInState);
}

/** The state that a config is in. @throws {Error} on a state that the machine does not have. */
export function stateOf(machine: Machine, config: Config): Machine['states'][string] {
  const state = machine.states[config.state];
  if (!state) throw new Error(`the machine has no state '${config.state}'`);
  return state;
}

/** Where the lamps in rows, or the text, stand now: places in the menu from 1; undefined where they are dark. */
export function litPlaces(machine: Machine, config: Config): { item: number; stop?: number } | undefined {
  const lit = stateOf(machine, config).cues.filter(isLit);
  if (lit.length === 0) return undefined;
  return {
    item: config.itemCursor + 1,
    ...(lit.some((cue) => cue.of === 'stop') && { stop: config.stopCursor + 1 }),
  };
}

const isLit = (cue: Cue): cue is Extract<Cue, { type: 'count' }> =>
  cue.type === 'count' && (cue.how === 'lit' || cue.how === 'text');

function elapse(machine: Machine, start: Config, ms: number, perceive?: Perceive): Config {
  let config = start;
  let left = ms;
  for (;;) {
    const wait = msToDeadline(machine, config);
    if (wait === undefined || wait > left) return { ...config, msInState: config.msInState + left };
    left -= wait;
    const due = { ...config, msInState: config.msInState + wait };
    const edge = edgeDue(machine, due);
    if (!edge) return { ...due, msInState: due.msInState + left };
    config = follow(machine, due, edge, perceive);
    // A state that returns to itself at once would never let time pass.
    if (config.state === due.state && stateOf(machine, due).after!.ms === 0) {
      throw new Error(`state '${due.state}' loops without time`);
    }
  }
}

function follow(machine: Machine, config: Config, edge: TimedEdge, perceive?: Perceive): Config {
  // One copy for all effects: a plan tries thousands of edges.
  const arrived: Config = { ...config };
  for (const effect of edge.effects ?? []) Object.assign(arrived, changeBy(machine, arrived, effect));
  arrived.state = edge.to;
  arrived.msInState = 0;
  if (perceive) {
    for (const cue of [...(edge.cues ?? []), ...stateOf(machine, arrived).cues]) perceive(cue, arrived);
  }
  return arrived;
}

/** The name under which a state waits for an input. */
export function triggerOf(input: HandInput): Trigger {
  switch (input.type) {
    case 'power':
      return input.on ? 'powerOn' : 'powerOff';
    case 'card':
      return input.in ? 'cardIn' : 'cardOut';
    case 'stick':
    case 'code':
      return input.type;
    default:
      return `${input.type} ${input.key}`;
  }
}

function holds(machine: Machine, config: Config, guard: Guard | undefined): boolean {
  switch (guard) {
    case undefined:
      return true;
    case 'stickAtNeutral':
      return isAtRest(config.memory.range, config.stickMicros, machine.armingToleranceMicros);
    case 'stickOffNeutral':
      return !holds(machine, config, 'stickAtNeutral');
    case 'stickHigh':
      return config.stickMicros >= machine.highFromMicros;
    case 'stickLow':
      return config.stickMicros <= machine.lowToMicros;
    case 'fitsNeutral':
      return fits(machine, { ...config.learning, neutralMicros: config.stickMicros });
    case 'fitsForward':
      return fits(machine, { ...config.learning, forwardMicros: config.stickMicros });
    case 'fitsBrake':
      return fits(machine, { ...config.learning, brakeMicros: config.stickMicros });
    case 'stickMoved':
      return Math.abs(config.stickMicros - config.settledMicros) > machine.steadyToleranceMicros;
    case 'calibrationLocked':
      return machine.lock?.stopIds.includes(config.memory.stops[machine.lock.itemId] ?? '') ?? false;
    case 'inNumber':
      return isInNumber(machine.menu[config.itemCursor]!, config.stopCursor);
    case 'stickLowOnToggle':
      return holds(machine, config, 'stickLow') && machine.menu[config.itemCursor]!.toggles;
    case 'codeIsItem':
      return placeByCode(machine, config) !== -1;
    case 'codeIsStop':
      return machine.menu[config.itemCursor]!.stopCodes.includes(config.typed);
    case 'itemIsConfirmed':
      return machine.menu[config.itemCursor]!.confirmed;
    case 'lastItem':
      return !machine.menu.some((item, place) => place > config.itemCursor && isInMenu(config, item));
    case 'lastStopOfRounds': {
      const stops = machine.menu[config.itemCursor]!.stopIds.length;
      return config.stopCursor === stops - 1 && config.rounds + 1 >= (machine.tones?.rounds ?? 1);
    }
  }
}

/** A throttle that goes one way only rests at its low end and anywhere below it. */
function isAtRest(
  { brakeMicros, neutralMicros, forwardMicros }: LearnedRange,
  pulse: number,
  toleranceMicros: number,
): boolean {
  const above = (pulse - neutralMicros) * Math.sign(forwardMicros - neutralMicros);
  return above <= toleranceMicros && (brakeMicros === neutralMicros || above >= -toleranceMicros);
}

/** Whether points taken so far can belong together: each end far from neutral, the ends on its two sides. */
function fits(
  { leastSpanMicros: span, refusesReversed }: Machine,
  { neutralMicros: neutral, forwardMicros: forward, brakeMicros: brake }: Partial<LearnedRange>,
): boolean {
  const up = difference(forward, neutral);
  const down = difference(neutral, brake);
  const whole = difference(forward, brake);
  const farEnough = [up, down].every((d) => d === undefined || Math.abs(d) >= span);
  const spansBoth = whole === undefined || Math.abs(whole) >= 2 * span;
  const opposite = up === undefined || down === undefined || up * down > 0;
  const forwardIsHigher = [up, down, whole].every((d) => d === undefined || d > 0);
  return farEnough && spansBoth && opposite && (forwardIsHigher || !refusesReversed);
}

const difference = (a: number | undefined, b: number | undefined): number | undefined =>
  a === undefined || b === undefined ? undefined : a - b;

/** What one effect changes. */
function changeBy(machine: Machine, config: Config, effect: Effect): Partial<Config> {
  const item = machine.menu[config.itemCursor];
  if (!item) throw new Error(`the menu has no place ${config.itemCursor}`);
  switch (effect) {
    case 'firstItem':
      return { itemCursor: nextInMenu(machine, config, -1, 1) };
    case 'nextItem':
      return { itemCursor: nextInMenu(machine, config, config.itemCursor, 1) };
    case 'previousItem':
      return { itemCursor: nextInMenu(machine, config, config.itemCursor, -1) };
    case 'itemByCode':
      return { itemCursor: placeByCode(machine, config) };
    case 'stopByCode':
      return { stopCursor: item.stopCodes.indexOf(config.typed) };
    case 'showStored':
      return { stopCursor: item.stopIds.indexOf(config.memory.stops[item.itemId]!) };
    case 'firstStop':
      return { stopCursor: 0, rounds: 0 };
    case 'nextStop': {
      const stopCursor = nextPlace(item, config.stopCursor, 1);
      // Only a menu that is heard counts its rounds, and no further than they matter: a card beside it goes round for ever.
      const most = machine.tones?.rounds ?? 0;
      const rounds = stopCursor === 0 ? Math.min(config.rounds + 1, most) : config.rounds;
      return { stopCursor, rounds };
    }
    case 'previousStop':
      return { stopCursor: nextPlace(item, config.stopCursor, -1) };
    case 'raiseNumber':
      return { stopCursor: Math.min(config.stopCursor + 1, item.field!.last) };
    case 'lowerNumber':
      return { stopCursor: Math.max(config.stopCursor - 1, item.field!.first) };
    case 'storeStop':
      return remember(config, {
        stops: { ...config.memory.stops, ...storedWith(item, item.stopIds[config.stopCursor]!) },
      });
    case 'storeFactory':
      return remember(config, { stops: machine.factoryStops });
    case 'settle':
      return { settledMicros: config.stickMicros };
    case 'learnNeutral':
      return { learning: { ...config.learning, neutralMicros: config.stickMicros } };
    case 'learnForward':
      return { learning: { ...config.learning, forwardMicros: config.stickMicros } };
    case 'learnBrake':
      return { learning: { ...config.learning, brakeMicros: config.stickMicros } };
    case 'learnRest':
      return {
        learning: {
          ...config.learning,
          neutralMicros: config.stickMicros,
          brakeMicros: config.stickMicros,
        },
      };
    case 'storeRange':
      return remember(config, { range: { ...config.memory.range, ...config.learning } });
    case 'forget':
      return { learning: {}, itemCursor: nextInMenu(machine, config, -1, 1), stopCursor: 0, rounds: 0 };
  }
}

const isInNumber = ({ field }: MenuItem, place: number): boolean =>
  field !== undefined && place >= field.first && place <= field.last;

/** One stop on or back, round and round; a locked number counts as one stop and stands where it begins. */
function nextPlace(item: MenuItem, place: number, by: 1 | -1): number {
  const { field, stopIds } = item;
  if (!field?.isLocked) return wrapped(place + by, stopIds.length);
  const leaving = isInNumber(item, place) ? (by === 1 ? field.last : field.first) : place;
  const next = wrapped(leaving + by, stopIds.length);
  return isInNumber(item, next) ? field.begins : next;
}

/** Whether an item is in the menu, going by what the ESC holds. */
const isInMenu = ({ memory }: Config, { existsWhile }: MenuItem): boolean =>
  existsWhile.every(({ itemId, stopIds }) => stopIds.includes(memory.stops[itemId] ?? ''));

/** The place of the next item that is in the menu, one way or the other, round and round. */
function nextInMenu({ menu }: Machine, config: Config, from: number, by: 1 | -1): number {
  let place = from;
  for (let n = 0; n < menu.length; n += 1) {
    place = wrapped(place + by, menu.length);
    if (isInMenu(config, menu[place]!)) return place;
  }
  throw new Error('no item is in the menu');
}

const placeByCode = ({ menu }: Machine, config: Config): number =>
  menu.findIndex((item) => item.code === config.typed && isInMenu(config, item));

const wrapped = (place: number, length: number): number => (place + length) % length;

/** What storing a stop sets: its item, and whatever it overwrites. */
export const storedWith = (item: MenuItem, stopId: string): Record<string, string> => ({
  ...Object.fromEntries((item.overwrites[stopId] ?? []).map((other) => [other.itemId, other.stopId])),
  ...(item.commandStopIds.includes(stopId) ? {} : { [item.itemId]: stopId }),
});

/** A new memory even where the value is the same: whoever plans must see that something was stored. */
const remember = ({ memory }: Config, change: Partial<EscMemory>): Partial<Config> => ({
  memory: { ...memory, ...change },
});

function observe(machine: Machine, config: Config, cue: Cue): Observed {
  switch (cue.type) {
    case 'count':
      return {
        ...cue,
        count: cue.of === 'item' ? machine.menu[config.itemCursor]!.number : config.stopCursor + 1,
      };
    case 'group':
      return groupSounding(machine, config, cue.of);
    default:
      return cue;
  }
}

/**
 * The group of notes that stands for where the cursors are.
 * @throws {Error} where the machine has no notes for it: a profile is checked for that before it becomes a machine
 */
export function groupSounding(
  { tones, menu }: Machine,
  config: Config,
  of: 'item' | 'stop' | 'exit',
): Extract<Observed, { type: 'group' }> {
  const place = of === 'item' ? menu[config.itemCursor]!.number - 1 : config.stopCursor;
  const notes = of === 'exit' ? tones?.exit : tones?.[of === 'item' ? 'items' : 'stops'][place];
  if (notes === undefined) throw new Error(`the machine has no notes for ${of} ${place + 1}`);
  return { type: 'group', of, notes };
}
