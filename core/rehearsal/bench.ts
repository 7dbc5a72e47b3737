/** The bench of a rehearsal: a simulated ESC, a radio, a computer beside them, and time from outside. */
import { act, triggerSignal, type SimulatedEsc } from '../device/simulatedEsc';
import type { HandInput, Input, Observed } from '../procedure/language';
import { msToDeadline, stateOf } from '../procedure/step';
import { FULL_SIGNAL } from '../radio/pulse';
import { breakLine, click, msUntilDone, pass, type Computer, type ComputerDeed } from './computer';
import { sentMicros, type PracticeRadio, type RadioMenu } from './radio';

export interface PracticeBench {
  esc: SimulatedEsc;
  radio: PracticeRadio;
  computer: Computer;
  pack: PracticePack | undefined;
  /** Since the beginning, ms. */
  atMs: number;
  /** What the learner says that items hold, by item id. */
  told: Readonly<Record<string, string>>;
  /** What the ESC, or the form, showed last of each item that it showed. */
  shown: Readonly<Record<string, string>>;
  /** How many cells the ESC beeped when it started; undefined while it is off. */
  cellsBeeped: number | undefined;
  /** Whether full signal arrived since the ESC was switched on last. */
  sawFull: boolean;
  /** How often hands have pressed, moved or switched something. */
  deeds: number;
  /** Whether the card is in its socket, or the box plugged in, as a hand sees it. */
  plugIsIn: boolean;
  /** The fault that was put on the bench, until it is corrected. */
  fault: BenchFault | undefined;
}

/** The lithium pack that feeds it, by which the ESC counts cells when it starts. */
export interface PracticePack {
  cells: number;
  voltsPerCell: number;
}

/** What is wrong with the bench itself. */
export type BenchFault =
  /** The press of this number, from now on, is not felt. */
  | { kind: 'deafPress'; inPresses: number }
  /** Card or box sits the wrong way round: the ESC does not see it. */
  | { kind: 'turnedPlug' }
  /** Another ESC of the same make lies there. */
  | { kind: 'otherEsc'; right: SimulatedEsc };

/** What a learner can do. */
export type Deed =
  | { do: 'esc'; input: Exclude<HandInput, { type: 'stick' }> }
  | { do: 'throttle'; position: number }
  | { do: 'hold'; on: boolean }
  | { do: 'radio'; set: Partial<RadioMenu> }
  | { do: 'computer'; deed: ComputerDeed }
  /** Says what an item holds. */
  | { do: 'tell'; itemId: string; stopId: string }
  | { do: 'wait'; ms: number };

/** What no hand does. */
export type Mishap = { do: 'lineBreaks' } | { do: 'stops'; stops: Readonly<Record<string, string>> };

export interface Done {
  bench: PracticeBench;
  observed: Observed[];
}

/** The highest voltage that an ESC takes for one cell, V: it counts as few as the pack's voltage allows. From memory. */
const MOST_VOLTS_A_CELL = 4.35;

/** The cells that the ESC counts in this pack when it starts. */
export const countedCells = ({ cells, voltsPerCell }: PracticePack): number =>
  Math.ceil((cells * voltsPerCell) / MOST_VOLTS_A_CELL);

export const isOn = ({ esc }: PracticeBench): boolean => stateOf(esc.machine, esc.config).role !== 'off';

/** Whether the hand is free: no key is down. */
export const isResting = ({ esc }: PracticeBench): boolean => !stateOf(esc.machine, esc.config).keyDown;

/** Whether the ESC is ready to drive, with nothing plugged in and the throttle at rest. */
export const isReady = ({ esc, radio, computer }: PracticeBench): boolean =>
  esc.config.state === 'driving' &&
  esc.config.stickMicros === sentMicros({ ...radio, hold: true }) &&
  !computer.plugged;

/** Does one thing. Time passes only in a wait, which stops at the first thing that happens by itself. */
export function doDeed(bench: PracticeBench, deed: Deed | Mishap): Done {
  const counted = deed.do === 'wait' ? bench : { ...bench, deeds: bench.deeds + 1 };
  switch (deed.do) {
    case 'esc':
      return feel(counted, deed.input);
    case 'throttle':
      return moveRadio(counted, { ...bench.radio, position: deed.position });
    case 'hold':
      return moveRadio(counted, { ...bench.radio, hold: deed.on });
    case 'radio':
      return moveRadio(counted, { ...bench.radio, channel: { ...bench.radio.channel, ...deed.set } });
    case 'computer':
      return { bench: { ...counted, computer: clicked(bench, deed.deed) }, observed: [] };
    case 'tell':
      return { bench: { ...counted, told: { ...bench.told, [deed.itemId]: deed.stopId } }, observed: [] };
    case 'wait':
      return wait(bench, deed.ms);
    case 'lineBreaks':
      return { bench: { ...bench, computer: breakLine(bench.computer) }, observed: [] };
    case 'stops':
      return { bench: withStops(bench, deed.stops), observed: [] };
  }
}

