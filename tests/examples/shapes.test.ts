import { Ajv2020, type ValidateFunction } from 'ajv/dist/2020.js';
import { describe, expect, it } from 'vitest';
import type { ISchema, Schema } from 'yup';
import { assemblySchema } from '../../src/core/assembly';
import { planOf, planSchema } from '../../src/core/bench';
import { jsonSchemas } from '../../src/core/formats';
import { leadSchema } from '../../src/core/lead';
import { readShape } from '../../src/core/quantity';
import { situationSchema } from '../../src/core/situation';
import { intentSchema } from '../../src/core/wiring';
import { useOf } from '../support/leads';
import { EXAMPLES, leadOf } from './read';

/** Two ways of saying one shape: what the code checks by, and the JSON Schema that is made of it. */
const SHAPES = {
  intent: intentSchema,
  assembly: assemblySchema,
  situation: situationSchema,
  lead: leadSchema,
} as const;

const ajv = new Ajv2020({ strict: true, allErrors: false });
const schemaOf = (name: keyof typeof SHAPES): ValidateFunction =>
  ajv.compile(jsonSchemas()[`${name}.schema.json`] ?? {});
const compiled = {
  intent: schemaOf('intent'),
  assembly: schemaOf('assembly'),
  situation: schemaOf('situation'),
  lead: schemaOf('lead'),
};

type Json = null | boolean | number | string | Json[] | { [name: string]: Json };
const plain = (value: unknown): Json => JSON.parse(JSON.stringify(value)) as Json;

/** Every place in a document, as the steps that lead there. */
function placesOf(
  value: Json,
  at: readonly (string | number)[] = [],
): readonly (readonly (string | number)[])[] {
  if (typeof value !== 'object' || value === null) return [at];
  const inside = Array.isArray(value)
    ? value.flatMap((each, n) => placesOf(each, [...at, n]))
    : Object.entries(value).flatMap(([name, each]) => placesOf(each, [...at, name]));
  return [at, ...inside];
}

/** A copy with what is at a place changed; taken out where the change gives undefined. */
function changed(
  value: Json,
  [step, ...rest]: readonly (string | number)[],
  change: (old: Json) => Json | undefined,
): Json {
  if (step === undefined) return change(value) ?? null;
  if (Array.isArray(value))
    return value.flatMap((each, n) => {
      if (n !== step) return [each];
      if (rest.length > 0) return [changed(each, rest, change)];
      const next = change(each);
      return next === undefined ? [] : [next];
    });
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).flatMap(([name, each]) => {
      if (name !== step) return [[name, each]];
      if (rest.length > 0) return [[name, changed(each, rest, change)]];
      const next = change(each);
      return next === undefined ? [] : [[name, next]];
    }),
  );
}

/** What is done to a place: left out, of another kind, emptied, overdone, and something nobody knows beside it. */
const MUTATIONS: readonly ((old: Json) => Json | undefined)[] = [
  () => undefined,
  () => 'a word',
  () => 7,
  () => -3,
  () => true,
  () => [],
  () => ({}),
  () => '',
  () => 'x'.repeat(5000),
  (old) =>
    typeof old === 'object' && old !== null && !Array.isArray(old) ? { ...old, nobody: 'knows' } : [old],
  (old) => (typeof old === 'number' ? old + 0.5 : old),
  () => 1e12,
];

/** A fixed sequence, so that a run can be made again. */
function numbers(seed: number): (below: number) => number {
  let state = seed;
  return (below) => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return Math.floor((state / 2 ** 32) * below);
  };
}

const EACH = process.env['ANTLER_TEST_LONG'] === '1' ? 150 : 12;

describe.each(Object.keys(SHAPES) as (keyof typeof SHAPES)[])('the shape of every %s', (name) => {
  const shape: ISchema<unknown> & Pick<Schema, 'validateSync'> = SHAPES[name];
  const documents = EXAMPLES.map((example) => {
    const lead = leadOf(example);
    return plain({ intent: lead.intent, assembly: lead.assembly, situation: useOf(lead), lead }[name]);
  });

  it('is the same to the code and to the JSON Schema: whole, and with something wrong anywhere', () => {
    const next = numbers(11);
    let wrong = 0;
    for (const document of documents) {
      expect(readShape(shape, document).ok).toBe(true);
      expect(compiled[name](document), JSON.stringify(compiled[name].errors)).toBe(true);
      const places = placesOf(document);
      for (let n = 0; n < EACH; n++) {
        const place = places[next(places.length)] ?? [];
        const how = next(MUTATIONS.length);
        const mutated = changed(document, place, MUTATIONS[how] ?? (() => null));
        const [byCode, bySchema] = [readShape(shape, mutated).ok, compiled[name](mutated)];
        expect(byCode, `${name} ${place.join('.')} mutation ${how}: schema says ${String(bySchema)}`).toBe(
          bySchema,
        );
        if (!byCode) wrong++;
      }
    }
    // Mutations that change nothing that matters are few.
    expect(wrong).toBeGreaterThan((documents.length * EACH) / 2);
  }, 600_000);
});

describe('a work plan', () => {
  it.each(EXAMPLES.map((example) => [example.id, example] as const))('%s: is of its shape', (_, example) => {
    const read = readShape(planSchema, plain(planOf(leadOf(example))));
    expect(read.ok ? [] : read.problems).toEqual([]);
  });
});
