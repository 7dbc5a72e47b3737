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
  /** Items of two stops that go to the other one at once when the stick comes down: beeps count it. */
  toggledItemIds: string[];
}

/** Entering settings with the stick while groups of notes sound: coming down during one toggles that item. */
export interface StickToggleMedium {
  family: 'stickToggle';
  /** How long each group sounds and waits. */
  itemWindowMs: number;
  /** By item number, from 1. */
  itemNotes: Notes[];
  /** The last group of each round: stick down here leaves the menu. */
  exitNotes: Notes;
}

/** Entering settings with two keys and two rows of lamps on the ESC. */
export interface TwoKeysMedium {
  family: 'twoKeys';
  itemKeyName: string;
  valueKeyName: string;
  itemLamps: string;
  valueLamps: string;
  /** A raised value that is left alone this long is stored. */
  storeWaitMs: number;
  /** With no press for this long the menu closes. */
  idleTimeoutMs: number;
}

/** Entering settings on a box with a line of text. */
export interface TextBoxMedium {
  family: 'textBox';
  /** What has to be unplugged, and where the box goes. */
  plug: string;
  previousKeyName: string;
  nextKeyName: string;
  lowerKeyName: string;
  raiseKeyName: string;
  saveKeyName: string;
  /** From power on, with the box plugged in, until it shows the first item. */
  wakeMs: number;
  /** Hold a stop key this long to unlock a number, or to have it run; then it goes a step on each time. */
  numberHoldMs: number;
  numberStepMs: number;
}

/** Entering settings on a key pad: a code for the item, digits for the value, enter. */
export interface KeyPadMedium {
  family: 'keyPad';
  programKeyName: string;
  featureKeyName: string;
  enterKeyName: string;
  runKeyName: string;
  /** Whether an item is chosen by the feature key and its code, or by a key of its own. */
  chosenBy: 'code' | 'ownKey';
  /** How many digits are typed for the number of an item or a stop, zeros in front, where nothing else is printed for it. */
  digits: number;
}

/** Entering settings in a menu on the transmitter. */
export interface TransmitterMenuMedium {
  family: 'transmitterMenu';
  menuKeyName: string;
  previousKeyName: string;
  nextKeyName: string;
  lowerKeyName: string;
  raiseKeyName: string;
  saveKeyName: string;
  /** Items that are asked about once more before they are written. */
  confirmedItemIds: string[];
  /** As on a box with text. */
  numberHoldMs: number;
  numberStepMs: number;
}

/** Settings read and written by a computer through an adapter. The words on the line: docs/link-protocol.md. */
export interface LinkMedium {
  family: 'link';
  /** What has to be plugged where. */
  plug: string;
}

/** One page of a form, with its items in the order in which they stand on it. */
export interface FormPage {
  title: string;
  itemIds: string[];
}

/** Settings entered in a form of the maker's own program, on a computer or phone that Live Tune cannot speak to. */
export interface ProgramFormMedium {
  family: 'programForm';
  /** What has to be plugged where, or paired. */
  plug: string;
  /** Items that stand on no page come at the end. */
  pages: FormPage[];
  /** What the program calls sending the form to the ESC, and reading it again. */
  sendName: string;
  readName: string;
}

export type Medium =
  | OneKeyMedium
  | TwoKeysMedium
  | StickTonesMedium
  | StickToggleMedium
  | LampCardMedium
  | TextBoxMedium
  | KeyPadMedium
  | TransmitterMenuMedium
  | LinkMedium
  | ProgramFormMedium;
export type MediumFamily = Medium['family'];
export type MediumOf<F extends MediumFamily> = Extract<Medium, { family: F }>;

/** What is to be known of a medium, whatever its keys and lamps are called. */
interface MediumFacts {
  words: string;
  /** `hand`: by a plan of gestures; `link`: by this computer; `form`: by a person, in a program beside it. */
  workedBy: 'hand' | 'link' | 'form';
  /** Whether it shows what is stored, so that it can be read back. */
  showsStored: boolean;
  /** Whether a number that is locked can be entered: by keys with text, digits or a computer. */
  knowsNumbers: boolean;
  /** Whether its menu listens to the stick: all ESCs on one channel hear the same. */
  hearsStick: boolean;
}

const BY_HAND = { workedBy: 'hand', showsStored: true, knowsNumbers: false, hearsStick: false } as const;
const BY_STICK = { ...BY_HAND, showsStored: false, hearsStick: true } as const;
const BY_TEXT = { ...BY_HAND, knowsNumbers: true } as const;

