import { resolveSchools, USUAL_SCHOOLS } from '../wiring';
import { schoolsOf } from '../lead';
import fc from 'fast-check';
import { leadFor } from '../../../tests/support/leads';
import { describe, expect, it } from 'vitest';
import { buildNamed } from '../../../tests/builds/read';
import { kit, labelLines } from '.';
import { cuts, strips } from '../cutting';

const lead = leadFor;

describe('cut length', () => {
  it('6 m face to face, XLR: worked by hand from the formula of the handbook, section 7', () => {
    const of = lead();
    const { assembly } = of;
    const schools = schoolsOf(of);
    // (6000 − 46 − 42) × 1 + 22 + 22 strip-back (19–25 mm usual) + 5 + 5 trim.
    expect(cuts(assembly, schools)[0]?.total).toBe(5966);
  });

  it('jacket to jacket takes nothing off; tip to tip takes off a whole jack plug', () => {
    const jacket = lead({ length: { mm: 6000, datum: 'jacket' } });
    expect(cuts(jacket.assembly, schoolsOf(jacket))[0]?.total).toBe(6054);
    const tip = lead({
      from: { port: 'line-ground-referenced', family: 'trs635' },
      to: { port: 'line-input', family: 'trs635' },
      length: { mm: 1000, datum: 'tip' },
    });
    expect(cuts(tip.assembly, schoolsOf(tip))[0]?.total).toBeCloseTo(1000 - 2 * 46.8 + 2 * 10 + 2 * 5, 9);
  });

  it('one re-termination adds a strip-back and a trim; a longer screen adds its extra at both ends', () => {
    const spare = lead({ schools: { 'spare-length': 'one' } });
    expect(cuts(spare.assembly, schoolsOf(spare))[0]?.total).toBe(5966 + 22 + 5);
    const longer = lead({ schools: { 'conductor-lengths': 'screen-longer' } });
    expect(cuts(longer.assembly, schoolsOf(longer))[0]?.total).toBe(5966 + 6);
  });

  it('every allowance has its reason, and they add up', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 300, max: 300_000 }),
        fc.constantFrom('face', 'tip', 'jacket'),
        (mm, datum) => {
          const of = lead({ length: { mm, datum } });
          const { assembly } = of;
          const schools = schoolsOf(of);
          const cut = cuts(assembly, schools)[0];
          return (
            cut !== undefined &&
            cut.allowances.every((a) => a.because !== '') &&
            Math.abs(cut.allowances.reduce((sum, a) => sum + a.mm, 0) - cut.total) < 1e-9 &&
            cut.allowances[0]?.mm === mm
          );
        },
      ),
    );
  });

  it('a fan-out is one piece: its legs are its own cores (2610 mm of trunk and 390 of leg by hand)', () => {
    const [cut, ...others] = cuts(buildNamed('fan-out'), USUAL_SCHOOLS);
    expect(others).toEqual([]);
    // The build asks for 3000 mm; its connectors give no reach, 22 mm strip-back and 5 mm trim at either end.
    expect(cut?.total).toBe(3000 + 2 * (22 + 5));
  });

  it('a hand braid of three takes up one part in six: 5 m is braided from 6 (handbook, section 7)', () => {
    const braid = lead({
      from: { port: 'unbalanced-output', family: 'phono' },
      to: { port: 'unbalanced-input', family: 'phono' },
      cable: 'braid-3',
      length: { mm: 5000, datum: 'jacket' },
    });
    expect(cuts(braid.assembly, schoolsOf(braid))[0]?.total).toBeCloseTo(6000 + 2 * (12 + 5), 6);
  });
});

