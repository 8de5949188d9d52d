import { describe, expect, it } from 'vitest';
import { leadFor } from '../../../tests/support/leads';
import { dressed } from '../dressing';
import { schoolsOf } from '../lead';
import { kit, packsOf, pickKey, sparedOf } from '.';

it('whole packs hold what is wanted, and not one more than that takes', () => {
  expect([packsOf(1, 10), packsOf(10, 10), packsOf(11, 10)]).toEqual([1, 1, 2]);
  // Three lengths of 0.1 are 0.3, whatever their sum comes to in binary.
  expect(packsOf(0.1 + 0.2, 0.3)).toBe(1);
});

describe('what nothing is taken from the shelf for', () => {
  const lines = kit(dressed(leadFor()), schoolsOf(leadFor()));
  const plug = lines.find(({ item }) => item === 'xlr3-plug') ?? expect.fail();
  const cable = lines.find(({ item }) => item === 'pair-braid') ?? expect.fail();

  it('is what is had or left out, whatever the count or length was then; what is picked is taken', () => {
    expect([...sparedOf(lines, { [pickKey(plug)]: 'have' })]).toEqual([plug.id]);
    expect([...sparedOf(lines, { [pickKey({ ...plug, count: 4 })]: 'waived' })]).toEqual([plug.id]);
    expect([...sparedOf(lines, { [pickKey({ ...cable, count: 4, mm: 23_864 })]: 'have' })]).toEqual([
      cable.id,
    ]);
    expect(sparedOf(lines, { [pickKey(plug)]: 'picked' }).size).toBe(0);
    expect(sparedOf(lines, { '1 × something else': 'have' }).size).toBe(0);
  });
});
