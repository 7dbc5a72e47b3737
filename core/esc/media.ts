/**
 * The ways in which an ESC can be told things: media for its settings, families for its end points.
 * Names of keys, lamps and tones are the ESC's own words; times are what its maker states.
 */

/** Entering settings with the set key, a lamp and beeps. */
export interface OneKeyMedium {
  family: 'oneKey';
  keyName: string;
  /** Hold the key this long on a running ESC to enter the menu. */
  enterHoldMs: number;
  /** Hold the key this long on an item to open it. */
  openHoldMs: number;
  /** Hold the key this long on a stop to store it. */
  storeHoldMs: number;
  /** With no press for this long the menu closes and stores nothing. */
  idleTimeoutMs: number;
  menuLamp: string;
  valueLamp: string;
  /** Whether the ESC stays in the menu after a value, or must be switched off and on. */
  afterStore: 'restart' | 'menu';
}

/** Entering settings on a card with a lamp for each item and a row of lamps for the stops. */
export interface LampCardMedium {
  family: 'lampCard';
  itemKeyName: string;
  valueKeyName: string;
  okKeyName: string;
  resetKeyName: string;
  /** From power on, with the card in, until the card lights up. */
  wakeMs: number;
  /** Hold the reset key this long to restore every factory value. */
  resetHoldMs: number;
  itemLamps: string;
  valueLamps: string;
}

/** How a group of notes is written: l and h are short notes, low and high; L and H long ones. */
export type Notes = string;

/** Entering settings with the throttle stick while the motor sounds group after group of notes. */
export interface StickTonesMedium {
  family: 'stickTones';
  /** How long each group of the item menu sounds and waits. */
  itemWindowMs: number;
  /** How long each group of an item's stops sounds and waits. */
  valueWindowMs: number;
  /** How often all stops of an item sound before the ESC gives up waiting for one. */
  valueRounds: number;
  /** By item number, from 1. */
  itemNotes: Notes[];
  /** By stop number, from 1; as many as the longest item has. */
  stopNotes: Notes[];
  /** The last group of each round: stick down here leaves the menu. */
  exitNotes: Notes;
}

/** Settings read and written by a computer through an adapter. The words on the line: docs/link-protocol.md. */
export interface LinkMedium {
  family: 'link';
  /** What has to be plugged where. */
  plug: string;
}

export type Medium = OneKeyMedium | LampCardMedium | StickTonesMedium | LinkMedium;
export type MediumFamily = Medium['family'];

/** The media worked by hand, in the order in which they are offered. */
export type HandMedium = Exclude<Medium, LinkMedium>;

export const MEDIUM_WORDS: Readonly<Record<MediumFamily, string>> = {
  oneKey: 'one key, flashes and beeps',
  lampCard: 'a card with lamps',
  stickTones: 'the stick and tones',
  link: 'the link',
};

/** Whether a medium shows what is stored, so that it can be counted back. */
export const SHOWS_STORED: Readonly<Record<HandMedium['family'], boolean>> = {
  oneKey: true,
  lampCard: true,
  stickTones: false,
};

/** End points learned at three positions, each confirmed with a key (family A). */
export interface KeyConfirmedCalibration {
  family: 'keyConfirmed';
  keyName: string;
  lamp: string;
  /** Hold the key while switching on until the beeps turn steady, this long. */
  holdAtPowerOnMs: number;
  /** The ESC refuses an end that is nearer to neutral than this. */
  leastSpanMicros: number;
}

/** Two end points, the stick held full up while switching on (family D). */
export interface StickAtPowerOnCalibration {
  family: 'stickAtPowerOn';
  /** A pulse from here on counts as full up, one to here as right down. */
  highFromMicros: number;
  lowToMicros: number;
  /** After the tone for the high point, the stick must come down within this time. */
  windowMs: number;
  /** The stick must rest low this long before the low point is taken. */
  steadyMs: number;
}

export type EndPointFamily = KeyConfirmedCalibration | StickAtPowerOnCalibration;
