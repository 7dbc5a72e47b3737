/**
 * The procedure language: how a hand talks to an ESC, as data.
 * One description drives the guide, the planner, the simulated ESC and the rehearsal. Inputs, guards and
 * effects are closed lists: one that is not known here does not compile and does not import.
 */
import type { MediumFamily, Notes } from '../esc/media';
import type { LearnedRange, StickEnd } from '../radio/pulse';

/** Keys that an ESC, its card, box or pad may have. What is printed on them stands in the profile. */
export const KEYS = [
  'set',
  'item',
  'itemBack',
  'value',
  'valueBack',
  'ok',
  'reset',
  'program',
  'feature',
  'run',
  'menu',
  'mode',
] as const;
export type KeyId = (typeof KEYS)[number];

/** What a hand can do in an instant. */
export type HandInput =
  | { type: 'down'; key: KeyId }
  | { type: 'up'; key: KeyId }
  | { type: 'power'; on: boolean }
  | { type: 'card'; in: boolean }
  | { type: 'stick'; micros: number }
  /** Digits typed on a key pad, one after the other. */
  | { type: 'code'; digits: string };

export type Input = HandInput | { type: 'elapsed'; ms: number };

/** What an edge waits for. Elapsed time is not waited for here but in `State.after`. */
export type Trigger =
  `down ${KeyId}` | `up ${KeyId}` | 'powerOn' | 'powerOff' | 'cardIn' | 'cardOut' | 'stick' | 'code';

/** Conditions, by name. Read by the interpreter only. */
export type Guard =
  /** The pulse lies inside the deadband round the learned neutral. */
  | 'stickAtNeutral'
  | 'stickOffNeutral'
  /** The pulse lies where the ESC, calibrated or not, takes it for full up or right down. */
  | 'stickHigh'
  | 'stickLow'
  /** The pulse may be this point, going by the points already taken: far enough from them, on its own side. */
  | 'fitsNeutral'
  | 'fitsForward'
  | 'fitsBrake'
  /** The pulse has moved from where it settled by more than the ESC takes for stillness. */
  | 'stickMoved'
  /** An item of the menu forbids calibrating, as it is stored now. */
  | 'calibrationLocked'
  /** The menu cursor stands on its last item; the stop cursor on the last stop of the last round. */
  | 'lastItem'
  /** The stop cursor stands in the number of the item. */
  | 'inNumber'
  /** The stick came down on an item that goes to its other stop at once. */
  | 'stickLowOnToggle'
  /** The digits just typed are those of an item; of a stop of the item. */
  | 'codeIsItem'
  | 'codeIsStop'
  /** The item is asked about once more before it is written. */
  | 'itemIsConfirmed'
  | 'lastStopOfRounds';

export type Effect =
  | 'firstItem'
  | 'nextItem'
  | 'previousItem'
  /** Put the cursor where the typed digits say. */
  | 'itemByCode'
  | 'stopByCode'
  /** Put the stop cursor on the stored stop of the item. */
  | 'showStored'
  | 'firstStop'
  /** A locked number is passed by as one stop, and stands where it begins. */
  | 'nextStop'
  | 'previousStop'
  /** One step of the number, up or down, and no further than its ends. */
  | 'raiseNumber'
  | 'lowerNumber'
  /** Keep the shown stop for good, and what it overwrites. */
  | 'storeStop'
  /** Keep the factory's stop of every item for good. */
  | 'storeFactory'
  /** Remember where the pulse is, to see whether it moves. */
  | 'settle'
  | 'learnNeutral'
  | 'learnForward'
  | 'learnBrake'
  /** Take the pulse for rest: neutral, with no brake side. */
  | 'learnRest'
  /** Keep the learned pulses for good. */
  | 'storeRange'
  /** Forget everything that was not stored. */
  | 'forget';

export type ToneName = 'short' | 'long' | 'rising' | 'falling' | 'warning' | 'steady' | 'tune' | 'reset';

/** What can be seen and heard. Counts and groups are read from the registers at the moment they show. */
export type Cue =
  | { type: 'lamp'; lamp: string; pattern: LampPattern }
  /** A number: by so many flashes or beeps, by which lamp of a row is lit, or as a line of text. */
  | { type: 'count'; lamp: string; of: 'item' | 'stop'; how: CountedBy }
  /** A group of notes that stands for an item, a stop or the way out. */
  | { type: 'group'; of: 'item' | 'stop' | 'exit' }
  | { type: 'tone'; tone: ToneName };

/** How a number is shown or heard. */
export type CountedBy = 'flashes' | 'lit' | 'beeps' | 'text';

