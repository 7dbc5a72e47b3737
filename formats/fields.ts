/** Yup fields that several documents share. Messages are sentences; the path is added where they are reported. */
import * as yup from 'yup';
import { LONGEST_REASON } from '#core/sheet/intents';
import { LONGEST_NAME, nameFault } from '#core/units/text';
import type { Quantity } from '#core/units/provenance';

const LONGEST_TEXT = 2000;

/** A finite number between two bounds, in a unit that the sentence names. */
export const between = (least: number, most: number, unit: string): yup.NumberSchema<number> =>
  yup
    .number()
    .strict()
    .typeError(({ originalValue }) => `must be a number, not ${JSON.stringify(originalValue)}`)
    .required('is missing')
    .meta({ minimum: least, maximum: most, unit })
    .test(
      'between',
      ({ value }) =>
        `is ${String(value)}; it must be between ${least} and ${most}${unit === '' ? '' : ` ${unit}`}`,
      (value: number | null | undefined) =>
        isMissing(value) || (Number.isFinite(value) && value >= least && value <= most),
    );

/** A whole number between two bounds. */
export const whole = (least: number, most: number): yup.NumberSchema<number> =>
  between(least, most, '')
    .meta({ integer: true })
    .test(
      'whole',
      'must be a whole number',
      (value: number | null | undefined) => isMissing(value) || Number.isInteger(value),
    );

/** What is missing is for `required`, `nullable` and `optional` to judge. */
const isMissing = (value: number | null | undefined): value is null | undefined =>
  value === null || value === undefined;

/** A name or label that is shown on one line. */
export const nameField = (): yup.StringSchema<string> =>
  yup
    .string()
    .strict()
    .typeError('must be text')
    .required('is missing')
    .max(LONGEST_NAME, `is longer than ${LONGEST_NAME} characters`)
    .test(
      'name',
      ({ value }) => nameFault(String(value)) ?? '',
      // What is missing is for `required` and `nullable` to judge.
      (value: string | null | undefined) => !value || nameFault(value) === undefined,
    );

/** Free text, may be empty. */
export const textField = (): yup.StringSchema<string> =>
  yup
    .string()
    .strict()
    .typeError('must be text')
    .defined('is missing')
    .max(LONGEST_TEXT, `is longer than ${LONGEST_TEXT} characters`);

/** A permanent id: letters, digits, dots, dashes and underscores. */
export const idField = (): yup.StringSchema<string> =>
  nameField().matches(/^[A-Za-z0-9._-]+$/, 'may hold only letters, digits, dots, dashes and underscores');

/** One of the keys of a table of words. */
export const keyOf = <K extends string>(table: Record<K, unknown>): yup.StringSchema<K> =>
  oneOf(Object.keys(table) as K[]);

/** One of a few words. */
export const oneOf = <K extends string>(values: readonly K[]): yup.StringSchema<K> =>
  yup
    .string<K>()
    .strict()
    .typeError('must be text')
    .required('is missing')
    .oneOf([...values], ({ value }) => `is ${JSON.stringify(value)}; it must be one of ${values.join(', ')}`);

/** True or false. */
export const yesNo = (): yup.BooleanSchema<boolean> => yup.boolean().strict().required('is missing');

/** A point in time, ISO 8601. */
export const instant = (): yup.StringSchema<string> =>
  yup
    .string()
    .strict()
    .typeError('must be text')
    .required('is missing')
    .meta({ format: 'date-time' })
    .test(
      'instant',
      'must be a point in time like 2026-05-01T10:00:00.000Z',
      // What is missing is for `required` and `nullable` to judge.
      (value: string | null | undefined) => !value || !Number.isNaN(Date.parse(value)),
    );

/** An object with exactly these fields. */
export const record = <T extends yup.ObjectShape>(fields: T) =>
  yup
    .object(fields)
    .strict()
    .noUnknown(({ unknown }) => `has fields that are not known here: ${String(unknown)}`)
    .typeError('must be an object')
    .required('is missing');

/** A list of things, with bounds on its length. */
export const listOf = <T>(entry: yup.ISchema<T, yup.AnyObject>, least: number, most: number) =>
  yup
    .array()
    .of(entry)
    .strict()
    .typeError('must be a list')
    .required('is missing')
    .min(least, `must have at least ${least}`)
    .max(most, `must have at most ${most}`);

/** Item ids, each with the id of a stop. */
export const stopByItem = (): yup.ISchema<Record<string, string>> => mapOf(idField());

/** Ids of items and keys of numbers, each with a text. */
export const textByKey = (): yup.ISchema<Readonly<Record<string, string>>> =>
  mapOf(textField().max(LONGEST_REASON, `is longer than ${LONGEST_REASON} characters`));

function mapOf(entry: yup.StringSchema<string>): yup.ISchema<Record<string, string>> {
  const schema = yup.lazy((map: unknown) =>
    record(Object.fromEntries(Object.keys((map as object | null) ?? {}).map((key) => [key, entry]))),
  ) as unknown as yup.ISchema<Record<string, string>>;
  MAPS.set(schema, entry);
  return schema;
}

/** The schemas of maps, each with that of its entries, for whoever describes them. */
const MAPS = new WeakMap<object, yup.StringSchema<string>>();

/** What the entries of a map are; undefined for any other schema. */
export const entriesOf = (schema: object): yup.StringSchema<string> | undefined => MAPS.get(schema);

/** The alternatives of a `variants` schema, for whoever describes it. */
const ALTERNATIVES = new WeakMap<object, readonly yup.ISchema<unknown>[]>();

/**
 * An object whose fields depend on the word in one of them.
 * @param key the field that tells which it is
 * @param records a schema for each word: one that is missing does not compile
 */
export function variants<T extends Record<K, string>, K extends string>(
  key: K,
  records: Record<T[K], yup.ObjectSchema<T>>,
): yup.Lazy<T> {
  const byWord: Record<string, yup.ObjectSchema<T>> = records;
  const unknown = record({ [key]: oneOf(Object.keys(records)) }) as unknown as yup.ObjectSchema<T>;
  const schema = yup.lazy((value: unknown) => {
    const word = (value as Record<string, unknown> | null | undefined)?.[key];
    return typeof word === 'string' && Object.hasOwn(byWord, word) ? byWord[word]! : unknown;
  });
  ALTERNATIVES.set(schema, Object.values(byWord));
  return schema as unknown as yup.Lazy<T>;
}

/** The schemas between which a `variants` schema chooses; undefined for any other. */
export const alternativesOf = (schema: object): readonly yup.ISchema<unknown>[] | undefined =>
  ALTERNATIVES.get(schema);

/** A number with its origin. */
export const quantity = (least: number, most: number, unit: string): yup.ObjectSchema<Quantity> =>
  record({
    value: between(least, most, unit),
    basis: oneOf(['measured', 'given', 'assumed', 'fitted'] as const),
    fit: record({
      runs: listOf(whole(1, 1_000_000), 1, 1000),
      within: between(0, 100, ''),
      together: listOf(nameField(), 0, 20),
      was: record({
        value: between(least, most, unit),
        basis: oneOf(['measured', 'given', 'assumed'] as const),
      }),
    })
      .notRequired()
      .default(undefined),
  }).test(
    'fit',
    'must say how it was fitted where its basis is “fitted”, and only there',
    // What is missing is for `required` to judge.
    (number: { basis?: string; fit?: unknown } | undefined) =>
      !number || (number.basis === 'fitted') === (number.fit !== undefined),
  ) as unknown as yup.ObjectSchema<Quantity>;
