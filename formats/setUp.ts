import { SURFACES, type Surface } from '#core/advice/goals';
import type { EscProfile } from '#core/esc/profile';
import { VEHICLE_CLASSES, type VehicleClass } from '#core/rig/vehicleClass';
import type { Conditions } from '#core/setUps/conditions';
import { SET_UP_ORIGINS, type SetUp, type SetUpOrigin, type SetUpValue } from '#core/setUps/setUp';
import { VOCABULARY, type SettingId } from '#core/settings/vocabulary';
import * as yup from 'yup';
import { escProfileSchema, settingValue } from './escProfile';
import {
  between,
  idField,
  instant,
  keyOf,
  listOf,
  nameField,
  record,
  textByKey,
  textField,
  whole,
} from './fields';
import { handValues } from './handValues';

const value = record({
  itemId: idField(),
  itemNumber: whole(1, 200),
  itemLabel: nameField(),
  stopId: idField(),
  stopNumber: whole(1, 500).nullable().defined(),
  stopLabel: nameField(),
  setting: keyOf<SettingId>(VOCABULARY),
  meaning: settingValue,
}) as unknown as yup.ObjectSchema<SetUpValue>;

export const conditionsSchema: yup.ObjectSchema<Conditions> = record({
  rigName: nameField(),
  vehicleClass: keyOf<VehicleClass>(VEHICLE_CLASSES),
  surface: keyOf<Surface>(SURFACES),
  kvRpmPerVolt: between(1, 100_000, 'rpm per volt'),
  packCells: whole(1, 20),
  massKg: between(0.01, 100, 'kg'),
  finalDrive: between(0.01, 200, ''),
});

/** A set-up as it is kept. */
export const setUpSchema = record({
  id: idField(),
  name: nameField(),
  isFor: textField(),
  by: textField(),
  note: textField(),
  origin: keyOf<SetUpOrigin>(SET_UP_ORIGINS),
  parentId: idField().nullable().defined(),
  madeAt: instant(),
  profileId: idField(),
  profileRevision: whole(1, 1000000),
  profileName: nameField(),
  values: listOf(value, 0, 300),
  byHand: handValues,
  reasons: textByKey(),
  conditions: conditionsSchema,
}) as unknown as yup.ObjectSchema<SetUp>;

/** A set-up in a file: its ESC profile comes along, so that it can be compared and translated anywhere. */
export interface SetUpFile {
  setUp: SetUp;
  escProfile?: EscProfile;
}

export const setUpFileSchema = record({
  setUp: setUpSchema,
  escProfile: escProfileSchema.notRequired().default(undefined),
}) as unknown as yup.ObjectSchema<SetUpFile>;