export type LampPattern = 'off' | 'on' | 'blinking';

export interface Edge {
  on: Trigger;
  guard?: Guard;
  effects?: Effect[];
  cues?: Cue[];
  to: string;
  /** After this edge something may start to turn: the model must have been made safe. */
  gate?: 'mayTurn';
}

/** What happens by itself when the time is over. */
export type TimedEdge = Omit<Edge, 'on'>;

export interface State {
  /** What goes on for as long as the state lasts. */
  cues: Cue[];
  on: Edge[];
  /** What happens by itself after a while. The first whose guard holds is taken. */
  after?: { ms: number; edges: TimedEdge[] };
  /** The key that is down here; the guide speaks only when none is. */
  keyDown?: KeyId;
  /** What the state is for, where the guide, the planner or the simulated ESC must know. */
  role?: StateRole;
  /** The medium that this state belongs to; undefined for what every ESC of its family has. */
  medium?: MediumFamily;
  /** The point that a calibration waits for here. */
  asksFor?: StickEnd;
  /** The point that the pulse is about to be taken for. */
  takes?: StickEnd;
}

export type StateRole =
  | 'off'
  /** Switched on, and not yet done with looking at the throttle. */
  | 'waking'
  /** It saw a throttle that is not at rest, and complains until it is. */
  | 'unarmed'
  | 'driving'
  | 'showingStored'
  /** In a menu of tones, where a stick that comes down is a choice. */
  | 'inToneMenu'
  | 'calibrating'
  | 'calibrated';

export interface MenuItem {
  itemId: string;
  /** As it is counted and printed; items that are never in the menu together may have the same. */
  number: number;
  /** It is in the menu while each of these items is on one of its stops. */
  existsWhile: readonly { itemId: string; stopIds: readonly string[] }[];
  /** Stops that do something and are not held. */
  commandStopIds: readonly string[];
  /** In menu order. */
  stopIds: string[];
  /** What is typed for the item, and for each of its stops. */
  code: string;
  stopCodes: string[];
  /** Places of the stops that are one number, from 0, where there is one. */
  field: { first: number; last: number; begins: number; isLocked: boolean } | undefined;
  /** Whether a stick that comes down moves it to its other stop at once. */
  toggles: boolean;
  /** Whether it is asked about once more before it is written. */
  confirmed: boolean;
  /** Other items that storing one of its stops sets, by stop id. */
  overwrites: Readonly<Record<string, readonly { itemId: string; stopId: string }[]>>;
}

/** The groups of notes of a menu that is heard. */
export interface ToneTable {
  items: readonly Notes[];
  stops: readonly Notes[];
  exit: Notes;
  /** How often all stops of an item sound. */
  rounds: number;
}

export interface Machine {
  initial: string;
  states: Record<string, State>;
  menu: MenuItem[];
  /** Stop by item id, as a reset stores them. */
  factoryStops: Readonly<Record<string, string>>;
  tones: ToneTable | undefined;
  leastSpanMicros: number;
  refusesReversed: boolean;
  steadyToleranceMicros: number;
  /** The item that can forbid calibrating, and the stops on which it does. */
  lock: { itemId: string; stopIds: readonly string[] } | undefined;
  /** From where on a pulse is full up, and to where right down, before anything was learned. */
  highFromMicros: number;
  lowToMicros: number;
  /** How far from the learned neutral the pulse may be for the ESC to arm. */
  armingToleranceMicros: number;
}

/** What survives switching off. */
export interface EscMemory {
  stops: Readonly<Record<string, string>>;
  range: LearnedRange;
}

/** Everything that a machine is at one moment. Treated as immutable. */
export interface Config {
  state: string;
  /** Since the state was entered, ms. */
  msInState: number;
  /** Places in the menu and in its item's stops, from 0. */
  itemCursor: number;
  stopCursor: number;
  /** How often all stops of the item have sounded. */
  rounds: number;
  learning: Partial<LearnedRange>;
  /** Where the throttle came to rest, µs. */
  settledMicros: number;
  /** The digits typed last. */
  typed: string;
  stickMicros: number;
  memory: EscMemory;
}

/** A cue as it happened, with its number filled in. */
export type Observed =
  | { type: 'lamp'; lamp: string; pattern: LampPattern }
  | { type: 'count'; lamp: string; of: 'item' | 'stop'; how: CountedBy; count: number }
  | { type: 'group'; of: 'item' | 'stop' | 'exit'; notes: Notes }
  | { type: 'tone'; tone: ToneName };
