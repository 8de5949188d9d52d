import { describe, expect, it } from 'vitest';
import { leadFor } from '../../../tests/support/leads';
import { decibels, solve } from '../../../tests/support/network';
import type { IntentEnd } from '.';

const line: IntentEnd = { port: 'line-input', family: 'xlr3' };
const lineOut: IntentEnd = { port: 'line-ground-referenced', family: 'xlr3' };
const phono = (port: string): IntentEnd => ({ port, family: 'phono' });

describe('the sum that is derived', () => {
  const { assembly } = leadFor({
    from: { port: 'headphone-output', family: 'trs35' },
    to: line,
    cable: 'pair-mini',
  });
  /** dB of one channel at the input, the other at rest; sources behind Z Ω, into a load of R Ω. */
  const level = (z: number, load: number): number =>
    decibels(
      solve(assembly, 'A.S', [
        { from: 'A.S', to: 'A.T', ohms: Math.max(z, 1e-6), volts: 1 },
        { from: 'A.S', to: 'A.R', ohms: Math.max(z, 1e-6) },
        { from: 'B.2', to: 'B.1', ohms: load },
      ])('B.2'),
    );
  /** Load on one source, Ω, with the other at some volts. */
  const seen = (load: number, other: number): number => {
    const volts = solve(assembly, 'A.S', [
      { from: 'A.S', to: 'A.T', ohms: 1, volts: 1 },
      { from: 'A.S', to: 'A.R', ohms: 1e-6, volts: other },
      { from: 'B.2', to: 'B.1', ohms: load },
    ]);
    const v = volts('A.T');
    return v / (1 - v);
  };

  // Check values of the handbook, section 5: 470, 470 and 20 kΩ.
  it.each([
    [0, 1e12, -6.12],
    [0, 10_000, -6.32],
    [1000, 10_000, -6.93],
  ])('sources of %s Ω into %s Ω: %s dB a channel', (z, load, db) =>
    expect(level(z, load)).toBeCloseTo(db, 2),
  );

  it.each([
    [10_000, 0, 909],
    [1e12, 0, 929],
    [10_000, 1, 13_800],
    [1e12, 1, 40_500],
  ])('into %s Ω with the other source at %s V each source sees %s Ω', (load, other, ohms) =>
    expect(Math.abs(seen(load, other) / ohms - 1)).toBeLessThan(0.01),
  );

  it('the output impedance is 232 Ω', () => {
    const open = solve(assembly, 'A.S', [
      { from: 'A.T', to: 'A.S', ohms: 1e-6 },
      { from: 'A.R', to: 'A.S', ohms: 1e-6 },
      { from: 'B.1', to: 'B.2', ohms: 1, volts: 1 },
    ]);
    const v = open('B.2');
    expect(v / (1 - v)).toBeCloseTo(232, 0);
  });

  it('is the same network with its resistors in the source’s shell', () => {
    const atSource = leadFor({
      from: { port: 'headphone-output', family: 'trs635' },
      to: line,
      cable: 'pair-braid',
      choices: { resistors: 'source' },
    }).assembly;
    const volts = solve(atSource, 'A.S', [
      { from: 'A.S', to: 'A.T', ohms: 1e-6, volts: 1 },
      { from: 'A.S', to: 'A.R', ohms: 1e-6 },
      { from: 'B.2', to: 'B.1', ohms: 10_000 },
    ]);
    expect(decibels(volts('B.2'))).toBeCloseTo(-6.32, 2);
    expect(atSource.bodies.map((body) => body.parts.length)).toEqual([3, 0]);
  });
});

