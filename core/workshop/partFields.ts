/** The parameters of media and calibration families, one line each: what is asked, in which unit, and what is usual. */
import type { EndPointFamily, MediumFamily, PointOrder } from '../esc/media';

export interface PartField {
  key: string;
  label: string;
  /** `text` is a name, `notes` groups of notes, `items` item numbers, `pages` titles with item numbers; else a number. */
  unit: 'text' | 'notes' | 'items' | 'pages' | 'choice' | 'ms' | 'µs' | '';
  usual: string;
  /** Of a number: as the open format has them; `whole` where only whole ones count. */
  bounds?: readonly [least: number, most: number];
  whole?: true;
  choices?: Readonly<Record<string, string>>;
}

const text = (key: string, label: string, usual: string): PartField => ({ key, label, unit: 'text', usual });
type Bounds = NonNullable<PartField['bounds']>;

const number = (
  unit: 'ms' | 'µs' | '',
  key: string,
  label: string,
  usual: number,
  bounds: Bounds,
): PartField => ({ key, label, unit, usual: String(usual), bounds });

const HOLD: Bounds = [100, 20000];
const WINDOW: Bounds = [300, 60000];
const IDLE: Bounds = [1000, 600000];
const WAKE: Bounds = [0, 20000];
const PULSE: Bounds = [500, 2500];

const ms = (key: string, label: string, usual: number, bounds: Bounds): PartField =>
  number('ms', key, label, usual, bounds);
const count = (key: string, label: string, usual: number, bounds: Bounds): PartField => ({
  ...number('', key, label, usual, bounds),
  whole: true,
});
const notes = (key: string, label: string, usual: string): PartField => ({
  key,
  label,
  unit: 'notes',
  usual,
});

const MENU_KEYS: readonly PartField[] = [
  text('previousKeyName', 'Key for the previous item', 'up'),
  text('nextKeyName', 'Key for the next item', 'down'),
  text('lowerKeyName', 'Key for the previous stop', 'minus'),
  text('raiseKeyName', 'Key for the next stop', 'plus'),
  text('saveKeyName', 'Key that saves it', 'save'),
];

/** For an item that holds a number. */
const NUMBER_KEYS: readonly PartField[] = [
  ms('numberHoldMs', 'Hold to unlock a number', 1500, HOLD),
  ms('numberStepMs', 'Step time of a number while held', 150, [20, 5000]),
];

export const MEDIUM_FIELDS: Readonly<Record<MediumFamily, readonly PartField[]>> = {
  oneKey: [
    text('keyName', 'Printed on the key', 'set'),
    ms('enterHoldMs', 'Hold to open the menu', 1000, HOLD),
    ms('openHoldMs', 'Hold to open an item', 3000, HOLD),
    ms('storeHoldMs', 'Hold to store a stop', 3000, HOLD),
    ms('idleTimeoutMs', 'Menu closes after', 20000, IDLE),
    text('menuLamp', 'Lamp colour for items', 'amber'),
    text('valueLamp', 'Lamp colour for stops', 'white'),
    {
      key: 'afterStore',
      label: 'After storing',
      unit: 'choice',
      usual: 'restart',
      choices: { restart: 'switch off and on', menu: 'stays in the menu' },
    },
  ],
  twoKeys: [
    text('itemKeyName', 'Key for items', 'mode'),
    text('valueKeyName', 'Key that raises', 'plus'),
    text('itemLamps', 'Lamps for items', 'upper lamps'),
    text('valueLamps', 'Lamps for stops', 'lower lamps'),
    ms('storeWaitMs', 'Stored when left alone for', 3000, WINDOW),
    ms('idleTimeoutMs', 'Menu closes after', 15000, IDLE),
  ],
  stickTones: [
    ms('itemWindowMs', 'Each item sounds for', 3000, WINDOW),
    ms('valueWindowMs', 'Each stop sounds for', 3000, WINDOW),
    count('valueRounds', 'Stops go round', 2, [1, 10]),
    notes('itemNotes', 'Notes of the items', ''),
    notes('stopNotes', 'Notes of the stops', ''),
    notes('exitNotes', 'Notes of the way out', 'LL'),
    { key: 'toggledItemIds', label: 'Toggled at once: items', unit: 'items', usual: '' },
  ],
  stickToggle: [
    ms('itemWindowMs', 'Each item sounds for', 3000, WINDOW),
    notes('itemNotes', 'Notes of the items', ''),
    notes('exitNotes', 'Notes of the way out', 'LL'),
  ],
  lampCard: [
    text('itemKeyName', 'Key for items', 'item'),
    text('valueKeyName', 'Key for stops', 'value'),
    text('okKeyName', 'Key that writes', 'ok'),
    text('resetKeyName', 'Key for factory values', 'reset'),
    ms('wakeMs', 'Lights up after', 1000, WAKE),
    ms('resetHoldMs', 'Hold for factory values', 3000, HOLD),
    text('itemLamps', 'Lamps for items', 'left row'),
    text('valueLamps', 'Lamps for stops', 'right row'),
  ],
  textBox: [
    text('plug', 'Where it plugs in', 'Unplug the fan; the box goes into its socket.'),
    ...MENU_KEYS,
    ms('wakeMs', 'Shows its first item after', 1000, WAKE),
    ...NUMBER_KEYS,
  ],
  keyPad: [
    text('programKeyName', 'Key that stops driving', 'program'),
    text('featureKeyName', 'Key for an item', 'feature'),
    text('enterKeyName', 'Key that saves it', 'enter'),
    text('runKeyName', 'Key that drives again', 'run'),
    {
      key: 'chosenBy',
      label: 'An item is chosen by',
      unit: 'choice',
      usual: 'code',
      choices: { code: 'that key, then its code', ownKey: 'a key of its own' },
    },
    count('digits', 'Digits of a number', 3, [1, 6]),
  ],
  transmitterMenu: [
    text('menuKeyName', 'Key that opens the menu', 'menu'),
    ...MENU_KEYS,
    { key: 'confirmedItemIds', label: 'Items that ask again', unit: 'items', usual: '' },
    ...NUMBER_KEYS,
  ],
  link: [
    text(
      'plug',
      'Where the adapter plugs in',
      'The adapter goes into the fan socket, the arrow to the wires.',
    ),
  ],
  programForm: [
    text('plug', 'Where the adapter plugs in', 'The adapter goes into the ESC’s lead, then the pack on.'),
    { key: 'pages', label: 'Pages of the form', unit: 'pages', usual: '' },
    text('sendName', 'Button that writes', 'send'),
    text('readName', 'Button that reads', 'read'),
  ],
};