/** How long until something happens by itself, ms; undefined where nothing does. */
export function msUntilNext({ esc, computer }: PracticeBench): number | undefined {
  const waits = [msToDeadline(esc.machine, esc.config), msUntilDone(computer)].filter(
    (ms) => ms !== undefined,
  );
  return waits.length > 0 ? Math.min(...waits) : undefined;
}

function wait(bench: PracticeBench, ms: number): Done {
  const lasts = Math.min(ms, msUntilNext(bench) ?? ms);
  return give({ ...computed(bench, lasts), atMs: bench.atMs + lasts }, { type: 'elapsed', ms: lasts });
}

/** After the computer has gone on for a while: it may have written a value, or read them all. */
function computed(bench: PracticeBench, ms: number): PracticeBench {
  const { stops } = bench.esc.config.memory;
  const { computer, held } = pass(bench.computer, ms, stops);
  const hasRead = bench.computer.busy?.doing === 'reading' && !computer.busy;
  const after = held === stops ? bench : withStops(bench, held);
  return { ...after, computer, shown: hasRead ? held : bench.shown };
}

const clicked = (bench: PracticeBench, deed: ComputerDeed): Computer =>
  click(bench.computer, deed, {
    profile: bench.esc.profile,
    held: bench.esc.config.memory.stops,
    escIsOn: isOn(bench),
  });

/** What reaches the ESC of what a hand does to it. */
function feel(bench: PracticeBench, input: Exclude<HandInput, { type: 'stick' }>): Done {
  const { fault } = bench;
  if (input.type === 'card') {
    const plugged = { ...bench, plugIsIn: input.in };
    return fault?.kind === 'turnedPlug' ? { bench: plugged, observed: [] } : give(plugged, input);
  }
  if (fault?.kind !== 'deafPress' || (input.type !== 'down' && input.type !== 'up'))
    return give(bench, input);
  // The press that is not felt goes down and up without the ESC; those before it count.
  const isDeaf = fault.inPresses === 0;
  const inPresses = input.type === 'up' ? fault.inPresses - 1 : fault.inPresses;
  const left = { ...bench, fault: inPresses < 0 ? undefined : { ...fault, inPresses } };
  return isDeaf ? { bench: left, observed: [] } : give(left, input);
}

function moveRadio(bench: PracticeBench, radio: PracticeRadio): Done {
  return give({ ...bench, radio }, { type: 'stick', micros: sentMicros(radio) });
}

function give(bench: PracticeBench, input: Input): Done {
  const done = act(bench.esc, input);
  const goesOff = input.type === 'power';
  const role = (esc: SimulatedEsc) => stateOf(esc.machine, esc.config).role;
  const starts = role(bench.esc) === 'waking' && role(done.esc) === 'driving';
  const counted = starts && bench.pack ? countedCells(bench.pack) : bench.cellsBeeped;
  const cellsBeeped = goesOff ? undefined : counted;
  const sawFull = !goesOff && (bench.sawFull || triggerSignal(done.esc) >= FULL_SIGNAL);
  // Without power, the computer's line is dead, too.
  const dies = goesOff && !input.on && bench.computer.plugged;
  const computer = dies && bench.computer.busy ? breakLine(bench.computer) : bench.computer;
  const shown = shownBy(done.esc, bench.shown);
  return {
    bench: { ...bench, esc: done.esc, sawFull, cellsBeeped, computer, shown },
    observed: done.observed,
  };
}

/** With the value that the ESC shows as stored, where it does. */
function shownBy({ machine, config }: SimulatedEsc, before: PracticeBench['shown']): PracticeBench['shown'] {
  if (stateOf(machine, config).role !== 'showingStored') return before;
  const { itemId } = machine.menu[config.itemCursor]!;
  const stopId = config.memory.stops[itemId]!;
  return before[itemId] === stopId ? before : { ...before, [itemId]: stopId };
}

function withStops(bench: PracticeBench, stops: Readonly<Record<string, string>>): PracticeBench {
  const { config } = bench.esc;
  return { ...bench, esc: { ...bench.esc, config: { ...config, memory: { ...config.memory, stops } } } };
}
