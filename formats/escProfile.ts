import { POINT_ORDERS, type EndPointFamily, type Medium, type Notes, type PointOrder } from '#core/esc/media';
import {
  BEC_KINDS,
  LAUNCH_LIMIT_LAWS,
  MODEL_FACTS,
  type BecKind,
  type Condition,
  type EscProfile,
  type LaunchLimitLaw,
  type ModelFact,
} from '#core/esc/profile';
import { SCALES, scalesOf, type Scale } from '#core/esc/scale';
import { VOCABULARY, type SettingId } from '#core/settings/vocabulary';
import { type SettingValue } from '#core/settings/setting';
import type * as yup from 'yup';
import {
  between,
  idField,
  keyOf,
  listOf,
  nameField,
  oneOf,
  record,
  stopByItem,
  textField,
  variants,
  whole,
  yesNo,
} from './fields';
import { learnedRangeSchema, pulse } from './radio';
import { part, type Upgrade } from './upgrade';

/** Input and output, % each. */
const curvePoint = listOf(between(0, 100, '%'), 2, 2) as unknown as yup.Schema<[number, number]>;

/** A setting value: which fields it has depends on its kind. */
export const settingValue = variants<SettingValue, 'kind'>('kind', {
  off: record({ kind: oneOf(['off'] as const) }),
  number: record({ kind: oneOf(['number'] as const), value: between(-1000, 100000, '') }),
  packVolts: record({ kind: oneOf(['packVolts'] as const), value: between(0, 200, 'V') }),
  choice: record({ kind: oneOf(['choice'] as const), choice: idField() }),
  curve: record({ kind: oneOf(['curve'] as const), points: listOf(curvePoint, 1, 11) }),
  label: record({ kind: oneOf(['label'] as const) }),
});

const stop = record({
  id: idField(),
  number: whole(1, 500),
  label: nameField(),
  value: settingValue,
  basis: oneOf(['stated', 'assumed', 'measured'] as const),
  typed: nameField()
    .matches(/^\d{1,6}$/, 'may hold digits only, six at most')
    .nullable()
    .defined(),
});

const stopIds = (): yup.ISchema<string[]> => listOf(idField(), 1, 500);

const condition = variants<Condition, 'kind'>('kind', {
  stops: record({ kind: oneOf(['stops'] as const), itemId: idField(), stopIds: stopIds() }) as never,
  model: record({ kind: oneOf(['model'] as const), fact: keyOf<ModelFact>(MODEL_FACTS) }),
});

const overwrite = record({ stopId: idField(), sets: stopByItem() });

const item = record({
  id: idField(),
  number: whole(1, 200),
  label: nameField(),
  setting: keyOf<SettingId>(VOCABULARY),
  scale: keyOf<Scale>(SCALES),
  sense: oneOf(['direct', 'inverted'] as const),
  factoryStopId: idField(),
  stops: listOf(stop, 1, 500),
  numberField: record({
    firstStopId: idField(),
    lastStopId: idField(),
    beginsStopId: idField(),
    unlockedByHold: yesNo(),
  })
    .nullable()
    .defined(),
  freeCurve: record({ points: whole(2, 11) })
    .nullable()
    .defined(),
  typed: nameField().nullable().defined(),
  inactiveWhen: listOf(condition, 0, 20),
  overwrites: listOf(overwrite, 0, 200),
  renumbersMenu: yesNo(),
  switchedOffBy: record({ itemId: idField(), stopId: idField() }).nullable().defined(),
  existsWhile: listOf(record({ itemId: idField(), stopIds: stopIds() }), 0, 5),
  alsoSets: record({
    setting: keyOf<SettingId>(VOCABULARY),
    values: listOf(record({ stopId: idField(), value: settingValue }), 1, 500),
  })
    .nullable()
    .defined(),
  commandStopIds: listOf(idField(), 0, 100),
});

const hold = between(100, 20000, 'ms');
const timeWindow = between(300, 60000, 'ms');

/** A group of notes: l and h short, L and H long, low and high. */
const notes = (): yup.StringSchema<Notes> =>
  nameField().matches(
    /^[lhLH]{1,16}$/,
    'may hold only l, h, L and H: short and long notes, low and high, sixteen at most',
  );

/** How a number is unlocked and run on keys with text. */
const numberKeys = { numberHoldMs: hold, numberStepMs: between(20, 5000, 'ms') };

