/**
 * JSON Schema 2020-12 of the open documents, made from the Yup schemas that the application itself reads with,
 * so that the published schema cannot say something else. What Yup checks across fields stays with Yup.
 */
import * as yup from 'yup';
import { FORMATS, VERSION, type Format } from './document';
import { alternativesOf, entriesOf } from './fields';

export type JsonSchema = Readonly<Record<string, unknown>>;

/** The schema of a format's newest version. */
export function jsonSchemaOf(format: Format): JsonSchema {
  const { properties, required, ...rest } = objectSchema(FORMATS[format].schema);
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    $id: `urn:live-tune:${format.replace('live-tune/', '')}:${VERSION}`,
    title: format,
    ...rest,
    properties: { format: { const: format }, version: { const: VERSION }, ...properties },
    required: ['format', 'version', ...required],
  };
}

function schemaOf(schema: object): JsonSchema {
  const entries = entriesOf(schema);
  if (entries) return { type: 'object', additionalProperties: stringSchema(entries) };
  const alternatives = alternativesOf(schema);
  if (alternatives) return { oneOf: alternatives.map((alternative) => schemaOf(alternative)) };
  const plain = plainSchema(schema as yup.Schema);
  return (schema as yup.Schema).spec.nullable ? { anyOf: [plain, { type: 'null' }] } : plain;
}

function plainSchema(schema: yup.Schema): JsonSchema {
  if (schema instanceof yup.ObjectSchema) return objectSchema(schema as yup.ObjectSchema<object>);
  if (schema instanceof yup.ArraySchema)
    return arraySchema(schema as yup.ArraySchema<unknown[] | undefined, yup.AnyObject>);
  if (schema instanceof yup.BooleanSchema) return { type: 'boolean' };
  if (schema instanceof yup.NumberSchema) return numberSchema(schema);
  return stringSchema(schema);
}

function objectSchema(schema: yup.ObjectSchema<object>) {
  const fields = Object.entries(schema.fields as Record<string, object>);
  return {
    type: 'object',
    properties: Object.fromEntries(fields.map(([key, field]) => [key, schemaOf(field)])),
    required: fields.filter(([, field]) => !isOptional(field)).map(([key]) => key),
    additionalProperties: false,
  };
}

/** A variant is asked for whatever it is; anything else says so itself. */
const isOptional = (field: object): boolean =>
  alternativesOf(field) === undefined &&
  entriesOf(field) === undefined &&
  (field as yup.Schema).spec.optional;

function arraySchema(schema: yup.ArraySchema<unknown[] | undefined, yup.AnyObject>): JsonSchema {
  return {
    type: 'array',
    items: schemaOf(schema.innerType as object),
    ...limits(schema, { min: 'minItems', max: 'maxItems' }),
  };
}

function numberSchema(schema: yup.Schema): JsonSchema {
  const { minimum, maximum, unit, integer } = metaOf(schema);
  return {
    type: integer ? 'integer' : 'number',
    minimum,
    maximum,
    ...(typeof unit === 'string' && unit !== '' ? { description: `in ${unit}` } : {}),
  };
}

function stringSchema(schema: yup.Schema): JsonSchema {
  const { tests, oneOf } = schema.describe();
  if (oneOf.length > 0) return { enum: oneOf };
  const pattern = tests.find(({ name }) => name === 'matches')?.params?.regex as RegExp | undefined;
  const mustSay = tests.some(({ name }) => name === 'required') || !schema.spec.optional;
  const { format } = metaOf(schema);
  return {
    type: 'string',
    ...(mustSay && pattern === undefined && isNeverEmpty(schema) ? { minLength: 1 } : {}),
    ...limits(schema, { max: 'maxLength' }),
    ...(pattern ? { pattern: pattern.source } : {}),
    ...(format ? { format } : {}),
  };
}

/** Whether the empty text is refused: what `required` does, and `defined` does not. */
const isNeverEmpty = (schema: yup.Schema): boolean => !schema.isValidSync('');

function limits(schema: yup.Schema, words: Partial<Record<'min' | 'max', string>>): JsonSchema {
  const { tests } = schema.describe();
  return Object.fromEntries(
    tests.flatMap(({ name, params }) => {
      const word = name === 'min' || name === 'max' ? words[name] : undefined;
      return word ? [[word, params?.[name!]] as const] : [];
    }),
  );
}

const metaOf = (schema: yup.Schema): Record<string, unknown> =>
  (schema.spec.meta ?? {}) as Record<string, unknown>;
