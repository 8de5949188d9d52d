import { array, boolean, number, object, string } from 'yup';
import { describe, expect, it } from 'vitest';
import { optionalRecord, record, union } from '../quantity';
import { EXPORT_LINES, exportHead } from './export-lines';
import { schemaOf } from './json-schema';
import { readShape } from '../quantity';

describe('a validator as JSON Schema (draft 2020-12), each typed by hand', () => {
  it.each([
    [string(), { type: 'string' }],
    [string().required(), { type: 'string', minLength: 1 }],
    [string().defined(), { type: 'string' }],
    [string().required().min(3).max(9), { type: 'string', minLength: 3, maxLength: 9 }],
    [string().nullable().defined(), { type: ['string', 'null'] }],
    [string().oneOf(['a', 'b'] as const), { type: 'string', enum: ['a', 'b'] }],
    [string().matches(/^x+$/), { type: 'string', pattern: '^x+$' }],
    [number(), { type: 'number' }],
    [number().integer().min(1).max(4), { type: 'integer', minimum: 1, maximum: 4 }],
    [number().moreThan(0), { type: 'number', exclusiveMinimum: 0 }],
    [number().oneOf([1] as const), { type: 'number', enum: [1] }],
    [boolean().required(), { type: 'boolean' }],
    [
      array(string().required()).min(1).max(3),
      { type: 'array', items: { type: 'string', minLength: 1 }, minItems: 1, maxItems: 3 },
    ],
    [array(number()), { type: 'array', items: { type: 'number' } }],
    [object({}), { type: 'object' }],
    [
      object({ a: number().required(), b: string() }),
      {
        type: 'object',
        properties: { a: { type: 'number' }, b: { type: 'string' } },
        required: ['a'],
        additionalProperties: false,
      },
    ],
    [
      object({ b: string() }),
      { type: 'object', properties: { b: { type: 'string' } }, additionalProperties: false },
    ],
    [
      object({ must: record(number(), { most: 7 }), may: optionalRecord(number()) }),
      {
        type: 'object',
        properties: {
          must: { type: 'object', additionalProperties: { type: 'number' }, maxProperties: 7 },
          may: { type: 'object', additionalProperties: { type: 'number' }, maxProperties: 200 },
        },
        required: ['must'],
        additionalProperties: false,
      },
    ],
    [
      object({ of: union('is', { a: object({ is: string().required().oneOf(['a']) }) }) }),
      {
        type: 'object',
        properties: {
          of: {
            oneOf: [
              {
                type: 'object',
                properties: { is: { type: 'string', enum: ['a'], minLength: 1 } },
                required: ['is'],
                additionalProperties: false,
              },
            ],
          },
        },
        required: ['of'],
        additionalProperties: false,
      },
    ],
    ['text', {}],
    [null, {}],
    [7, {}],
  ])('%#', (schema, json) => expect(schemaOf(schema)).toEqual(json));
});

describe('lines of an export', () => {
  const ID = '9b2e7b1c-3c1a-4b67-9d2e-5f0c8f3a1d24';
  const takenAt = '2026-03-02T10:00:00.000Z';
  const LEAD = { is: 'lead', id: ID, job: ID, revision: 1, away: false, takenAt };
  const ASKED = { is: 'asked', lead: ID, count: 0, pairs: false };
  const SOLD = { is: 'sold', item: 'cable', much: 0 };
  const JOB = { is: 'job', id: ID, name: 'Opera', note: '', away: false, takenAt };
  it.each([
    ['lead', LEAD, true],
    ['lead', { ...LEAD, revision: 0 }, false],
    ['lead', { ...LEAD, revision: 1.5 }, false],
    ['lead', { ...LEAD, is: 'job' }, false],
    ['asked', ASKED, true],
    ['asked', { ...ASKED, count: -1 }, false],
    ['asked', { ...ASKED, count: 0.5 }, false],
    ['sold', SOLD, true],
    ['sold', { ...SOLD, much: -1 }, false],
    ['job', JOB, true],
    ['job', { ...JOB, name: '' }, false],
    ['job', { ...JOB, more: 1 }, false],
    ['job', { ...JOB, takenAt: 'Monday' }, false],
    [
      'unit',
      { is: 'unit', id: ID, lead: ID, revision: 1, number: 0, builder: 'Nell', plan: {}, takenAt },
      false,
    ],
    ['revision', { is: 'revision', lead: ID, revision: 0, takenAt, document: {} }, false],
  ] as const)('%s %j: %s', (kind, line, is) =>
    expect(readShape(EXPORT_LINES[kind] as never, line).ok).toBe(is),
  );

  it('the number of a unit and its revision begin with 1', () => {
    for (const field of ['number', 'revision']) {
      const at = (value: number) => {
        const read = readShape(EXPORT_LINES.unit as never, {
          is: 'unit',
          id: ID,
          lead: ID,
          revision: 1,
          number: 1,
          builder: 'Nell',
          plan: {},
          takenAt,
          [field]: value,
        });
        return read.ok
          ? []
          : (read as { problems: readonly { path: string }[] }).problems
              .map(({ path }) => path)
              .filter((path) => path === field);
      };
      expect([at(1), at(0), at(1.5)]).toEqual([[], [field], [field]]);
    }
  });

  it('the first says what it is, and has the schema of each', () => {
    const head = exportHead('1.0', takenAt);
    expect(head).toMatchObject({ antler: 'export', version: 1, app: '1.0', takenAt });
    expect(Object.keys(head['schemas'] as object)).toEqual(Object.keys(EXPORT_LINES));
  });
});