const medium = variants<Medium, 'family'>('family', {
  oneKey: record({
    family: oneOf(['oneKey'] as const),
    keyName: nameField(),
    enterHoldMs: hold,
    openHoldMs: hold,
    storeHoldMs: hold,
    idleTimeoutMs: between(1000, 600000, 'ms'),
    menuLamp: nameField(),
    valueLamp: nameField(),
    afterStore: oneOf(['restart', 'menu'] as const),
  }),
  lampCard: record({
    family: oneOf(['lampCard'] as const),
    itemKeyName: nameField(),
    valueKeyName: nameField(),
    okKeyName: nameField(),
    resetKeyName: nameField(),
    wakeMs: between(0, 20000, 'ms'),
    resetHoldMs: hold,
    itemLamps: nameField(),
    valueLamps: nameField(),
  }),
  stickTones: record({
    family: oneOf(['stickTones'] as const),
    itemWindowMs: timeWindow,
    valueWindowMs: timeWindow,
    valueRounds: whole(1, 10),
    itemNotes: listOf(notes(), 1, 100),
    stopNotes: listOf(notes(), 1, 200),
    exitNotes: notes(),
    toggledItemIds: listOf(idField(), 0, 100),
  }),
  stickToggle: record({
    family: oneOf(['stickToggle'] as const),
    itemWindowMs: timeWindow,
    itemNotes: listOf(notes(), 1, 100),
    exitNotes: notes(),
  }),
  twoKeys: record({
    family: oneOf(['twoKeys'] as const),
    itemKeyName: nameField(),
    valueKeyName: nameField(),
    itemLamps: nameField(),
    valueLamps: nameField(),
    storeWaitMs: timeWindow,
    idleTimeoutMs: between(1000, 600000, 'ms'),
  }),
  textBox: record({
    family: oneOf(['textBox'] as const),
    plug: textField(),
    previousKeyName: nameField(),
    nextKeyName: nameField(),
    lowerKeyName: nameField(),
    raiseKeyName: nameField(),
    saveKeyName: nameField(),
    wakeMs: between(0, 20000, 'ms'),
    ...numberKeys,
  }),
  keyPad: record({
    family: oneOf(['keyPad'] as const),
    programKeyName: nameField(),
    featureKeyName: nameField(),
    enterKeyName: nameField(),
    runKeyName: nameField(),
    chosenBy: oneOf(['code', 'ownKey'] as const),
    digits: whole(1, 6),
  }),
  transmitterMenu: record({
    family: oneOf(['transmitterMenu'] as const),
    menuKeyName: nameField(),
    previousKeyName: nameField(),
    nextKeyName: nameField(),
    lowerKeyName: nameField(),
    raiseKeyName: nameField(),
    saveKeyName: nameField(),
    confirmedItemIds: listOf(idField(), 0, 100),
    ...numberKeys,
  }),
  link: record({ family: oneOf(['link'] as const), plug: textField() }),
  programForm: record({
    family: oneOf(['programForm'] as const),
    plug: textField(),
    pages: listOf(record({ title: nameField(), itemIds: listOf(idField(), 0, 100) }), 0, 30),
    sendName: nameField(),
    readName: nameField(),
  }),
});

const threePoints = {
  keyName: nameField(),
  lamp: nameField(),
  order: keyOf<PointOrder>(POINT_ORDERS),
  leastSpanMicros: between(10, 500, 'µs'),
  wrongOrder: oneOf(['learnedReversed', 'refused'] as const),
  afterwards: oneOf(['restartByHand', 'restartsItself'] as const),
};

const takenAtRest = {
  ...threePoints,
  holdMs: hold,
  steadyMs: timeWindow,
  steadyToleranceMicros: between(0, 50, 'µs'),
  windowMs: timeWindow,
};

const calibration = variants<EndPointFamily, 'family'>('family', {
  keyConfirmed: record({
    family: oneOf(['keyConfirmed'] as const),
    ...threePoints,
    holdAtPowerOnMs: hold,
  }),
  heldStill: record({ family: oneOf(['heldStill'] as const), ...takenAtRest }),
  countedPoints: record({ family: oneOf(['countedPoints'] as const), ...takenAtRest }),
  none: record({ family: oneOf(['none'] as const), reason: oneOf(['digital', 'locked'] as const) }),
  stickAtPowerOn: record({
    family: oneOf(['stickAtPowerOn'] as const),
    highFromMicros: pulse,
    lowToMicros: pulse,
    windowMs: timeWindow,
    steadyMs: timeWindow,
  }),
});

/** An ESC profile as a document; what its parts mean together is checked by `validateProfile`. */
export const escProfileSchema: yup.ObjectSchema<EscProfile> = record({
  id: idField(),
  revision: whole(1, 1000000),
  name: nameField(),
  limits: record({
    minCells: whole(1, 30),
    maxCells: whole(1, 30),
    continuousAmps: between(0.1, 2000, 'A'),
    burstAmps: between(0.1, 5000, 'A'),
    bridgeOhm: between(0, 1, 'Ω'),
    becContinuousAmps: between(0, 100, 'A'),
    becKind: keyOf<BecKind>(BEC_KINDS),
    becLeastVolts: between(0, 30, 'V'),
    becMostVolts: between(0, 30, 'V'),
    temperatureLimitC: between(40, 200, '°C').nullable().defined(),
  }),
  bootMs: between(0, 20000, 'ms'),
  factoryRange: learnedRangeSchema,
  deadbandMicrosEachSide: between(0, 300, 'µs'),
  launchLimitActs: keyOf<LaunchLimitLaw>(LAUNCH_LIMIT_LAWS).nullable().defined(),
  fullSignalShows: textField().nullable().defined(),
  calibration,
  media: listOf(medium, 1, 4),
  items: listOf(item, 1, 300),
  banks: record({ itemId: idField(), fixedStopIds: listOf(idField(), 0, 20) })
    .nullable()
    .defined(),
});

