import { number } from 'yup';
import { describe, expect, it } from 'vitest';
import { DEEPEST, isObject, readShape, tooDeep } from '.';
import { optionalRecord, record } from './shape';

describe('what a JSON object is', () => {
  it.each([
    [{}, true],
    [{ a: 1 }, true],
    [[], false],
    [null, false],
    [undefined, false],
    ['text', false],
    [7, false],
  ])('%j: %s', (value, is) => expect(isObject(value)).toBe(is));
});

describe('how deep a document may lie', () => {
  const nested = (levels: number): unknown => {
    let value: unknown = 'the end';
    for (let n = 0; n < levels; n++) value = n % 2 === 0 ? { a: value } : [value];
    return value;
  };

  it('as deep as it may, and not one deeper', () => {
    expect(tooDeep(nested(DEEPEST))).toBeUndefined();
    expect(tooDeep(nested(DEEPEST + 1))).toBeDefined();
  });

  it('says where, by names and places', () =>
    expect(tooDeep({ b: nested(DEEPEST + 1) })).toMatch(/^b(\.a\[0\]|\[0\]\.a)/));
});

describe('a list whose names are open', () => {
  it('has each of its values checked, so many of them, and may be left out or not', () => {
    const counts = record(number().required().max(9), { what: 'This', most: 2 });
    const read = (schema: Parameters<typeof readShape>[0], value: unknown) => {
      const is = readShape(schema, value);
      return is.ok ? is.value : is.problems.map(({ path }) => path);
    };
    expect(read(counts as never, { a: 1, b: 9 })).toEqual({ a: 1, b: 9 });
    expect(read(counts as never, { a: 1, b: 10 })).toEqual(['b']);
    expect(read(counts as never, { a: 1, b: 2, c: 3 })).toHaveLength(1);
    expect(read(counts as never, undefined)).toHaveLength(1);
    expect(read(optionalRecord(number().required()) as never, undefined)).toBeUndefined();
  });
});
