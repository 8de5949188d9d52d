import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { sweeps, type Circuit, type Element } from '../circuit';
import { locate, USUAL_LOCATING, type BreakReadings, type Located } from '.';

const found = (readings: Omit<BreakReadings, 'version'>): Located => {
  const made = locate({ version: 1, ...readings });
  return made.ok ? made.value : expect.fail(made.problems[0]?.says);
};
const refused = (readings: Omit<BreakReadings, 'version'>): string | undefined => {
  const made = locate({ version: 1, ...readings });
  return made.ok ? undefined : `${made.problems[0]?.code} ${made.problems[0]?.path}`;
};

/**
 * What a capacitance range at 1 kHz shows of a piece of cable whose far side is open, by the solved line: sections of resistance and capacitance, and the
 * stray capacitance of the connector that it is measured at.
 */
function shown(metres: number, picofarads: number, ohms: number, strayPicofarads: number): number {
  const sections = 40;
  const step = metres / sections;
  const elements: Element[] = [
    { kind: 'voltage', id: 'V', a: 'n0', b: '0', dc: 0, ac: { magnitude: 1 } },
    { kind: 'capacitor', id: 'Cs', a: 'n0', b: '0', farads: Math.max(strayPicofarads, 1e-3) * 1e-12 },
  ];
  for (let n = 0; n < sections; n++) {
    elements.push(
      { kind: 'resistor', id: `R${n}`, a: `n${n}`, b: `n${n + 1}`, ohms: Math.max(ohms * step, 1e-6) },
      { kind: 'capacitor', id: `C${n}`, a: `n${n + 1}`, b: '0', farads: picofarads * 1e-12 * step },
    );
  }
  const circuit: Circuit = { elements };
  const solved = sweeps(circuit, [1000], ['V']);
  if (!solved.ok) throw new Error(solved.problems[0]?.says);
  // The current of the source runs from a through it to b: against what it drives.
  const im = solved.value[0]?.current('V').im[0] ?? 0;
  return Math.abs(im) / (2 * Math.PI * 1000);
}

describe('a break by capacitance', () => {
  it('lies at C near ÷ (C near + C far) of the length (handbook, section 10)', () => {
    const { mm, fromMm, toMm, cut } = found({
      is: 'open',
      lengthMm: 10_000,
      readings: [
        { at: 'near', farads: 200e-12 },
        { at: 'far', farads: 600e-12 },
      ],
    });
    expect(mm).toBeCloseTo(2500, 9);
    // 2 % and 3 pF off at both, the worst way: (200·0.98 − 3) ÷ (that + 600·1.02 + 3), and the other way round.
    expect(fromMm).toBeCloseTo((10_000 * 193) / (193 + 615), 6);
    expect(toMm).toBeCloseTo((10_000 * 207) / (207 + 585), 6);
    // The longer piece stays, and is cut 20 mm beyond.
    expect(cut).toEqual({ atMm: toMm + 20, keep: 'far', leftMm: 10_000 - toMm - 20 });
  });

  it('is within the range that is stated, of a solved distributed line, whatever the cable and wherever it is', () => {
    fc.assert(
      fc.property(
        fc.record({
          metres: fc.double({ min: 1, max: 60, noNaN: true }),
          share: fc.double({ min: 0.01, max: 0.99, noNaN: true }),
          picofarads: fc.double({ min: 50, max: 300, noNaN: true }),
          ohms: fc.double({ min: 0.01, max: 0.3, noNaN: true }),
          stray: fc.double({ min: 0, max: USUAL_LOCATING.picofarads, noNaN: true }),
          off: fc.tuple(
            fc.double({ min: -1, max: 1, noNaN: true }),
            fc.double({ min: -1, max: 1, noNaN: true }),
          ),
        }),
        ({ metres, share, picofarads, ohms, stray, off }) => {
          const read = (length: number, by: number): number =>
            shown(length, picofarads, ohms, stray) * (1 + USUAL_LOCATING.share * 0.95 * by);
          const { fromMm, toMm } = found({
            is: 'open',
            lengthMm: metres * 1000,
            readings: [
              { at: 'near', farads: read(metres * share, off[0]) },
              { at: 'far', farads: read(metres * (1 - share), off[1]) },
            ],
          });
          const true_ = metres * share * 1000;
          return true_ >= fromMm - 1e-6 && true_ <= toMm + 1e-6;
        },
      ),
      { numRuns: 60, seed: 14 },
    );
  });

  it('from one end by what a metre has; a wider range, and none without that figure', () => {
    const one = found({
      is: 'open',
      lengthMm: 10_000,
      picofaradsPerMetre: 100,
      readings: [{ at: 'far', farads: 250e-12 }],
    });
    expect(one.mm).toBeCloseTo(7500, 9);
    expect(one.fromMm).toBeLessThan(7500 - 10_000 * 0.25 * 0.15);
    expect(refused({ is: 'open', lengthMm: 10_000, readings: [{ at: 'near', farads: 1e-10 }] })).toBe(
      'break.per-metre picofaradsPerMetre',
    );
  });

  it('near an end the strain relief is named: breaks sit there (common practice)', () => {
    const at = (near: number, far: number) =>
      found({
        is: 'open',
        lengthMm: 6000,
        readings: [
          { at: 'near', farads: near * 1e-12 },
          { at: 'far', farads: far * 1e-12 },
        ],
      });
    expect(at(4, 560)).toMatchObject({
      relief: 'near',
      says: expect.stringMatching(/strain relief of the near end/),
    });
    expect(at(560, 4)).toMatchObject({ relief: 'far', cut: { keep: 'near' } });
    expect(at(280, 280).relief).toBeUndefined();
  });
});

