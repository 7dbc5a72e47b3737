import { SURFACES, type Surface } from '#core/advice/goals';
import { READ_FROM, READINGS, type Reading, type ReadFrom, type ReadingId } from '#core/runs/readings';
import { FELT, type Felt, type Run, type RunNote } from '#core/runs/run';
import { MOMENTS } from '#core/settings/moments';
import { TROUBLES, type TroubleId } from '#core/triage/symptoms';
import type { LogMeta } from '#core/runs/log/meta';
import { logMetaSchema } from './keptLog';
import * as yup from 'yup';
import {
  between,
  idField,
  instant,
  keyOf,
  listOf,
  nameField,
  oneOf,
  record,
  textField,
  whole,
} from './fields';
import { handValues } from './handValues';
import { conditionsSchema } from './setUp';
import { sheetValue } from './sheet';

const LONGEST_LINE = 200;
const line = (): yup.StringSchema<string> =>
  textField().max(LONGEST_LINE, `is longer than ${LONGEST_LINE} characters`);

const reading = record({
  kind: keyOf<ReadingId>(READINGS),
  value: yup.number().strict().required('is missing'),
  from: keyOf<ReadFrom>(READ_FROM),
}).test('reading', 'is out of bounds', (one, context) => {
  const { kind, value } = one;
  if (!Object.hasOwn(READINGS, kind) || typeof value !== 'number') return true;
  const { least, most, unit, name } = READINGS[kind];
  if (value >= least && value <= most) return true;
  return context.createError({
    message: `${name} is ${value}; it must be between ${least} and ${most} ${unit}`,
  });
}) as unknown as yup.ObjectSchema<Reading>;

const felt = record(
  Object.fromEntries(Object.keys(MOMENTS).map((moment) => [moment, keyOf<Felt>(FELT).optional()])),
);

/** What a person says of a run. */
const note = {
  minutes: between(0.05, 600, 'min').nullable().defined(),
  pack: line(),
  felt,
  troubles: listOf(keyOf<TroubleId>(TROUBLES), 0, 20),
  readings: listOf(reading, 0, 30).test(
    'once',
    'has a number twice: one of each kind fits',
    (all) => new Set(all.map(({ kind }) => kind)).size === all.length,
  ),
  place: line(),
  surface: keyOf<Surface>(SURFACES).nullable().defined(),
  airCelsius: between(-40, 60, '°C').nullable().defined(),
  cooling: line(),
  words: textField(),
  leftOut: line(),
};
export const runNoteSchema = record(note) as unknown as yup.ObjectSchema<RunNote>;

const questionOfRun = record({ id: idField(), side: oneOf(['A', 'B'] as const) })
  .nullable()
  .defined();

/** A run as it is kept. */
export const runSchema = record({
  ...note,
  id: idField(),
  rigName: nameField(),
  drivenAt: instant(),
  profileId: idField(),
  profileRevision: whole(1, 1000000),
  profileName: nameField(),
  held: listOf(sheetValue, 1, 300),
  byHand: handValues,
  setUp: record({ id: idField(), name: nameField() }).nullable().defined(),
  calibratedAt: instant().nullable().defined(),
  conditions: conditionsSchema,
  question: questionOfRun,
}) as unknown as yup.ObjectSchema<Run>;

/** The log of a run within its file: what is known of it, and its packed samples in base 64. */
export interface LogInFile {
  meta: LogMeta;
  samples: string;
}

/** A run in a file. A log that is too long for a document goes beside it, as bytes. */
export interface RunFile {
  run: Run;
  log?: LogInFile | undefined;
}
export const runFileSchema = record({
  run: runSchema,
  log: record({ meta: logMetaSchema, samples: yup.string().strict().required('is missing') })
    .notRequired()
    .default(undefined),
}) as unknown as yup.ObjectSchema<RunFile>;

/** What a page sends of a run: the server adds what the ESC held. */
export const runToKeepSchema = record({
  id: idField(),
  drivenAt: instant(),
  note: runNoteSchema,
  byHand: handValues,
  question: questionOfRun,
});
