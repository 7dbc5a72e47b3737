import { MEDIA, type MediumFamily } from '#core/esc/media';
import type { Sheet, SheetValue } from '#core/sheet/sheet';
import { EVIDENCE, type EvidenceBasis } from '#core/sheet/evidence';
import * as yup from 'yup';
import { idField, instant, keyOf, listOf, nameField, record, textByKey, textField, whole } from './fields';
import { handValues } from './handValues';
import type { Upgrade } from './upgrade';

/** What an ESC held of one item, and how that was known. */
export const sheetValue: yup.ObjectSchema<SheetValue> = record({
  itemId: idField(),
  itemNumber: whole(1, 200),
  itemLabel: nameField(),
  stopId: idField().nullable().defined(),
  stopNumber: whole(1, 500).nullable().defined(),
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
  medium: keyOf<MediumFamily>(MEDIA).nullable().defined(),
  simulated: yup.boolean().strict().nullable().defined(),
  values: listOf(sheetValue, 1, 300),
  otherEscs: listOf(record({ escNumber: whole(2, 12), values: listOf(sheetValue, 1, 300) }), 0, 11),
  changedItemIds: yup.array().of(idField()).strict().required('is missing').max(300),
  byHand: handValues,
  setUp: record({ id: idField(), name: nameField() }).nullable().defined(),
  reasons: textByKey(),
  note: textField(),
});

/** Version 2: a sheet says by which medium it was loaded. Version 5: it says what the model and its radio had. Version 7: it
 * says whether the ESC was the simulated one. */
export const sheetUpgrades: readonly Upgrade[] = [
  (body) => ({ medium: null, ...body }),
  (body) => body,
  (body) => body,
  (body) => ({ setup: {}, ...body }),
  (body) => body,
  (body) => sheetToVersion7(body),
  (body) => sheetToVersion8(body),
  (body) => sheetToVersion9(body),
  (body) => body,
];

/** Version 9: it says for which set-up it was loaded, and why values were chosen; `setup` is called `byHand`. */
export const sheetToVersion9 = ({ setup, ...body }: Record<string, unknown>): Record<string, unknown> => ({
  byHand: setup,
  setUp: null,
  reasons: {},
  ...body,
});

/** Version 8: what other ESCs of the model held; nobody wrote it down before. */
export const sheetToVersion8 = (body: Record<string, unknown>): Record<string, unknown> => ({
  otherEscs: [],
  ...body,
});

/** Version 7: whether the ESC was the simulated one; of what was there before nobody wrote it down. */
export const sheetToVersion7 = (body: Record<string, unknown>): Record<string, unknown> => ({
  simulated: null,
  ...body,
});
