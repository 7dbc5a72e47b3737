import type {
  CountedPointsCalibration,
  HeldStillCalibration,
  LampCardMedium,
  OneKeyMedium,
  StickTonesMedium,
} from './media';
import { UNTIED, type EscProfile, type ProfileItem } from './profile';

/** A small invented ESC for tests: four items, one key, end points confirmed by key. A fresh copy each time. */
export function smallProfile(): EscProfile {
  return {
    id: 'small',
    revision: 1,
    name: 'Test Small',
    limits: {
      minCells: 2,
      maxCells: 4,
      continuousAmps: 60,
      burstAmps: 240,
      bridgeOhm: 0.002,
      becContinuousAmps: 3,
      becKind: 'switching',
      becLeastVolts: 6,
      becMostVolts: 6,
      temperatureLimitC: 100,
    },
    bootMs: 2000,
    factoryRange: { brakeMicros: 1000, neutralMicros: 1500, forwardMicros: 2000 },
    deadbandMicrosEachSide: 30,
    launchLimitActs: null,
    fullSignalShows: null,
    calibration: {
      family: 'keyConfirmed',
      keyName: 'set',
      lamp: 'amber',
      order: 'neutralForwardBrake',
      holdAtPowerOnMs: 3000,
      leastSpanMicros: 150,
      wrongOrder: 'learnedReversed',
      afterwards: 'restartByHand',
    },
    media: [oneKey('restart')],
    banks: null,
    items: [
      item('way', 1, 'runningMode', 'way-1', [
        ['way-1', 'brakes', { kind: 'choice', choice: 'forwardBrake' }],
        ['way-2', 'both ways', { kind: 'choice', choice: 'forwardReverse' }],
      ]),
      item('leap', 2, 'launchStrength', 'leap-2', [
        ['leap-1', '9', { kind: 'number', value: 900 }],
        ['leap-2', '5', { kind: 'number', value: 400 }],
        ['leap-3', '1', { kind: 'number', value: 150 }],
      ]),
      item('bite', 3, 'brakeStrength', 'bite-2', [
        ['bite-1', '30 %', { kind: 'number', value: 30 }],
        ['bite-2', '50 %', { kind: 'number', value: 50 }],
        ['bite-3', '65 %', { kind: 'number', value: 65 }],
        ['bite-4', '80 %', { kind: 'number', value: 80 }],
        ['bite-5', '100 %', { kind: 'number', value: 100 }],
      ]),
      item('floor', 4, 'cutoff', 'floor-2', [
        ['floor-1', 'none', { kind: 'off' }],
        ['floor-2', '3.1', { kind: 'number', value: 3.1 }],
        ['floor-3', '3.4', { kind: 'number', value: 3.4 }],
        ['floor-4', 'pack 6.4', { kind: 'packVolts', value: 6.4 }],
      ]),
    ],
  };
}

const oneKey = (afterStore: OneKeyMedium['afterStore']): OneKeyMedium => ({
  family: 'oneKey',
  keyName: 'set',
  enterHoldMs: 1000,
  openHoldMs: 2500,
  storeHoldMs: 2500,
  idleTimeoutMs: 20000,
  menuLamp: 'amber',
  valueLamp: 'white',
  afterStore,
});

/** The small ESC, one that stays in its menu after a value. */
export const stayingProfile = (): EscProfile => ({ ...smallProfile(), media: [oneKey('menu')] });

const LAMP_CARD: LampCardMedium = {
  family: 'lampCard',
  itemKeyName: 'item',
  valueKeyName: 'value',
  okKeyName: 'ok',
  resetKeyName: 'reset',
  wakeMs: 800,
  resetHoldMs: 3000,
  itemLamps: 'lines',
  valueLamps: 'row',
};

/** The small ESC with a lamp card instead of a key menu. */
export const cardProfile = (): EscProfile => ({ ...smallProfile(), media: [LAMP_CARD] });