const ORDER_WORDS: Readonly<Record<PointOrder, string>> = {
  neutralForwardBrake: 'neutral, forward, brake',
  neutralBrakeForward: 'neutral, brake, forward',
  brakeForwardNeutral: 'brake, forward, neutral',
};

const threePoints = (usualOrder: PointOrder, keyName: string): readonly PartField[] => [
  text('keyName', 'Printed on the key', keyName),
  text('lamp', 'Lamp colour', 'amber'),
  { key: 'order', label: 'Asks for', unit: 'choice', usual: usualOrder, choices: ORDER_WORDS },
  number('µs', 'leastSpanMicros', 'Refuses ends closer than', 150, [10, 500]),
  {
    key: 'wrongOrder',
    label: 'Forward and brake swapped are',
    unit: 'choice',
    usual: 'learnedReversed',
    choices: { learnedReversed: 'learned reversed', refused: 'refused' },
  },
  {
    key: 'afterwards',
    label: 'Afterwards',
    unit: 'choice',
    usual: 'restartByHand',
    choices: { restartByHand: 'switch it off and on', restartsItself: 'it restarts by itself' },
  },
];

const takenAtRest = (usualOrder: PointOrder, keyName: string): readonly PartField[] => [
  ...threePoints(usualOrder, keyName),
  ms('holdMs', 'Hold to begin', 2000, HOLD),
  ms('steadyMs', 'Point learned after', 1000, WINDOW),
  number('µs', 'steadyToleranceMicros', 'Moves that do not count', 6, [0, 50]),
  ms('windowMs', 'Gives up after', 15000, WINDOW),
];

export const CALIBRATION_FIELDS: Readonly<Record<EndPointFamily['family'], readonly PartField[]>> = {
  keyConfirmed: [
    ...threePoints('neutralForwardBrake', 'set'),
    ms('holdAtPowerOnMs', 'Hold while switching on', 3000, HOLD),
  ],
  heldStill: takenAtRest('neutralForwardBrake', 'mode'),
  countedPoints: takenAtRest('brakeForwardNeutral', 'teach'),
  stickAtPowerOn: [
    number('µs', 'highFromMicros', 'Full up from', 1750, PULSE),
    number('µs', 'lowToMicros', 'Right down to', 1250, PULSE),
    ms('windowMs', 'Stick must go down within', 5000, WINDOW),
    ms('steadyMs', 'Low point learned after', 1000, WINDOW),
  ],
  none: [
    {
      key: 'reason',
      label: 'Because',
      unit: 'choice',
      usual: 'digital',
      choices: { digital: 'a flight controller or a link sets the range', locked: 'its maker has locked it' },
    },
  ],
};

/** A part with what is usual in every field. */
export const usualPart = <F extends string>(family: F, fields: readonly PartField[]) => ({
  family,
  values: Object.fromEntries(fields.map(({ key, usual }) => [key, usual])),
});
