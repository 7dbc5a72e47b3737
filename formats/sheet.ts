import { MEDIUM_WORDS, type MediumFamily } from '#core/esc/media';
import type { Sheet, SheetValue } from '#core/sheet/sheet';
import { EVIDENCE, type EvidenceBasis } from '#core/sheet/evidence';
import * as yup from 'yup';
import { idField, instant, keyOf, listOf, nameField, record, textField, whole } from './fields';
import type { Upgrade } from './upgrade';

const value: yup.ObjectSchema<SheetValue> = record({
  itemId: idField(),
  itemNumber: whole(1, 200),
  itemLabel: nameField(),
  stopId: idField().nullable().defined(),
  stopNumber: whole(1, 200).nullable().defined(),
  stopLabel: nameField().nullable().defined(),
  basis: keyOf<EvidenceBasis>(EVIDENCE),
  seenAt: instant(),
});

/** A sheet as a document. */
export const sheetSchema: yup.ObjectSchema<Sheet> = record({
  id: idField(),
  rigName: nameField(),
  profileId: idField(),
  profileRevision: whole(1, 1000000),
  profileName: nameField(),
  keptAt: instant(),
  medium: keyOf<MediumFamily>(MEDIUM_WORDS).nullable().defined(),
  values: listOf(value, 1, 100),
  changedItemIds: yup.array().of(idField()).strict().required('is missing').max(100),
  note: textField(),
});

/** Version 2: a sheet says by which medium it was loaded. Since then nothing has changed for sheets. */
export const sheetUpgrades: readonly Upgrade[] = [
  (body) => ({ medium: null, ...body }),
  (body) => body,
  (body) => body,
];
