import type { Element } from '../../src/core/circuit';

/** Numbers that look random and are the same on every run (Marsaglia's xorshift). */
export function numbers(seed: number): () => number {
  let state = (seed * 2654435761 + 1) >>> 0 || 1;
  const next = (): number => {
    state ^= state << 13;
    state >>>= 0;
    state ^= state >>> 17;
    state ^= state << 5;
    state >>>= 0;
    return state / 2 ** 32;
  };
  for (let n = 0; n < 8; n++) next();
  return next;
}

/**
 * A circuit of every kind of linear element on a few nodes. A resistor from each node to an earlier one keeps it in one
 * piece; sources that insist on a voltage stand behind a resistor, so that no two make a ring.
 */
export function linearCircuit(seed: number): readonly Element[] {
  const next = numbers(seed);
  const nodes = 2 + Math.floor(next() * 7);
  const node = (): string => {
    const n = Math.floor(next() * (nodes + 1));
    return n === 0 ? '0' : `n${n}`;
  };
  const pair = (): readonly [string, string] => {
    const a = node();
    let b = node();
    while (b === a) b = node();
    return [a, b];
  };
  const spread = (from: number, to: number): number => from * (to / from) ** next();
  const elements: Element[] = [
    {
      kind: 'voltage',
      id: 'V0',
      a: 'n1',
      b: '0',
      dc: 1 + next(),
      ac: { magnitude: 1, degrees: 360 * next() },
    },
  ];
  for (let n = 1; n <= nodes; n++)
    elements.push({
      kind: 'resistor',
      id: `R${n}`,
      a: `n${n}`,
      b: n === 1 ? '0' : `n${1 + Math.floor(next() * (n - 1))}`,
      ohms: spread(1, 1e5),
    });
  const extra = 2 + Math.floor(next() * 9);
  for (let n = 0; n < extra; n++) {
    const [a, b] = pair();
    const inside = `m${n}`;
    switch (Math.floor(next() * 8)) {
      case 0:
        elements.push({ kind: 'resistor', id: `RX${n}`, a, b, ohms: spread(0.05, 1e6) });
        break;
      case 1:
      case 2:
        elements.push({ kind: 'capacitor', id: `C${n}`, a, b, farads: spread(1e-12, 1e-6) });
        break;
      case 3:
        elements.push(
          { kind: 'resistor', id: `RL${n}`, a, b: inside, ohms: spread(0.1, 1e3) },
          { kind: 'inductor', id: `L${n}`, a: inside, b, henries: spread(1e-7, 0.5) },
        );
        break;
      case 4: {
        const [c, d] = pair();
        elements.push(
          { kind: 'resistor', id: `RL${n}`, a, b: inside, ohms: spread(0.1, 1e3) },
          { kind: 'inductor', id: `L${n}`, a: inside, b, henries: spread(1e-5, 0.5) },
          { kind: 'resistor', id: `RM${n}`, a: c, b: `${inside}x`, ohms: spread(0.1, 1e3) },
          { kind: 'inductor', id: `LM${n}`, a: `${inside}x`, b: d, henries: spread(1e-5, 0.5) },
          { kind: 'coupling', id: `K${n}`, of: [`L${n}`, `LM${n}`], k: 1.9 * next() - 0.95 },
        );
        break;
      }
      case 5:
        elements.push({
          kind: 'current',
          id: `I${n}`,
          a,
          b,
          dc: 1e-3 * next(),
          ac: { magnitude: 1e-3 * next() },
        });
        break;
      case 6: {
        const [c, d] = pair();
        elements.push({ kind: 'vccs', id: `G${n}`, a, b, c, d, siemens: spread(1e-7, 1e-4) });
        break;
      }
      default: {
        const [c, d] = pair();
        elements.push(
          { kind: 'vcvs', id: `E${n}`, a: inside, b, c, d, gain: 2 * next() - 1 },
          { kind: 'resistor', id: `RE${n}`, a, b: inside, ohms: spread(10, 1e4) },
        );
      }
    }
  }
  return elements;
}

/** Diodes and lamps among resistors, fed from sources of a few volts. */
export function diodeCircuit(seed: number): readonly Element[] {
  const next = numbers(seed + 7919);
  const nodes = 3 + Math.floor(next() * 4);
  const spread = (from: number, to: number): number => from * (to / from) ** next();
  const name = (n: number): string => (n === 0 ? '0' : `n${n}`);
  const elements: Element[] = [
    { kind: 'voltage', id: 'V0', a: 'n1', b: '0', dc: 48 * (2 * next() - 1), ac: { magnitude: 1 } },
  ];
  for (let n = 2; n <= nodes; n++)
    elements.push({
      kind: 'resistor',
      id: `R${n}`,
      a: name(n),
      b: name(1 + Math.floor(next() * (n - 1))),
      ohms: spread(50, 5e4),
    });
  const count = 1 + Math.floor(next() * 5);
  for (let n = 0; n < count; n++) {
    const a = Math.floor(next() * (nodes + 1));
    let b = Math.floor(next() * (nodes + 1));
    while (b === a) b = Math.floor(next() * (nodes + 1));
    // Each behind a resistor: several in a row across the source would carry currents that are not of this world.
    elements.push(
      { kind: 'resistor', id: `RD${n}`, a: name(a), b: `d${n}`, ohms: spread(20, 5e3) },
      {
        kind: 'diode',
        id: `D${n}`,
        a: `d${n}`,
        b: name(b),
        is: spread(1e-19, 1e-9),
        n: 1 + next(),
        ...(next() < 0.4 ? { rs: spread(0.1, 20) } : {}),
      },
    );
  }
  elements.push({ kind: 'resistor', id: 'RG', a: name(nodes), b: '0', ohms: spread(100, 1e5) });
  return elements;
}
