import { array, isSchema, object, type Schema, type SchemaDescription } from 'yup';
import { assemblySchema } from '../assembly';
import { leadSchema } from '../lead';
import { breakSchema, instrumentSchema } from '../proving';
import { behind } from '../quantity';
import { situationSchema } from '../situation';
import { intentSchema, preferenceSchema } from '../wiring';
import { chainSchema } from '../kit';
import { workboxSchema } from '../workbox';
import { cutProblemSchema } from '../stock';
import { courseFileSchema } from './course-file';
import { heatFileSchema } from './heat-file';
import { kitFileSchema } from './kit-file';
import { patchFileSchema } from './patch-file';
import { linesSchema } from '../sweep';
import { proofFileSchema, readingsFileSchema } from './proof-file';

type Json = Readonly<Record<string, unknown>>;

const param = (
  { tests }: SchemaDescription,
  name: string,
  key: string,
): { readonly value: unknown } | undefined => {
  const found = tests.find((test) => test.name === name && test.params?.[key] !== undefined);
  return found && { value: found.params?.[key] };
};

const bound = (name: string, found: { readonly value: unknown } | undefined): Json =>
  found ? { [name]: found.value } : {};
const has = ({ tests }: SchemaDescription, name: string): boolean => tests.some((test) => test.name === name);

/** Whether a field has to be there. */
const isRequired = (schema: unknown): boolean => {
  const special = typeof schema === 'object' && schema !== null ? behind(schema) : undefined;
  if (special) return special.is === 'union' || special.required;
  return isSchema(schema) && 'spec' in schema && !(schema as Schema).spec.optional;
};

function objectOf(fields: Readonly<Record<string, unknown>>): Json {
  const names = Object.keys(fields);
  if (names.length === 0) return { type: 'object' };
  const required = names.filter((name) => isRequired(fields[name]));
  return {
    type: 'object',
    properties: Object.fromEntries(names.map((name) => [name, convert(fields[name])])),
    ...(required.length > 0 ? { required } : {}),
    additionalProperties: false,
  };
}

function stringOf(each: SchemaDescription): Json {
  const pattern = param(each, 'matches', 'regex')?.value;
  const least = param(each, 'min', 'min')?.value ?? (has(each, 'required') ? 1 : undefined);
  return {
    type: each.nullable ? ['string', 'null'] : 'string',
    ...(each.oneOf.length > 0 ? { enum: each.oneOf } : {}),
    ...(least === undefined ? {} : { minLength: least }),
    ...bound('maxLength', param(each, 'max', 'max')),
    ...(pattern instanceof RegExp ? { pattern: pattern.source } : {}),
  };
}

const numberOf = (each: SchemaDescription): Json => ({
  type: has(each, 'integer') ? 'integer' : 'number',
  ...(each.oneOf.length > 0 ? { enum: each.oneOf } : {}),
  ...bound('minimum', param(each, 'min', 'min')),
  ...bound('exclusiveMinimum', param(each, 'min', 'more')),
  ...bound('maximum', param(each, 'max', 'max')),
});

/**
 * A validator as JSON Schema. Common packages for this drop unions and `additionalProperties`; this one is held to agree
 * with the validators on every example and on mutations of each.
 */
function convert(schema: unknown): Json {
  if (typeof schema !== 'object' || schema === null) return {};
  const special = behind(schema);
  if (special?.is === 'record')
    return { type: 'object', additionalProperties: convert(special.of), maxProperties: special.most };
  if (special?.is === 'union') return { oneOf: Object.values(special.variants).map(convert) };
  if (!isSchema(schema)) return {};
  const each = schema.describe() as SchemaDescription;
  const more = (each.meta as { readonly jsonSchema?: Json } | undefined)?.jsonSchema ?? {};
  switch (each.type) {
    case 'object':
      return { ...objectOf((schema as ReturnType<typeof object>).fields), ...more };
    case 'array':
      return {
        type: 'array',
        items: convert((schema as ReturnType<typeof array>).innerType),
        ...bound('minItems', param(each, 'min', 'min')),
        ...bound('maxItems', param(each, 'max', 'max')),
      };
    case 'string':
      return stringOf(each);
    case 'number':
      return numberOf(each);
    case 'boolean':
      return { type: 'boolean' };
    default:
      return more;
  }
}

/** The JSON Schema of a validator. */
export const schemaOf = (schema: unknown): Json => convert(schema);

const document = (title: string, body: Json): Json => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title,
  ...body,
});

const text = { type: 'string' };
const NETLIST: Json = {
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
};

/** The shapes of Antler's documents as JSON Schemas, by file name. What names refer to, no schema can say. */
export const jsonSchemas = (): Readonly<Record<string, Json>> => ({
  'intent.schema.json': document('What a lead is for', convert(intentSchema)),
  'assembly.schema.json': document('What a lead is', convert(assemblySchema)),
  'situation.schema.json': document('What the ends of a lead meet', convert(situationSchema)),
  'lead.schema.json': document(
    'A lead: what it is for, what it is, what it meets, and why',
    convert(leadSchema),
  ),
  'proof.schema.json': document('How a lead is proven, and what its readings say', convert(proofFileSchema)),
  'readings.schema.json': document('Readings taken of a lead', convert(readingsFileSchema)),
  'meter.schema.json': document('A house’s meter', convert(instrumentSchema)),
  'break.schema.json': document('What was read of a broken core', convert(breakSchema)),
  'preference.schema.json': document('What a workshop prefers and pays', convert(preferenceSchema)),
  'chain.schema.json': document('Devices in their order', convert(chainSchema)),
  'workbox.schema.json': document('What may be needed of a work box', convert(workboxSchema)),
  'cut.schema.json': document('What there is to cut from, and what is to be cut', convert(cutProblemSchema)),
  'course.schema.json': document('The course of work on a lead', convert(courseFileSchema)),
  'heat.schema.json': document('Heat at a joint', convert(heatFileSchema)),
  'lines.schema.json': document('The lines of a stage and its inputs', convert(linesSchema)),
  'patch.schema.json': document('Where every input goes', convert(patchFileSchema)),
  'kit.schema.json': document('What to lay out, to cut and to strip', convert(kitFileSchema)),
  'netlist.schema.json': document('Nets and the parts between them', NETLIST),
});
