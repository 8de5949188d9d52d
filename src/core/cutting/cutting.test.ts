import { describe, expect, it } from 'vitest';
import { leadFor } from '../../../tests/support/leads';
import type { Patch } from '../../../tests/support/intents';
import type { Assembly } from '../assembly';
import { schoolsOf } from '../lead';
import { cuts, screenWires, strips } from '.';

describe('what is stripped', () => {
  it('of a cable whose wires end loose 40 mm of jacket, and 8 mm of copper is bared on each (common practice)', () => {
    const lead = leadFor({
      from: { port: 'line-ground-referenced', family: 'xlr3' },
      to: { port: 'line-input', family: 'tail-bare', pinout: { hot: 'red', cold: 'black', screen: 'drain' } },
      cable: 'pair-foil',
    });
    const [xlr, tail] = strips(lead.assembly, schoolsOf(lead));
    expect([xlr?.jacketMm, xlr?.bareMm]).toEqual([22, 3]);
    expect([tail?.jacketMm, tail?.bareMm]).toEqual([40, 8]);
  });
});

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
    expect(adds({ 'spare-length': 'work' })).toBe(100);
  });

  it('a loudspeaker pair with 4 mm plugs: what the split takes off it gives back, and 100 mm are left to work the ends by choice', () => {
    const pair: Patch = {
      from: { port: 'amplifier', family: 'plug4' },
      to: { port: 'loudspeaker', family: 'plug4' },
      length: { mm: 5000, datum: 'face' },
      cable: 'loudspeaker-2x2-5',
    };
    // (5000 − 60 − 60) + 60 + 60 + 5 + 5; and 100.
    expect(totalOf(pair)).toBe(5010);
    expect(totalOf({ ...pair, schools: { 'spare-length': 'work' } })).toBe(5110);
  });
});

describe('what takes nothing is not listed', () => {
  it('from jacket to jacket nothing is inside the connectors', () =>
    expect(parts({ length: { mm: 6000, datum: 'jacket' } }).map(([what]) => what)).toEqual([
      'finished length',
      'strip-back at A',
      'trim at A',
      'strip-back at B',
      'trim at B',
    ]));

  it('a connector whose entry does not say is stripped as an XLR: 22 mm, 3 of them bare', () => {
    const lead = leadFor();
    const unknown = {
      ...lead.assembly,
      uses: {
        ...lead.assembly.uses,
        connectors: lead.assembly.uses.connectors.map(({ strip: _, ...entry }) => entry),
      },
    };
    expect(strips(unknown, schoolsOf(lead)).map(({ jacketMm, bareMm }) => [jacketMm, bareMm])).toEqual([
      [22, 3],
      [22, 3],
    ]);
  });
});

describe('a trunk with legs', () => {
  const eight: Patch = {
    from: { port: 'line-eight', family: 'd25' },
    to: Array.from({ length: 8 }, (_, n) => ({ port: 'line-input', family: 'xlr3', channel: `${n + 1}` })),
    cable: 'multipair-8',
    legs: { mm: 500 },
    length: { mm: 4000, datum: 'jacket' },
  };

  it('is one piece of cable, its legs its own cores: the length asked for, and what is stripped and trimmed', () => {
    const all = cutOf(eight);
    expect(all.map(({ span, cable }) => [span, cable])).toEqual([['W1', 'multipair-8']]);
    // 45 mm off the jacket at the D, 22 at an XLR, 5 mm of trim at each.
    expect(all[0]?.total).toBe(4000 + 45 + 22 + 5 + 5);
  });

  it('a braid takes up of its own span alone', () => {
    const braided = leadFor({
      from: { port: 'unbalanced-output', family: 'phono' },
      to: { port: 'unbalanced-input', family: 'phono' },
      cable: 'braid-3',
      length: { mm: 5000, datum: 'jacket' },
    });
    const elsewhere = {
      ...braided.assembly,
      dressings: braided.assembly.dressings.map((each) =>
        each.what === 'braid' ? { ...each, over: 'W9' } : each,
      ),
    };
    const takeUp = (assembly: Assembly) =>
      cuts(assembly, schoolsOf(braided))[0]?.allowances.some(({ what }) => what === 'taken up by braiding');
    expect(takeUp(braided.assembly)).toBe(true);
    expect(takeUp(elsewhere)).toBe(false);
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