describe('strip lengths', () => {
  it('XLR: jacket 19–25 mm, conductor 3–6 mm; TRS about 10 mm and 3 mm (handbook, section 7)', () => {
    const xlr = lead();
    for (const strip of strips(xlr.assembly, schoolsOf(xlr))) {
      expect(strip.jacketMm).toBeGreaterThanOrEqual(19);
      expect(strip.jacketMm).toBeLessThanOrEqual(25);
      expect(strip.bareMm).toBeGreaterThanOrEqual(3);
      expect(strip.bareMm).toBeLessThanOrEqual(6);
      expect(new Set(strip.conductors.map((c) => c.mm)).size).toBe(1);
    }
    const trs = lead({
      from: { port: 'line-ground-referenced', family: 'trs635' },
      to: { port: 'line-input', family: 'trs635' },
    });
    expect(strips(trs.assembly, schoolsOf(trs)).map((s) => [s.jacketMm, s.bareMm])).toEqual([
      [10, 3],
      [10, 3],
    ]);
  });

  it('a longer screen is 3 mm longer than the cores', () => {
    const longer = lead({ schools: { 'conductor-lengths': 'screen-longer' } });
    const lengths = Object.fromEntries(
      (strips(longer.assembly, schoolsOf(longer))[0]?.conductors ?? []).map((c) => [c.id, c.mm]),
    );
    expect(lengths).toEqual({ white: 22, black: 22, screen: 25 });
  });
});

describe('kit', () => {
  it('of a straight lead: two connectors, the cut, two sleeves, solder, label', () => {
    const of = lead();
    const { assembly } = of;
    const schools = schoolsOf(of);
    expect(kit(assembly, schools).map((line) => [line.id, line.count, line.mm])).toEqual([
      ['xlr3-socket', 1, undefined],
      ['xlr3-plug', 1, undefined],
      ['pair-braid', 1, 5966],
      ['sleeve', 2, 36],
      ['solder', 1, undefined],
      ['label', 1, undefined],
    ]);
  });

  it('counts parts by value, and connectors of one kind together', () => {
    const sum = kit(buildNamed('07-sum'), USUAL_SCHOOLS);
    expect(
      sum
        .filter((line) => line.id.startsWith('resistor'))
        .map((line) => [line.what, line.count, line.detail]),
    ).toEqual([
      ['resistor 470 Ω', 2, 'R1, R2'],
      ['resistor 20 kΩ', 1, 'R3'],
    ]);
    expect(
      kit(buildNamed('chain-split'), USUAL_SCHOOLS)
        .filter((line) => line.id.startsWith('xlr3'))
        .map((line) => line.count),
    ).toEqual([2, 2]);
  });

  it('a screen cut back at one end needs one sleeve; a bare school needs none', () => {
    const once = lead({ schools: { screen: 'source' } });
    expect(kit(once.assembly, schoolsOf(once)).find((line) => line.id === 'sleeve')?.count).toBe(1);
    const bare = lead({ schools: { 'screen-wire': 'bare' } });
    expect(kit(bare.assembly, schoolsOf(bare)).some((line) => line.id === 'sleeve')).toBe(false);
  });

  it('speaks the chosen words and units', () => {
    const inch = lead({ schools: { words: 'male-female', units: 'inch' } });
    const lines = kit(inch.assembly, schoolsOf(inch));
    expect(lines[0]?.what).toBe('XLR 3 cable female, chuck clamp');
    expect(lines[2]?.detail).toMatch(/^cut 19 ft 6 7\/8 in$/);
  });
});

describe('label', () => {
  it('gives number and name, length, and ends in the chosen words', () => {
    const { assembly } = lead();
    expect(labelLines('Bridge mic', 7, assembly, USUAL_SCHOOLS)).toEqual([
      '0007  Bridge mic',
      '6 m',
      'XLR 3 cable socket → XLR 3 cable plug',
    ]);
    expect(
      labelLines('Bridge mic', 12345, assembly, resolveSchools({ words: 'male-female', units: 'inch' })),
    ).toEqual(['12345  Bridge mic', '19 ft 8 1/4 in', 'XLR 3 cable female → XLR 3 cable male']);
  });
});
