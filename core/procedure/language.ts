/**
 * The procedure language: how a hand talks to an ESC, as data.
 * One description drives the guide, the planner, the simulated ESC and the rehearsal. Inputs, guards and
 * effects are closed lists: one that is not known here does not compile and does not import.
 */
import type { LearnedRange } from '../radio/pulse';

export type Input =
  | { type: 'down' }
  | { type: 'up' }
  | { type: 'power'; on: boolean }
  | { type: 'stick'; micros: number }
  | { type: 'elapsed'; ms: number };

/** What an edge waits for. Elapsed time is not waited for here but in `State.after`. */
export type Trigger = 'down' | 'up' | 'powerOn' | 'powerOff' | 'stick';

/** Conditions, by name. Read by the interpreter only. */
export type Guard =
  /** The pulse lies inside the deadband round the learned neutral. */
  | 'stickAtNeutral'
  | 'stickOffNeutral'
  /** The pulse lies at least `leastSpanMicros` from the neutral just taken. */
  | 'farFromNeutral'
  /** The pulse lies that far on the other side of neutral than the forward end just taken. */
  | 'farOnOtherSide';

export type Effect =
  | 'firstItem'
  | 'nextItem'
  /** Put the stop cursor on the stored stop of the item. */
  | 'showStored'
  | 'nextStop'
  /** Keep the shown stop for good. */
  | 'storeStop'
  | 'learnNeutral'
  | 'learnForward'
  | 'learnBrake'
  /** Keep the three learned pulses for good. */
  | 'storeRange'
  /** Forget everything that was not stored. */
  | 'forget';

export type ToneName = 'short' | 'long' | 'rising' | 'warning' | 'steady';

/** What can be seen and heard. A count is read from the registers at the moment it shows. */
export type Cue =
  | { type: 'lamp'; lamp: string; pattern: 'off' | 'on' | 'blinking' | 'full' }
  | { type: 'count'; lamp: string; of: 'item' | 'stop' }
  | { type: 'tone'; tone: ToneName };

export interface Edge {
  on: Trigger;
  guard?: Guard;
  effects?: Effect[];
  cues?: Cue[];
  to: string;
  /** After this edge something may start to turn: the model must have been made safe. */
  gate?: 'mayTurn';
}

export interface State {
  /** What goes on for as long as the state lasts. */
  cues: Cue[];
  on: Edge[];
  /** What happens by itself after a while. The first whose guard holds is taken. */
  after?: { ms: number; edges: Omit<Edge, 'on'>[] };
  /** Whether the set key is down here; the guide speaks only when it is up. */
  keyDown?: true;
  /** What the state is for, where the guide, the planner or the simulated ESC must know. */
  role?: 'off' | 'driving' | 'showingStored' | 'calibrating' | 'calibrated';
}

export interface MenuItem {
  itemId: string;
  /** In menu order. */
  stopIds: string[];
}

export interface Machine {
  initial: string;
  states: Record<string, State>;
  menu: MenuItem[];
  leastSpanMicros: number;
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
  learning: Partial<LearnedRange>;
  stickMicros: number;
  memory: EscMemory;
}

/** A cue as it happened, with its count filled in. */
export type Observed =
  | { type: 'lamp'; lamp: string; pattern: 'off' | 'on' | 'blinking' | 'full' }
  | { type: 'count'; lamp: string; of: 'item' | 'stop'; count: number }
  | { type: 'tone'; tone: ToneName };
