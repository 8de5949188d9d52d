import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { assemblyOf, buildNamed, BUILDS } from '../../../tests/builds/read';
import { netlist, spanLengths, type Assembly } from '../assembly';
import { pairBraidStraight } from '../../../tests/builds/straight';
import { resistances } from '.';

const lengths = new Map([['W1', 10_000]]);

describe('resistance by nodal analysis', () => {
  it('10 m of 24 AWG is 0.842 Ω (ASTM B258, handbook section 4), 9.825 % more at 45 °C (IEC 60028)', () => {
    const lead = pairBraidStraight();
    expect(resistances(lead, { lengths })('A.2', 'B.2')).toBeCloseTo(0.842, 3);
    expect(resistances(lead, { lengths, celsius: 45 })('A.2', 'B.2')).toBeCloseTo(0.842 * 1.09825, 3);
  });

  it('nets that do not touch are open, a terminal to itself is nothing', () => {
    const r = resistances(pairBraidStraight(), { lengths });
    expect(r('A.2', 'A.3')).toBe(Infinity);
    expect(r('A.shell', 'B.1')).toBe(Infinity);
    expect(r('A.2', 'A.2')).toBe(0);
  });

  it('the sum lead: closed form from handbook section 5, row 8', () => {
    const r = resistances(buildNamed('07-sum'), { lengths: new Map() });
    expect(r('A.T', 'B.2')).toBeCloseTo(470, 9);
    expect(r('A.T', 'A.R')).toBeCloseTo(940, 9);
    expect(r('B.2', 'B.1')).toBeCloseTo(20_000, 9);
    expect(r('A.T', 'B.3')).toBeCloseTo(20_470, 9);
    // Both sources at 0 V: 470 ∥ 470 ∥ 20 k = 232 Ω output impedance.
    const both = resistances(buildNamed('07-sum'), {
      lengths: new Map(),
      extra: [
        { a: 'A.T', b: 'A.S', ohms: 0 },
        { a: 'A.R', b: 'A.S', ohms: 0 },
      ],
    });
    expect(Math.round(both('B.2', 'B.3'))).toBe(232);
  });

  it('the U pad: 680 + 150 + 680 across the input, 150 across the output', () => {
    const r = resistances(buildNamed('pad-barrel'), { lengths: new Map() });
    expect(r('A.2', 'A.3')).toBeCloseTo(1510, 9);
    expect(r('B.2', 'B.3')).toBeCloseTo(150, 9);
  });

  it('a control is its track, in two pieces that add up at every turn', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), (turn) => {
        const r = resistances(buildNamed('volume-box'), { lengths: new Map(), turn });
        return (
          Math.abs(r('IN.T', 'IN.S') - 1000) < 1e-3 &&
          Math.abs(r('IN.T', 'OUT.T') + r('OUT.T', 'OUT.S') - 1000) < 1e-3
        );
      }),
    );
  });

  it('a Wheatstone bridge, not balanced: 1, 2, 3, 4 Ω with 5 Ω across (closed form, delta to star)', () => {
    const lead = pairBraidStraight();
    const bare: Assembly = { ...lead, bodies: lead.bodies.map((body) => ({ ...body, joints: [] })) };
    const extra = [
      { a: 'A.1', b: 'A.2', ohms: 1 },
      { a: 'A.1', b: 'A.3', ohms: 2 },
      { a: 'A.2', b: 'B.1', ohms: 3 },
      { a: 'A.3', b: 'B.1', ohms: 4 },
      { a: 'A.2', b: 'A.3', ohms: 5 },
    ];
    // Star of the 1-2-5 triangle: 1·2/8, 1·5/8, 2·5/8.
    const expected = 2 / 8 + 1 / (1 / (5 / 8 + 3) + 1 / (10 / 8 + 4));
    expect(resistances(bare, { lengths: new Map(), extra })('A.1', 'B.1')).toBeCloseTo(expected, 9);
  });

  it('agrees with the netlist: 0 to finite within a net with no parts on the way, and it is the same both ways', () => {
    for (const build of BUILDS) {
      const assembly = assemblyOf(build);
      const r = resistances(assembly, { lengths: spanLengths(assembly) });
      for (const net of netlist(assembly).nets)
        for (const contact of net.contacts) {
          expect(r(net.contacts[0] ?? '', contact)).toBeLessThan(100);
          expect(r(contact, net.contacts[0] ?? '')).toBeCloseTo(r(net.contacts[0] ?? '', contact), 9);
        }
    }
  });
});