describe('pads that are derived', () => {
  const pad = (choices: Record<string, string>, patch: object = {}) =>
    leadFor({ from: lineOut, to: line, wiring: 'pad', choices, ...patch }).assembly;
  /** Loss from the pad's input to the load, dB; E24 values put it within half a dB of what was asked for. */
  const loss = (
    assembly: ReturnType<typeof pad>,
    ins: readonly [string, string],
    outs: readonly [string, string],
    load: number,
  ) => {
    const volts = solve(assembly, ins[1], [
      { from: ins[1], to: ins[0], ohms: 1e-6, volts: 1 },
      { from: outs[0], to: outs[1], ohms: load },
    ]);
    return -decibels(volts(outs[0]) - volts(outs[1]));
  };
  const XLR = [
    ['A.2', 'A.3'],
    ['B.2', 'B.3'],
  ] as const;

  it.each([
    ['10', 20_000],
    ['20', 20_000],
    ['30', 20_000],
    ['40', 20_000],
  ])('bridging, %s dB into %s Ω', (db, load) =>
    expect(Math.abs(loss(pad({ loss: db }), ...XLR, load) - Number(db))).toBeLessThan(0.5),
  );

  it.each([
    ['matched-t', '10'],
    ['matched-t', '20'],
    ['matched-t', '30'],
    ['matched-pi', '10'],
    ['matched-pi', '20'],
    ['matched-pi', '30'],
  ])('%s, %s dB between 600 Ω and 600 Ω, and 600 Ω is seen at its input', (design, db) => {
    const assembly = pad({ loss: db, pad: design });
    expect(Math.abs(loss(assembly, ...XLR, 600) - Number(db))).toBeLessThan(0.8);
    const volts = solve(assembly, 'A.3', [
      { from: 'A.3', to: 'A.2', ohms: 600, volts: 1 },
      { from: 'B.2', to: 'B.3', ohms: 600 },
    ]);
    const v = volts('A.2');
    expect(Math.abs((600 * v) / (1 - v) / 600 - 1)).toBeLessThan(0.06);
  });

  it('both legs of a balanced pad are alike', () => {
    for (const design of ['bridging', 'matched-t', 'matched-pi']) {
      const volts = solve(pad({ loss: '20', pad: design }), 'A.1', [
        { from: 'A.1', to: 'A.2', ohms: 100, volts: 0.5 },
        { from: 'A.1', to: 'A.3', ohms: 100, volts: -0.5 },
        { from: 'B.2', to: 'B.3', ohms: 10_000 },
      ]);
      expect(volts('B.2') + volts('B.3')).toBeCloseTo(0, 9);
    }
  });

  it('an unbalanced one is in the hot leg alone', () => {
    const assembly = pad(
      { loss: '20' },
      { from: phono('unbalanced-output'), to: phono('unbalanced-input'), cable: 'instrument-coax' },
    );
    expect(Math.abs(loss(assembly, ['A.C', 'A.K'], ['B.C', 'B.K'], 10_000) - 20)).toBeLessThan(0.5);
  });
});

describe('the tell-tale that is derived', () => {
  /** Supplies of IEC 61938 (cited, from memory): volts, and Ω to each leg. */
  const SUPPLIES = { P48: [48, 6810], P24: [24, 1200], P12: [12, 680] } as const;
  const milliamps = (supply: keyof typeof SUPPLIES, resistor: string): number => {
    const { assembly } = leadFor({
      from: [],
      to: { port: 'microphone-input-phantom', family: 'xlr3' },
      form: 'plug',
      choices: { 'lamp-resistor': resistor, guard: 'none' },
    });
    const [volts, ohms] = SUPPLIES[supply];
    const at = solve(assembly, 'A.1', [
      { from: 'A.1', to: 'A.2', ohms, volts },
      { from: 'A.1', to: 'A.3', ohms, volts },
    ]);
    return ((volts - at('A.2')) / ohms) * 1000;
  };

  // Check values of the handbook, section 12, for a 2 V lamp.
  it.each([
    ['P48', '4700', 4.0],
    ['P48', '10000', 2.74],
    ['P24', '4700', 3.73],
    ['P12', '4700', 1.86],
  ] as const)('%s through %s Ω: %s mA a leg', (supply, resistor, expected) =>
    expect(milliamps(supply, resistor)).toBeCloseTo(expected, 2),
  );

  it('every resistor offered stays under the 10 mA that P48 gives in all, with at least 2 mA for a lamp', () => {
    for (const resistor of ['4700', '6800', '10000']) {
      expect(2 * milliamps('P48', resistor)).toBeLessThan(10);
      expect(milliamps('P48', resistor)).toBeGreaterThan(2);
    }
  });
});
