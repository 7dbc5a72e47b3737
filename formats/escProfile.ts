import type { EndPointFamily, Medium, Notes } from '#core/esc/media';
import type { EscProfile } from '#core/esc/profile';
import { VOCABULARY, type SettingId, type SettingValue } from '#core/settings/vocabulary';
import type * as yup from 'yup';
import {
  between,
  idField,
  keyOf,
  listOf,
  nameField,
  oneOf,
  record,
  textField,
  variants,
  whole,
} from './fields';
import { learnedRangeSchema, pulse } from './radio';
import { part, type Upgrade } from './upgrade';

/** A setting value: which fields it has depends on its kind. */
const settingValue = variants<SettingValue>('kind', {
  off: record({ kind: oneOf(['off'] as const) }),
  number: record({ kind: oneOf(['number'] as const), value: between(-1000, 100000, '') }),
  packVolts: record({ kind: oneOf(['packVolts'] as const), value: between(0, 200, 'V') }),
  choice: record({ kind: oneOf(['choice'] as const), choice: idField() }),
});

const stop = record({
  id: idField(),
  number: whole(1, 200),
  label: nameField(),
  value: settingValue,
  basis: oneOf(['stated', 'assumed', 'measured'] as const),
});

const item = record({
  id: idField(),
  number: whole(1, 200),
  label: nameField(),
  setting: keyOf<SettingId>(VOCABULARY),
  sense: oneOf(['direct', 'inverted'] as const),
  factoryStopId: idField(),
  stops: listOf(stop, 1, 200),
});

const hold = between(100, 20000, 'ms');
const timeWindow = between(300, 60000, 'ms');

/** A group of notes: l and h short, L and H long, low and high. */
const notes = (): yup.StringSchema<Notes> =>
  nameField().matches(
    /^[lhLH]{1,16}$/,
    'may hold only l, h, L and H: short and long notes, low and high, sixteen at most',
  );

const medium = variants<Medium>('family', {
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
  }),
  link: record({ family: oneOf(['link'] as const), plug: textField() }),
});

const calibration = variants<EndPointFamily>('family', {
  keyConfirmed: record({
    family: oneOf(['keyConfirmed'] as const),
    keyName: nameField(),
    lamp: nameField(),
    holdAtPowerOnMs: hold,
    leastSpanMicros: between(10, 500, 'µs'),
  }),
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
  }),
  bootMs: between(0, 20000, 'ms'),
  factoryRange: learnedRangeSchema,
  deadbandMicrosEachSide: between(0, 300, 'µs'),
  calibration,
  media: listOf(medium, 1, 4),
  items: listOf(item, 1, 100),
});

/** Version 2: a list of media instead of one; the calibration names its own key and lamp. */
export const escProfileUpgrades: readonly Upgrade[] = [
  ({ medium: only, calibration: before, ...rest }) => ({
    ...rest,
    calibration: { ...part(before), keyName: part(only).keyName, lamp: part(only).menuLamp },
    media: [only],
  }),
];
