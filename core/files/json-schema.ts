import * as yup from 'yup';

/** JSON Schema (draft 2020-12) of a Yup schema, so that the published formats cannot drift from what the code checks. */

type Json = Record<string, unknown>;

interface Described {
  type: string;
  optional?: boolean;
  oneOf?: unknown[];
  tests?: { name?: string; params?: Record<string, unknown> }[];
}

const bound = (described: Described, name: string, key: string): number | undefined =>
  described.tests?.find((t) => t.name === name && t.params?.[key] !== undefined)?.params?.[key] as number | undefined;

function withoutUndefined(json: Json): Json {
  return Object.fromEntries(Object.entries(json).filter(([, v]) => v !== undefined));
}

function numberSchema(described: Described): Json {
  const integer = described.tests?.some((t) => t.name === 'integer');
  return withoutUndefined({
    type: integer ? 'integer' : 'number',
    minimum: bound(described, 'min', 'min'),
    maximum: bound(described, 'max', 'max'),
    exclusiveMinimum: bound(described, 'min', 'more'),
  });
}

/** Converts one schema. Tests that JSON Schema cannot say (sums, order, references) stay with the code. */
export function toJsonSchema(schema: yup.AnySchema): Json {
  const described = schema.describe() as unknown as Described;
  if (schema instanceof yup.ObjectSchema) {
    const fields = schema.fields as Record<string, yup.AnySchema>;
    const required = Object.entries(fields)
      .filter(([, f]) => 'spec' in f && f.spec.optional === false)
      .map(([name]) => name);
    return withoutUndefined({
      type: 'object',
      properties: Object.fromEntries(Object.entries(fields).map(([name, f]) => [name, toJsonSchema(f)])),
      required: required.length > 0 ? required : undefined,
      additionalProperties: false,
    });
  }
  if (schema instanceof yup.ArraySchema) {
    const inner = schema.innerType as yup.AnySchema | undefined;
    return withoutUndefined({
      type: 'array',
      items: inner ? toJsonSchema(inner) : {},
      minItems: bound(described, 'min', 'min'),
      maxItems: bound(described, 'max', 'max'),
    });
  }
  if (described.type === 'tuple') {
    const types = (schema as unknown as { spec: { types: yup.AnySchema[] } }).spec.types;
    return { type: 'array', prefixItems: types.map(toJsonSchema), items: false, minItems: types.length };
  }
  if (described.type === 'number') return numberSchema(described);
  if (described.type === 'boolean') return { type: 'boolean' };
  if (described.type === 'string')
    return withoutUndefined({
      type: 'string',
      enum: described.oneOf && described.oneOf.length > 0 ? described.oneOf : undefined,
      minLength: bound(described, 'min', 'min'),
      maxLength: bound(described, 'max', 'max'),
    });
  // a lazy schema: named values whose names are data
  return { type: 'object', additionalProperties: { type: 'string' } };
}

/** A whole file format, with its name and what it is. */
export const formatSchema = (title: string, description: string, schema: yup.AnySchema): Json => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title,
  description,
  ...toJsonSchema(schema),
});
