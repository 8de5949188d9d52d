import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { derive } from '../../src/core/lead';

const DOCUMENT = readFileSync(new URL('../../docs/formats.md', import.meta.url), 'utf8');
const SCHEMA = JSON.parse(
  readFileSync(new URL('../../docs/schemas/intent.schema.json', import.meta.url), 'utf8'),
) as Schema;

interface Schema {
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly items?: Schema;
  readonly anyOf?: readonly Schema[];
}

const COMMON = { version: 5, surroundings: 'stage', schools: {} };
const INTENTS = [...DOCUMENT.matchAll(/```json intent\n([\s\S]*?)```/g)].map(
  ([, text = '']) => ({ ...COMMON, ...(JSON.parse(text) as object) }) as Record<string, unknown>,
);

/** The fields of a document, each by its way from the top; what is in a list counts as one. */
const fieldsOf = (schema: Schema, path = ''): readonly string[] => [
  ...Object.entries(schema.properties ?? {}).flatMap(([name, each]) => [
    `${path}${name}`,
    ...fieldsOf(each, `${path}${name}.`),
  ]),
  ...(schema.items ? fieldsOf(schema.items, path) : []),
  ...(schema.anyOf ?? []).flatMap((each) => fieldsOf(each, path)),
];
const usedIn = (value: unknown, path = ''): readonly string[] =>
  Array.isArray(value)
    ? value.flatMap((each) => usedIn(each, path))
    : typeof value === 'object' && value !== null
      ? Object.entries(value).flatMap(([name, each]) => [
          `${path}${name}`,
          ...usedIn(each, `${path}${name}.`),
        ])
      : [];

/** Ends are alike on both sides; entries, facts and schools have lists of their own, which are named. */
const plain = (field: string): string => field.replace(/^to\b/, 'from');
const ELSEWHERE = /^(own\.(connectors|cables)\.|facts\.|schools\.)/;

describe('an intent can be written from its description alone', () => {
  it.each(INTENTS.map((intent, n) => [n + 1, intent] as const))('example %i derives', (_, intent) => {
    const derived = derive(intent, [], 'as described');
    expect(derived.ok ? [] : derived.problems).toEqual([]);
  });

  it('every field of an intent is in one of them', () => {
    const used = new Set(INTENTS.flatMap((intent) => usedIn(intent)).map(plain));
    const missing = [...new Set(fieldsOf(SCHEMA).map(plain))].filter(
      (field) => !ELSEWHERE.test(field) && !used.has(field),
    );
    expect(missing).toEqual([]);
  });
});