describe('a short by its loops', () => {
  it.each([0, 0.4, 3])('of %s Ω itself: from both ends that cancels', (own) => {
    const [perMetre, metres, x] = [0.11, 20, 13];
    const { mm, fromMm, toMm } = found({
      is: 'short',
      lengthMm: metres * 1000,
      ohmsPerMetre: perMetre,
      readings: [
        { at: 'near', ohms: perMetre * x + own },
        { at: 'far', ohms: perMetre * (metres - x) + own },
      ],
    });
    expect(mm).toBeCloseTo(x * 1000, 6);
    expect(fromMm).toBeLessThan(x * 1000);
    expect(toMm).toBeGreaterThan(x * 1000);
  });

  it('from one end no further than its loop: the short has some of its own', () => {
    const { fromMm, toMm } = found({
      is: 'short',
      lengthMm: 20_000,
      ohmsPerMetre: 0.1,
      readings: [{ at: 'near', ohms: 0.5 }],
    });
    expect(fromMm).toBe(0);
    // 0.5 Ω, 2 % and 0.03 Ω more, over 0.09 Ω/m.
    expect(toMm).toBeCloseTo((1000 * (0.5 * 1.02 + 0.03)) / 0.09, 6);
  });
});

describe('what cannot be placed is refused at its field', () => {
  it.each([
    [{ is: 'open', lengthMm: 1000, readings: [{ at: 'near', ohms: 3 }] }, 'break.farads readings[0].farads'],
    [
      { is: 'short', lengthMm: 1000, readings: [{ at: 'near', farads: 1e-12 }] },
      'break.ohms readings[0].ohms',
    ],
    [{ is: 'short', lengthMm: 1000, readings: [{ at: 'near', ohms: 1 }] }, 'break.loop ohmsPerMetre'],
    [
      {
        is: 'short',
        lengthMm: 1000,
        readings: [
          { at: 'near', ohms: 0 },
          { at: 'far', ohms: 0 },
        ],
      },
      'break.ohms readings',
    ],
    [
      {
        is: 'open',
        lengthMm: 1000,
        readings: [
          { at: 'near', farads: 1e-12 },
          { at: 'near', farads: 1e-12 },
        ],
      },
      'break.twice readings[1].at',
    ],
  ] as const)('%j', (readings, says) => expect(refused(readings)).toBe(says));
});
