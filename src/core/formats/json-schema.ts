import type { Schema, SchemaDescription } from 'yup';
import { assemblySchema } from '../assembly';
import { intentSchema } from '../wiring';

type Json = Readonly<Record<string, unknown>>;

/** What `describe()` gives, of all kinds at once. */
interface Description extends Omit<SchemaDescription, 'type'> {
  readonly type: string;
  readonly fields?: Readonly<Record<string, Description>>;
  readonly innerType?: Description;
}

const param = (
  { tests }: Description,
  name: string,
  key: string,
): { readonly value: unknown } | undefined => {
  const test = tests.find((each) => each.name === name && each.params?.[key] !== undefined);
  return test && { value: test.params?.[key] };
};

const bound = (name: string, found: { readonly value: unknown } | undefined): Json =>
  found ? { [name]: found.value } : {};

/** A required string or list may not be empty, as Yup has it. */
const isRequired = (each: Description): boolean => !each.optional;

function convert(each: Description): Json {
  switch (each.type) {
    case 'object': {
      const fields = Object.entries(each.fields ?? {});
      if (fields.length === 0) return { type: 'object' };
      const required = fields
        .filter(([, field]) => isRequired(field) && field.type !== 'lazy')
        .map(([name]) => name);
      return {
        type: 'object',
        properties: Object.fromEntries(fields.map(([name, field]) => [name, convert(field)])),
        ...(required.length > 0 ? { required } : {}),
        additionalProperties: false,
      };
    }
    case 'array':
      return {
        type: 'array',
        ...(each.innerType ? { items: convert(each.innerType) } : {}),
        ...bound('minItems', param(each, 'min', 'min')),
        ...bound('maxItems', param(each, 'max', 'max')),
      };
    case 'string': {
      const pattern = param(each, 'matches', 'regex')?.value;
      return {
        type: 'string',
        ...(each.oneOf.length > 0 ? { enum: each.oneOf } : {}),
        ...(isRequired(each) ? { minLength: 1 } : {}),
        ...bound('maxLength', param(each, 'max', 'max')),
        ...(pattern instanceof RegExp ? { pattern: pattern.source } : {}),
      };
    }
    case 'number':
      return {
        type: 'number',
        ...(each.oneOf.length > 0 ? { enum: each.oneOf } : {}),
        ...bound('minimum', param(each, 'min', 'min')),
        ...bound('exclusiveMinimum', param(each, 'min', 'more')),
        ...bound('maximum', param(each, 'max', 'max')),
      };
    case 'boolean':
      return { type: 'boolean' };
    case 'lazy':
      return { type: 'object', additionalProperties: { type: 'string', minLength: 1, maxLength: 60 } };
    default:
      return {};
  }
}

const document = (title: string, body: Json): Json => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title,
  ...body,
});
const shape = (schema: Pick<Schema, 'describe'>): Json =>
  convert(schema.describe() as unknown as Description);

/** The shapes of Antler's documents as JSON Schemas, by file name. What names refer to, no schema can say. */
export function jsonSchemas(): Readonly<Record<string, Json>> {
  const intent = { ...shape(intentSchema) };
  const required = [...((intent['required'] as readonly string[] | undefined) ?? []), 'schools'];
  const whole = { ...intent, required };
  const assembly = shape(assemblySchema);
  const text = { type: 'string' };
  return {
    'intent.schema.json': document('What a lead is for', whole),
    'assembly.schema.json': document('What a lead is', assembly),
    'lead.schema.json': document('A lead: what it is for, what it is, and why', {
      type: 'object',
      properties: {
        antler: { const: 'lead' },
        version: { const: 1 },
        name: { type: 'string', minLength: 1, maxLength: 80 },
        intent: whole,
        assembly,
        situation: {
          type: 'object',
          properties: {
            surroundings: text,
            channels: { type: 'array', items: { type: 'object' } },
            links: {
              type: 'array',
              items: {
                type: 'object',
                properties: { out: { type: 'integer' }, in: { type: 'integer' } },
                required: ['out', 'in'],
              },
            },
            overruled: { type: 'array', items: { type: 'object' } },
          },
          required: ['surroundings', 'channels', 'links', 'overruled'],
        },
        recipe: {
          type: 'object',
          properties: { id: text, name: text, source: text, why: text },
          required: ['id', 'name', 'source', 'why'],
        },
        asks: { type: 'array', items: { type: 'object' } },
        reasons: { type: 'array', items: { type: 'object', properties: { says: text }, required: ['says'] } },
        schools: { type: 'object', additionalProperties: text },
      },
      required: [
        'antler',
        'version',
        'name',
        'intent',
        'assembly',
        'situation',
        'recipe',
        'asks',
        'reasons',
        'schools',
      ],
      additionalProperties: false,
    }),
    'netlist.schema.json': document('Nets and the parts between them', {
      type: 'object',
      properties: {
        nets: { type: 'object', additionalProperties: { type: 'array', items: text } },
        parts: {
          type: 'array',
          items: {
            type: 'object',
            properties: {
              id: text,
              kind: text,
              value: { type: 'number' },
              values: { type: 'object', additionalProperties: { type: 'number' } },
              leads: { type: 'object', additionalProperties: text },
            },
            required: ['id', 'kind', 'leads'],
            additionalProperties: false,
          },
        },
      },
      required: ['nets', 'parts'],
      additionalProperties: false,
    }),
  };
}