/** Version 2: a list of media instead of one; the calibration names its own key and lamp. */
export const escProfileUpgrades: readonly Upgrade[] = [
  ({ medium: only, calibration: before, ...rest }) => ({
    ...rest,
    calibration: { ...part(before), keyName: part(only).keyName, lamp: part(only).menuLamp },
    media: [only],
  }),
  (body) => ({
    ...body,
    limits: withBec(part(body.limits), list(body.items)),
    items: list(body.items).map(itemToVersion3),
  }),
  (body) => ({ ...body, calibration: calibrationToVersion4(part(body.calibration)) }),
  (body) => body,
  (body) => escProfileToVersion6(body),
  (body) => escProfileToVersion7(body),
  (body) => escProfileToVersion8(body),
  (body) => body,
  (body) => body,
];

/** Version 6: how a launch limit acts may be said; what was there before did not say. */
export const escProfileToVersion6 = (profile: Record<string, unknown>): Record<string, unknown> => ({
  launchLimitActs: null,
  ...profile,
});

/** Version 7: what the ESC shows at full signal may be said; it may be set by a form in another program. */
export const escProfileToVersion7 = (profile: Record<string, unknown>): Record<string, unknown> => ({
  fullSignalShows: null,
  ...profile,
});

/**
 * Version 8: numbers among the stops, what is typed for an item, keys of items, toggles in a menu that opens others.
 * What is typed for a stop stands there as it is typed, zeros in front and all.
 */
export function escProfileToVersion8(profile: Record<string, unknown>): Record<string, unknown> {
  const media = list(profile.media).map((unchecked) => {
    const before = part(unchecked);
    const added = ADDED_IN_8[String(before.family)];
    return { ...added, ...before };
  });
  const digits = Number(part(media.find((medium) => part(medium).family === 'keyPad')).digits ?? 0);
  const items = list(profile.items).map((unchecked) => {
    const item = part(unchecked);
    const stops = list(item.stops).map((stop) => {
      const { typed } = part(stop);
      return typeof typed === 'string' ? { ...part(stop), typed: typed.padStart(digits, '0') } : stop;
    });
    return {
      numberField: null,
      freeCurve: null,
      typed: null,
      existsWhile: [],
      alsoSets: null,
      commandStopIds: [],
      ...item,
      stops,
    };
  });
  return { banks: null, ...profile, media, items };
}

const USUAL_NUMBER_KEYS = { numberHoldMs: 1500, numberStepMs: 150 };
const ADDED_IN_8: Readonly<Record<string, Record<string, unknown>>> = {
  stickTones: { toggledItemIds: [] },
  textBox: USUAL_NUMBER_KEYS,
  transmitterMenu: USUAL_NUMBER_KEYS,
  keyPad: { chosenBy: 'code' },
};

/** Version 4: three points may come in other orders; what was there before took neutral first. */
const calibrationToVersion4 = (calibration: Record<string, unknown>): Record<string, unknown> =>
  calibration.family === 'keyConfirmed'
    ? {
        order: 'neutralForwardBrake',
        wrongOrder: 'learnedReversed',
        afterwards: 'restartByHand',
        ...calibration,
      }
    : calibration;

/** Version 3: an item says its scale and what it depends on; limits tell of BEC and heat. */
function itemToVersion3(unchecked: unknown): unknown {
  const item = part(unchecked);
  const setting = Object.hasOwn(VOCABULARY, String(item.setting))
    ? VOCABULARY[item.setting as SettingId]
    : undefined;
  return {
    scale: (setting && scalesOf(setting)[0]) ?? 'named',
    inactiveWhen: [],
    overwrites: [],
    renumbersMenu: false,
    switchedOffBy: null,
    ...item,
    stops: list(item.stops).map((stop) => ({ typed: null, ...part(stop) })),
  };
}

function withBec(limits: Record<string, unknown>, items: unknown[]): Record<string, unknown> {
  const bec = items.map(part).find(({ setting }) => setting === 'becVolts');
  const volts = list(bec?.stops).flatMap((stop) => {
    const { value } = part(part(stop).value);
    return typeof value === 'number' ? [value] : [];
  });
  const hasBec = limits.becContinuousAmps !== 0;
  return {
    becKind: hasBec ? 'switching' : 'none',
    becLeastVolts: hasBec ? Math.min(...volts, USUAL_BEC_VOLTS) : 0,
    becMostVolts: hasBec ? (volts.length > 0 ? Math.max(...volts) : USUAL_BEC_VOLTS) : 0,
    temperatureLimitC: null,
    ...limits,
  };
}

/** What a BEC gives that cannot be set. */
const USUAL_BEC_VOLTS = 6;

const list = (value: unknown): unknown[] => (Array.isArray(value) ? (value as unknown[]) : []);
