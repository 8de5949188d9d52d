/** A deck typed by hand, with one value of it that a formula gives. */
export interface HandDeck {
  readonly deck: string;
  /** Vector, the value by formula at the operating point or at the first frequency (its magnitude), and the formula. */
  readonly op?: readonly [string, number];
  readonly ac?: readonly [string, number];
  readonly formula: string;
}

const PI2 = 2 * Math.PI;

/** Written by hand as the cards are usually written, not by Antler's own writer. */
export const HAND_DECKS: Readonly<Record<string, HandDeck>> = {
  divider: {
    deck: `two resistors\nV1 in 0 10\nR1 in out 1k\nR2 out 0 3k\n.op\n.end`,
    op: ['v(out)', 7.5],
    formula: 'R2 ÷ (R1 + R2)',
  },
  'parallel sources': {
    deck: `two outputs on one wire\nVA a 0 DC 1\nVB b 0 DC -1\nRA a m 50\nRB m b 50\n.op\n.print op v(m) i(va)\n.end`,
    op: ['i(va)', -0.02],
    formula: '(V1 − V2) ÷ (Z1 + Z2): 20 mA',
  },
  'phantom short': {
    deck: `P48 with one leg tied to 1\nVS s 0 48\nRH s h 6.81k\nRC s c 6.81k\nRT c 0 1u\n.op\n.print op i(vs) v(h)\n.end`,
    op: ['i(vs)', -48 / 6810.000001],
    formula: '48 V ÷ 6.81 kΩ: 7.05 mA',
  },
  'rc corner': {
    deck: `low-pass at its corner\nV1 in 0 AC 1\nR1 in out 100\nC1 out 0 10n\n.ac lin 3 159154.9431 2meg\n.print ac vm(out) vdb(out)\n.end`,
    ac: ['vm(out)', Math.SQRT1_2],
    formula: '1 ÷ √2 at 1 ÷ 2πRC',
  },
  'rc phase': {
    deck: `phase at the corner\nV1 in 0 AC 1 0\nR1 in out 10k\nC1 out 0 500p\n.ac lin 3 31830.98862 2meg\n.print ac vp(out)\n.end`,
    ac: ['vp(out)', Math.PI / 4],
    formula: '−45° at the corner',
  },
  'series resonance': {
    deck: `series RLC at resonance\nV1 in 0 AC 1\nR1 in a 10\nL1 a b 1m\nC1 b 0 1u\n.ac lin 3 5032.921210448704 2meg\n.print ac vm(b)\n.end`,
    ac: ['vm(b)', Math.sqrt(1e-3 / 1e-6) / 10],
    formula: 'Q = √(L ÷ C) ÷ R',
  },
  'current through r': {
    deck: `current source into a resistor\nI1 0 out DC 2m AC 2m\nR1 out 0 1k\n.op\n.ac lin 3 1k 2meg\n.print ac vm(out)\n.end`,
    op: ['v(out)', 2],
    ac: ['vm(out)', 2],
    formula: 'I · R',
  },
  'voltage controlled voltage': {
    deck: `an inverting stage\nV1 in 0 DC 0.5 AC 1\nE1 out 0 in 0 -4\nR1 out 0 1k\n.op\n.end`,
    op: ['v(out)', -2],
    formula: 'gain · V',
  },
  'voltage controlled current': {
    deck: `a transconductor\nV1 in 0 DC 0.5\nG1 0 out in 0 2m\nRL out 0 1k\n.op\n.end`,
    op: ['v(out)', 1],
    formula: 'g · V · R',
  },
  'g as a resistor': {
    deck: `a transconductor that watches itself\nI1 0 out 1m\nG1 out 0 out 0 1m\n.op\n.end`,
    op: ['v(out)', 1],
    formula: 'I ÷ g',
  },
  'perfect transformer': {
    deck: `two coupled windings, unloaded\nV1 in 0 AC 1\nR1 in p 1m\nL1 p 0 10\nL2 s 0 40\nK1 L1 L2 1\nRL s 0 1e9\n.ac lin 3 1k 2meg\n.print ac vm(s)\n.end`,
    ac: ['vm(s)', 2],
    formula: '√(L2 ÷ L1)',
  },
  'loose transformer': {
    deck: `two windings at k = 0.5\nV1 q 0 AC 1\nR1 q p 1m\nL1 p 0 10m\nL2 s 0 10m\nK1 L1 L2 0.5\nRL s 0 1meg\n.ac lin 3 1k 2meg\n.print ac vm(s)\n.end`,
    ac: ['vm(s)', 0.5],
    formula: 'k √(L2 ÷ L1), hardly loaded',
  },
  'dc through a coil': {
    deck: `an inductor is wire to direct current\nV1 in 0 3\nR1 in a 100\nL1 a b 1\nR2 b 0 200\n.op\n.print op v(b) i(l1)\n.end`,
    op: ['i(l1)', 0.01],
    formula: 'V ÷ (R1 + R2)',
  },
  'wheatstone bridge': {
    deck: `bridge, not balanced\nV1 t 0 10\nR1 t a 1\nR2 t b 2\nR3 a 0 3\nR4 b 0 4\n.op\n.print op v(a,b)\n.end`,
    op: ['v(a,b)', 10 * (3 / 4 - 4 / 6)],
    formula: '3/4 − 4/6 of the supply',
  },
  'sum, one side': {
    deck: `470, 470, 20 k into 10 k\n* handbook row 8: -6.32 dB a channel\nVL l 0 AC 1\nVR r 0 AC 0\nRA l s 470\nRB r s 470\nRC s 0 20k\nRI s 0 10k\n.ac lin 3 1000 2meg\n.print ac vdb(s)\n.end`,
    ac: ['vdb(s)', 6.32],
    formula: '−6.32 dB',
  },
  'common return': {
    deck: `crosstalk of a common return\nV1 l 0 AC 1\nRL l c 32\nRR r c 32\nRG c 0 0.2\nRS r 0 1m\n.ac lin 3 1000 2meg\n.print ac vdb(r,c)\n.end`,
    ac: ['vdb(r,c)', -20 * Math.log10(0.2 / 32.4)],
    formula: '20 log (0.2 ÷ (32 + 0.4)): −44 dB',
  },
  suffixes: {
    deck: `every suffix\nV1 a 0 1\nR1 a b 0.001meg\nR2 b c 1kohm ; a comment\nR3 c d 1000000m $ another\nR4 d e 1e9u\nR5 e f\n+ 1000.0\nR6 f 0 .001g\n.op\n.end`,
    op: ['v(f)', 1e6 / (1e6 + 5000)],
    formula: 'a divider of five times 1 kΩ and 1 MΩ',
  },
  'led from 48 v': {
    deck: `one leg of a tell-tale\n.model lamp D(IS=5.5e-20 N=2)\nVS s 0 48\nRF s a 6.81k\nRS a b 4.7k\nD1 b 0 lamp\n.op\n.print op i(vs)\n.end`,
    op: ['i(vs)', -(48 - 2) / 11510],
    formula: '(48 − 2) ÷ (6.81 k + 4.7 k), about',
  },
  'diode as small signal': {
    deck: `a diode's resistance at 1 mA\n.model d1 D IS=1e-14 N=1\nI1 0 a DC 1m AC 1m\nD1 a 0 d1\n.ac lin 3 1k 2meg\n.print ac vm(a)\n.end`,
    ac: ['vm(a)', 0.0258649],
    formula: 'I · Vt ÷ I: 25.86 mV',
  },
  'blocked diode': {
    deck: `a diode that faces the wrong way\n.model d1 D(IS=1e-15)\nV1 a 0 5\nR1 a b 10k\nD1 0 b d1\n.op\n.end`,
    op: ['v(b)', 5],
    formula: 'no current, no drop',
  },
  'decade sweep': {
    deck: `points a decade\nV1 in 0 AC 1 90\nL1 in out 10m\nR1 out 0 ${PI2 * 10}\n.ac dec 5 100 10k\n.print ac v(out) i(v1)\n.end`,
    ac: ['v(out)', 1 / Math.hypot(1, 0.1)],
    formula: '1 ÷ √(1 + (f ÷ fc)²), fc 1 kHz',
  },
  'octave sweep': {
    deck: `points an octave\nV1 in 0 AC 2\nR1 in out 1k\nC1 out 0 1u\nC2 in out 10n\n.ac oct 3 20 1280\n.print ac vr(out) vi(out)\n.end`,
    ac: [
      'vr(out)',
      // (1 + jωR·C2) ÷ (1 + jωR (C1 + C2)), times 2, its real part.
      (2 * (1 + PI2 * 20 * 1e-5 * PI2 * 20 * 1.01e-3)) / (1 + (PI2 * 20 * 1.01e-3) ** 2),
    ],
    formula: 'a divider of two capacitors and a resistor',
  },
};
