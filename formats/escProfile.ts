import * as yup from 'yup';
import type { EscProfile } from '#core/esc/profile';
import { VOCABULARY, type SettingId, type SettingValue } from '#core/settings/vocabulary';
import { between, idField, keyOf, listOf, nameField, oneOf, record, whole } from './fields';
import { learnedRangeSchema } from './radio';

/** A setting value: which fields it has depends on its kind. */
const settingValue = yup.lazy((value: unknown): yup.ObjectSchema<SettingValue> => {
  switch ((value as { kind?: unknown } | null | undefined)?.kind) {
    case 'off':
      return record({ kind: oneOf(['off'] as const) });
    case 'number':
      return record({ kind: oneOf(['number'] as const), value: between(-1000, 100000, '') });
    case 'packVolts':
      return record({ kind: oneOf(['packVolts'] as const), value: between(0, 200, 'V') });
    case 'choice':
      return record({ kind: oneOf(['choice'] as const), choice: idField() });
    default:
      return record({
        kind: oneOf(['off', 'number', 'packVolts', 'choice'] as const),
      }) as yup.ObjectSchema<never>;
  }
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
  calibration: record({
    family: oneOf(['keyConfirmed'] as const),
    holdAtPowerOnMs: hold,
    leastSpanMicros: between(10, 500, 'µs'),
  }),
  medium: record({
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
  items: listOf(item, 1, 100),
});