const STICK_TONES: StickTonesMedium = {
  family: 'stickTones',
  itemWindowMs: 3000,
  valueWindowMs: 2000,
  valueRounds: 2,
  itemNotes: ['lh', 'lhh', 'llh', 'llhh'],
  stopNotes: ['hl', 'hll', 'hhl', 'hhll', 'hhhl'],
  exitNotes: 'LL',
  toggledItemIds: [],
};

/** The small ESC with a key pad that has a key for each item, and takes digits as they are printed. */
export const ownKeyProfile = (): EscProfile => {
  const small = smallProfile();
  return {
    ...small,
    media: [
      {
        family: 'keyPad',
        programKeyName: 'program',
        featureKeyName: 'feature',
        enterKeyName: 'enter',
        runKeyName: 'run',
        chosenBy: 'ownKey',
        digits: 2,
      },
    ],
    items: small.items.map((item) => ({
      ...item,
      typed: item.id.toUpperCase(),
      stops: item.stops.map((stop) => ({ ...stop, typed: TYPED[stop.id] ?? null })),
    })),
  };
};

const TYPED: Readonly<Record<string, string>> = { 'bite-3': '65', 'floor-2': '031', 'floor-3': '034' };

const AT_REST = {
  lamp: 'amber',
  leastSpanMicros: 150,
  wrongOrder: 'learnedReversed',
  holdMs: 2000,
  steadyMs: 1000,
  steadyToleranceMicros: 6,
  windowMs: 15000,
} as const;

/** The small ESC that takes a point when the throttle is held still there (family B). */
export const heldStillProfile = (change: Partial<HeldStillCalibration> = {}): EscProfile => ({
  ...smallProfile(),
  calibration: {
    family: 'heldStill',
    keyName: 'mode',
    order: 'neutralForwardBrake',
    afterwards: 'restartsItself',
    ...AT_REST,
    ...change,
  },
});

/** The small ESC that counts its points in beeps, brake first (family C). */
export const countedPointsProfile = (change: Partial<CountedPointsCalibration> = {}): EscProfile => ({
  ...smallProfile(),
  calibration: {
    family: 'countedPoints',
    keyName: 'teach',
    order: 'brakeForwardNeutral',
    afterwards: 'restartByHand',
    ...AT_REST,
    ...change,
  },
});

/** The small ESC set with the stick: two end points, and a menu of tones behind them. */
export const toneProfile = (): EscProfile => ({
  ...smallProfile(),
  factoryRange: { brakeMicros: 1100, neutralMicros: 1100, forwardMicros: 1900 },
  calibration: {
    family: 'stickAtPowerOn',
    highFromMicros: 1700,
    lowToMicros: 1300,
    windowMs: 5000,
    steadyMs: 1000,
  },
  media: [STICK_TONES],
});

/** The small ESC with a menu of tones whose first item toggles, while the others open their stops. */
export const mixedToneProfile = (): EscProfile => ({
  ...toneProfile(),
  media: [{ ...STICK_TONES, toggledItemIds: ['way'] }],
});

function item(
  id: string,
  number: number,
  setting: ProfileItem['setting'],
  factoryStopId: string,
  stops: [string, string, ProfileItem['stops'][number]['value']][],
): ProfileItem {
  return {
    id,
    number,
    label: id,
    setting,
    scale: 'named',
    sense: id === 'leap' ? 'inverted' : 'direct',
    factoryStopId,
    stops: stops.map(([stopId, label, value], index) => ({
      id: stopId,
      number: index + 1,
      label,
      value,
      basis: 'stated',
      typed: null,
    })),
    ...UNTIED,
  };
}

/** Any of them with an item more, on whose second stop it learns no other range. */
export const withLock = (profile: EscProfile): EscProfile => ({
  ...profile,
  items: [
    ...profile.items,
    item('lock', profile.items.length + 1, 'calibrationLock', 'lock-1', [
      ['lock-1', 'free', { kind: 'choice', choice: 'on' }],
      ['lock-2', 'fixed', { kind: 'choice', choice: 'off' }],
    ]),
  ],
});
