import { describe, expect, it } from 'vitest';
import { leadFor } from '../../../tests/support/leads';
import type { Patch } from '../../../tests/support/intents';
import { schoolsOf } from '../lead';
import { cuts, screenWires, strips } from '.';

const cutOf = (patch: Patch) => {
  const lead = leadFor(patch);
  return cuts(lead.assembly, schoolsOf(lead));
};
const parts = (patch: Patch): readonly (readonly [string, number])[] =>
  (cutOf(patch)[0]?.allowances ?? []).map(({ what, mm }) => [what, Math.round(mm * 10) / 10] as const);
const totalOf = (patch: Patch): number => cutOf(patch)[0]?.total ?? 0;
/** What a school adds to a cut, all else alike. */
const adds = (schools: NonNullable<Patch['schools']>, patch: Patch = {}): number =>
  totalOf({ ...patch, schools }) - totalOf(patch);

/**
 * By hand: the length asked for, less what lies inside the two connectors, plus strip-back and 5 mm of trim at each end
 * (common practice; reaches nominal, from the connectors' entries).
 */
describe('what is cut off the reel', () => {
  it('a microphone lead of 6 m: 46 and 42 mm inside the XLRs, 22 mm off the jacket and 5 mm of trim at each end', () => {
    expect(parts({})).toEqual([
      ['finished length', 6000],
      ['inside the connector at A', -46],
      ['inside the connector at B', -42],
      ['strip-back at A', 22],
      ['trim at A', 5],
      ['strip-back at B', 22],
      ['trim at B', 5],
    ]);
    expect(totalOf({})).toBe(6000 - 46 - 42 + 2 * 22 + 2 * 5);
  });

  it('what is asked from jacket to jacket loses nothing inside a connector', () =>
    expect(totalOf({ length: { mm: 6000, datum: 'jacket' } })).toBe(6000 + 2 * 22 + 2 * 5));

  it('a lead that is a metre longer is cut a metre longer, and so for a lead of a metre', () => {
    expect(totalOf({ length: { mm: 7000, datum: 'face' } }) - totalOf({})).toBe(1000);
    expect(totalOf({}) - totalOf({ length: { mm: 1000, datum: 'face' } })).toBe(5000);
  });

  it('only a braid takes up: three wires of 6/5 of the length (handbook, section 15)', () => {
    const unbalanced: Patch = {
      from: { port: 'unbalanced-output', family: 'phono' },
      to: { port: 'unbalanced-input', family: 'phono' },
      length: { mm: 5000, datum: 'jacket' },
    };
    const braid = parts({ ...unbalanced, cable: 'braid-3' });
    expect(braid.find(([what]) => what === 'taken up by braiding')?.[1]).toBe(1000);
    for (const cable of ['pair-braid', 'instrument-coax', 'pair-mini'])
      expect(parts({ ...unbalanced, cable }).map(([what]) => what)).not.toContain('taken up by braiding');
  });

  it('one re-termination is one strip-back and two trims; a longer screen 3 mm at each end', () => {
    expect(adds({ 'spare-length': 'one' })).toBe(22 + 5);
    expect(adds({ 'conductor-lengths': 'screen-longer' })).toBe(6);
    expect(adds({ 'spare-length': 'one', 'conductor-lengths': 'screen-longer' })).toBe(22 + 5 + 6);
  });
});

describe('how ends are stripped', () => {
  it('as the connector’s entry says, cores alike, the screen longer where that is the school', () => {
    const lead = leadFor({ schools: { 'conductor-lengths': 'screen-longer' } });
    const all = strips(lead.assembly, schoolsOf(lead));
    expect(all.map(({ end, jacketMm, bareMm }) => [end, jacketMm, bareMm])).toEqual([
      ['A', 22, 3],
      ['B', 22, 3],
    ]);
    expect(all[0]?.conductors.map(({ id, mm }) => [id, mm])).toEqual([
      ['white', 22],
      ['black', 22],
      ['screen', 25],
    ]);
  });

  it('a bare screen wire runs where the screen is joined, and nowhere it is cut back', () => {
    const ends = (patch: Patch): readonly string[] => {
      const lead = leadFor(patch);
      return screenWires(lead.assembly, schoolsOf(lead)).map(({ strip }) => strip.end);
    };
    expect(ends({})).toEqual(['A', 'B']);
    expect(ends({ schools: { screen: 'source' } })).toEqual(['A']);
    expect(ends({ schools: { screen: 'destination' } })).toEqual(['B']);
  });
});