/** Every medium: one line here is the first step of a new one, and the compiler asks for the rest. */
export const MEDIA = {
  oneKey: { words: 'one key, flashes and beeps', ...BY_HAND },
  twoKeys: { words: 'two keys and rows of lamps', ...BY_HAND },
  stickTones: { words: 'the stick and tones', ...BY_STICK },
  stickToggle: { words: 'the stick and tones, toggling', ...BY_STICK },
  lampCard: { words: 'a card with lamps', ...BY_HAND },
  textBox: { words: 'a box with text', ...BY_TEXT },
  keyPad: { words: 'a key pad with codes', ...BY_TEXT, showsStored: false },
  transmitterMenu: { words: 'a menu on the transmitter', ...BY_TEXT },
  link: { words: 'the link', workedBy: 'link', showsStored: true, knowsNumbers: true, hearsStick: false },
  programForm: {
    words: 'a form in another program',
    workedBy: 'form',
    showsStored: true,
    knowsNumbers: true,
    hearsStick: false,
  },
} as const satisfies Record<MediumFamily, MediumFacts>;

type WorkedBy<By extends MediumFacts['workedBy']> = {
  [F in MediumFamily]: (typeof MEDIA)[F]['workedBy'] extends By ? F : never;
}[MediumFamily];

/** The media worked by hand on the ESC, by a plan of gestures. */
export type HandMedium = MediumOf<WorkedBy<'hand'>>;

/** Whether a hand works it by a plan of gestures; a link and a form in another program know none. */
export const isByHand = (medium: Medium): medium is HandMedium => MEDIA[medium.family].workedBy === 'hand';

/** The medium of a family, if it is among them. */
export const mediumOf = <F extends MediumFamily>(media: readonly Medium[], family: F) =>
  media.find((medium): medium is MediumOf<F> => medium.family === family);

/** The orders in which an ESC may ask for its three points. */
export const POINT_ORDERS = {
  neutralForwardBrake: ['neutral', 'forward', 'brake'],
  neutralBrakeForward: ['neutral', 'brake', 'forward'],
  brakeForwardNeutral: ['brake', 'forward', 'neutral'],
} as const;
export type PointOrder = keyof typeof POINT_ORDERS;

/** What every family of three points states. */
interface ThreePoints {
  keyName: string;
  lamp: string;
  order: PointOrder;
  /** The ESC refuses an end that is nearer to neutral than this. */
  leastSpanMicros: number;
  /** What it does with forward and brake taken the other way round: it cannot know a reversed radio from a mistake. */
  wrongOrder: 'learnedReversed' | 'refused';
  /** Whether it has to be switched off and on, or starts again by itself once the throttle rests. */
  afterwards: 'restartByHand' | 'restartsItself';
}

/** What the families state that take a point when the throttle has rested there. */
interface TakenAtRest extends ThreePoints {
  /** Hold the key on a running ESC this long to begin. */
  holdMs: number;
  /** The throttle must rest this long for a point to be taken. */
  steadyMs: number;
  /** Moves smaller than this do not count as moving. */
  steadyToleranceMicros: number;
  /** Without a point for this long the ESC gives up and keeps what it had. */
  windowMs: number;
}

/** End points learned at three positions, each confirmed with a key (family A). */
export interface KeyConfirmedCalibration extends ThreePoints {
  family: 'keyConfirmed';
  /** Hold the key while switching on until the beeps turn steady, this long. */
  holdAtPowerOnMs: number;
}

/** A mode key on a running ESC, then three points, each accepted with a chime after holding still (family B). */
export interface HeldStillCalibration extends TakenAtRest {
  family: 'heldStill';
}

/** A key on a running ESC, then three points counted in beeps: one, two, three (family C). */
export interface CountedPointsCalibration extends TakenAtRest {
  family: 'countedPoints';
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

/** Nothing to learn: a flight controller or a link sets the range, or the maker has locked it (family E). */
export interface NoCalibration {
  family: 'none';
  reason: 'digital' | 'locked';
}

export type EndPointFamily =
  | KeyConfirmedCalibration
  | HeldStillCalibration
  | CountedPointsCalibration
  | StickAtPowerOnCalibration
  | NoCalibration;

/** The families that ask for three points. */
export type ThreePointFamily = KeyConfirmedCalibration | HeldStillCalibration | CountedPointsCalibration;

export const FAMILY_WORDS: Readonly<Record<EndPointFamily['family'], string>> = {
  keyConfirmed: 'three points, each confirmed with a key',
  heldStill: 'three points, each held still until a chime',
  countedPoints: 'three points, counted in beeps',
  stickAtPowerOn: 'two points, stick up while switching on',
  none: 'no calibration of its own',
};

/** Whether the ESC asks for three points, with a key and a lamp of its own. */
export const asksForThree = (calibration: EndPointFamily): calibration is ThreePointFamily =>
  calibration.family !== 'stickAtPowerOn' && calibration.family !== 'none';

/** The key that calibrates: the one that is held while switching on, or one of its own on a running ESC. */
export const calibrationKey = (
  calibration: EndPointFamily,
): { key: 'set' | 'mode'; name: string } | undefined =>
  asksForThree(calibration)
    ? { key: calibration.family === 'keyConfirmed' ? 'set' : 'mode', name: calibration.keyName }
    : undefined;
