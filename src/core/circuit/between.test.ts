import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { value } from '../../../tests/support/result';
import { linearCircuit, numbers } from '../../../tests/support/circuits';
import { logarithmic, sweeps, type Circuit, type Element, type NodeName, type Sweep, type Trace } from '.';

const GRID = logarithmic(10, 200_000, 241);

/**
 * Whether a trace is another: to a millionth of each value, and where that is nothing to what rounding leaves of the
 * largest number that it is a difference of.
 */
const isSame = (one: Trace, other: Trace, largest: number): boolean =>
  one.re.every((_, n) => {
    const by = Math.hypot(
      (one.re[n] as number) - (other.re[n] as number),
      (one.im[n] as number) - (other.im[n] as number),
    );
    const size = Math.hypot(other.re[n] as number, other.im[n] as number);
    return by <= 1e-6 * size + 1e-9 * largest;
  });
const largestOf = ({ re, im }: Trace): number =>
  Math.max(...re.map((each, n) => Math.hypot(each, im[n] ?? 0)));

/** One source at 1 V, what some nodes hear: asked for, and all solved at each frequency. */
function both(circuit: Circuit, source: string, nodes: readonly NodeName[], hertz = GRID): readonly Sweep[] {
  const asked = [{ voltages: nodes.map((node) => [node, '0'] as const), currents: [] }];
  const [one] = value(sweeps(circuit, hertz, [source], { asked }));
  const [other] = value(sweeps(circuit, hertz, [source]));
  return [one as Sweep, other as Sweep];
}

const drive: Element = { kind: 'voltage', id: 'V1', a: 'in', b: '0', dc: 0, ac: { magnitude: 1 } };

/** Resonances in line, each with its own place and sharpness. */
function resonances(
  seed: number,
  most: number,
): { readonly elements: readonly Element[]; readonly nodes: readonly string[] } {
  const next = numbers(seed);
  const elements = Array.from({ length: 6 }, (_, n): readonly Element[] => {
    const [omega, ohms] = [2 * Math.PI * 20 * 5000 ** next(), 10 ** (1 + 3 * next())];
    const sharp = most ** next();
    const before = n === 0 ? 'in' : `n${n}`;
    return [
      { kind: 'resistor', id: `R${n}`, a: before, b: `n${n + 1}`, ohms },
      { kind: 'inductor', id: `L${n}`, a: `n${n + 1}`, b: `m${n + 1}`, henries: ohms / (omega * sharp) },
      { kind: 'resistor', id: `S${n}`, a: `m${n + 1}`, b: '0', ohms: ohms / sharp ** 2 / 10 },
      { kind: 'capacitor', id: `C${n}`, a: `n${n + 1}`, b: '0', farads: sharp / (omega * ohms) },
    ];
  }).flat();
  return { elements: [drive, ...elements], nodes: ['n1', 'n3', 'n6'] };
}

describe('a circuit at many frequencies, solved at a few', () => {
  it('is what a low-pass and a resonance are by their formula', () => {
    const [ohms, farads, henries] = [1000, 1e-8, 0.01];
    const elements: Element[] = [
      drive,
      { kind: 'resistor', id: 'R1', a: 'in', b: 'low', ohms },
      { kind: 'capacitor', id: 'C1', a: 'low', b: '0', farads },
      { kind: 'inductor', id: 'L1', a: 'in', b: 'x', henries },
      { kind: 'resistor', id: 'R2', a: 'x', b: 'ring', ohms: 1 },
      { kind: 'capacitor', id: 'C2', a: 'ring', b: '0', farads },
    ];
    const [made] = both({ elements }, 'V1', ['low', 'ring']);
    GRID.forEach((hertz, n) => {
      const omega = 2 * Math.PI * hertz;
      const low = 1 / Math.hypot(1, omega * ohms * farads);
      const ring = 1 / Math.hypot(1 - omega * omega * henries * farads, omega * farads);
      for (const [node, wanted] of [
        ['low', low],
        ['ring', ring],
      ] as const) {
        const { re, im } = made?.voltage(node) as Trace;
        expect(Math.hypot(re[n] ?? 0, im[n] ?? 0) / wanted).toBeCloseTo(1, 6);
      }
    });
  });

  it('is what it is solved at each, whatever the circuit', () => {
    fc.assert(
      fc.property(fc.integer(), (seed) => {
        const circuit = { elements: linearCircuit(seed) };
        const drives = circuit.elements.flatMap((each) => (each.kind === 'voltage' ? [each.id] : []));
        const whole = sweeps(circuit, GRID, drives);
        if (!whole.ok || drives.length === 0) return;
        const nodes = whole.value[0]?.nodes ?? [];
        const asked = drives.map((source, n) => ({
          voltages: [[nodes[n % nodes.length] ?? '0', nodes[(n + 3) % nodes.length] ?? '0'] as const],
          currents: [source],
        }));
        const few = value(sweeps(circuit, GRID, drives, { asked }));
        asked.forEach(({ voltages, currents }, n) => {
          const [one, other] = [few[n] as Sweep, whole.value[n] as Sweep];
          for (const [a, b] of voltages) {
            const from = Math.max(1, largestOf(other.voltage(a)), largestOf(other.voltage(b)));
            expect(isSame(one.voltage(a, b), other.voltage(a, b), from)).toBe(true);
          }
          for (const id of currents) {
            const from = Math.max(1e-3, largestOf(other.current(id)));
            expect(isSame(one.current(id), other.current(id), from)).toBe(true);
          }
        });
      }),
      { numRuns: 100 },
    );
  });

  it('misses no resonance, however sharp', () => {
    for (let seed = 0; seed < 40; seed++) {
      const { nodes, ...circuit } = resonances(seed, seed < 20 ? 3 : 30);
      const [one, other] = both(circuit, 'V1', nodes);
      for (const node of nodes) {
        const wanted = other?.voltage(node) as Trace;
        const same = isSame(one?.voltage(node) as Trace, wanted, largestOf(wanted));
        expect([seed, node, same]).toEqual([seed, node, true]);
      }
    }
  });

  it('in any order of its frequencies, and with one of them twice', () => {
    const { nodes, ...circuit } = resonances(7, 5);
    const mixed = [
      ...GRID.filter((_, n) => n % 2 === 0),
      1000,
      1000,
      ...GRID.filter((_, n) => n % 2 === 1).reverse(),
    ];
    const [one, other] = both(circuit, 'V1', nodes, mixed);
    for (const node of nodes) {
      const wanted = other?.voltage(node) as Trace;
      expect(isSame(one?.voltage(node) as Trace, wanted, largestOf(wanted))).toBe(true);
    }
  });

  it('where nothing goes with frequency it is the same at all', () => {
    const elements: Element[] = [
      drive,
      { kind: 'resistor', id: 'R1', a: 'in', b: 'out', ohms: 3 },
      { kind: 'resistor', id: 'R2', a: 'out', b: '0', ohms: 1 },
    ];
    const [made] = both({ elements }, 'V1', ['out']);
    for (const each of made?.voltage('out').re ?? []) expect(each).toBeCloseTo(0.25, 12);
  });
});
