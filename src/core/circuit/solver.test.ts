import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { value } from '../../../tests/support/result';
import { diodeCircuit, linearCircuit, numbers } from '../../../tests/support/circuits';
import {
  BOLTZMANN,
  impedance,
  islandsOf,
  logarithmic,
  noise,
  operatingPoint,
  Orders,
  primitives,
  sweep,
  sweeps,
  transfer,
  wiped,
  type Circuit,
  type Element,
  type Trace,
} from '.';
import { junctionOf } from '../model';

const code = (result: { ok: boolean; problems?: readonly { code: string; path: string }[] }): string =>
  result.ok ? 'ok' : `${result.problems?.[0]?.code} ${result.problems?.[0]?.path}`;
const R = (id: string, a: string, b: string, ohms: number): Element => ({ kind: 'resistor', id, a, b, ohms });
const V = (id: string, a: string, b: string, dc: number): Element => ({
  kind: 'voltage',
  id,
  a,
  b,
  dc,
  ac: { magnitude: 1 },
});
const C = (id: string, a: string, b: string, farads: number): Element => ({
  kind: 'capacitor',
  id,
  a,
  b,
  farads,
});
const L = (id: string, a: string, b: string, henries: number): Element => ({
  kind: 'inductor',
  id,
  a,
  b,
  henries,
});
const seeds = fc.integer({ min: 1000, max: 90_000 });

describe('laws that any circuit keeps', () => {
  it('Kirchhoff’s current law holds to 1e-9 A at every node, diodes or none', () => {
    fc.assert(
      fc.property(seeds, fc.boolean(), (seed, diodes) => {
        const elements = diodes ? diodeCircuit(seed) : linearCircuit(seed);
        expect(value(operatingPoint({ elements })).residual).toBeLessThan(1e-9);
      }),
    );
  });

  it('is reciprocal where nothing is controlled: current in at one pair, voltage at the other, either way', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const passive = linearCircuit(seed).filter((each) =>
          ['resistor', 'capacitor', 'inductor', 'coupling'].includes(each.kind),
        );
        const with_ = (at: string): readonly Element[] => [
          ...passive,
          { kind: 'current', id: 'IP', a: '0', b: at, dc: 0, ac: { magnitude: 1 } },
        ];
        const frequencies = [20, 1000, 20_000];
        const there = value(transfer({ elements: with_('n1') }, 'IP', ['n2', '0'], frequencies));
        const back = value(transfer({ elements: with_('n2') }, 'IP', ['n1', '0'], frequencies));
        frequencies.forEach((_, n) => {
          const size = Math.hypot(there.re[n] ?? 0, there.im[n] ?? 0);
          expect(
            Math.hypot((there.re[n] ?? 0) - (back.re[n] ?? 0), (there.im[n] ?? 0) - (back.im[n] ?? 0)),
          ).toBeLessThan(1e-9 * Math.max(size, 1));
        });
      }),
    );
  });

  it('never gives out more than it takes in: the resistance of what is passive is not negative', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const elements = linearCircuit(seed).filter((each) =>
          ['resistor', 'capacitor', 'inductor', 'coupling'].includes(each.kind),
        );
        const z = value(impedance({ elements }, ['n1', '0'], logarithmic(10, 100_000, 7)));
        expect(Math.min(...z.re)).toBeGreaterThan(-1e-9);
      }),
    );
  });

  it('power from the sources is the power that goes warm in the resistors', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const elements = linearCircuit(seed).filter((each) =>
          ['resistor', 'voltage', 'current'].includes(each.kind),
        );
        const at = value(operatingPoint({ elements }));
        const drop = (each: { a: string; b: string }): number => at.voltage(each.a) - at.voltage(each.b);
        let given = 0;
        let warm = 0;
        for (const each of elements) {
          if (each.kind === 'voltage') given -= drop(each) * at.current(each.id);
          if (each.kind === 'current') given -= drop(each) * each.dc;
          if (each.kind === 'resistor') warm += drop(each) ** 2 / each.ohms;
        }
        expect(Math.abs(given - warm)).toBeLessThan(1e-9 * Math.max(1, warm));
      }),
    );
  });

  it('does not depend on the order of its elements', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const elements = linearCircuit(seed);
        const one = value(sweep({ elements }, [1000])).voltage('n1');
        const other = value(sweep({ elements: [...elements].reverse() }, [1000])).voltage('n1');
        expect(Math.abs((one.re[0] ?? 0) - (other.re[0] ?? 0))).toBeLessThan(1e-9);
      }),
    );
  });
});

describe('what is asked of a drive alone', () => {
  it('is what the whole solution says, whatever the circuit', () => {
    fc.assert(
      fc.property(fc.integer(), (seed) => {
        const circuit = { elements: linearCircuit(seed) };
        const drives = circuit.elements.flatMap((each) =>
          each.kind === 'voltage' || each.kind === 'current' ? [each.id] : [],
        );
        const hertz = [20, 1000, 30_000];
        const whole = sweeps(circuit, hertz, drives);
        if (!whole.ok) return;
        const nodes = whole.value[0]?.nodes ?? [];
        const asked = drives.map((source, n) => ({
          voltages: [[nodes[n % nodes.length] ?? '0', '0'] as const],
          currents: circuit.elements.some((each) => each.id === source && each.kind === 'voltage')
            ? [source]
            : [],
        }));
        const alone = sweeps(circuit, hertz, drives, { asked });
        if (!alone.ok) throw new Error(JSON.stringify(alone.problems));
        asked.forEach(({ voltages, currents }, n) => {
          const told = [
            ...voltages.map(([node]) => [alone.value[n]?.voltage(node), whole.value[n]?.voltage(node)]),
            ...currents.map((id) => [alone.value[n]?.current(id), whole.value[n]?.current(id)]),
          ];
          for (const [one, other] of told)
            hertz.forEach((_, f) => {
              const off = Math.hypot(
                (one?.re[f] ?? 0) - (other?.re[f] ?? 0),
                (one?.im[f] ?? 0) - (other?.im[f] ?? 0),
              );
              const size = Math.hypot(other?.re[f] ?? 0, other?.im[f] ?? 0);
              expect(off).toBeLessThan(1e-7 * size + 1e-9);
            });
        });
      }),
      { numRuns: 200 },
    );
  });

  it('is solved whole where rounding would be felt', () => {
    // A tree of resistors from tenths of a milliohm to gigaohms, no two ways the same.
    const tree = (seed: number): Circuit => {
      const next = numbers(seed);
      const ohms = (): number => 1e-4 * 1e15 ** next();
      return {
        elements: [
          V('V1', 'n0', '0', 1),
          ...Array.from({ length: 40 }, (_, n) => [
            R(`R${n}`, `n${n + 1}`, `n${Math.floor(next() * (n + 1))}`, ohms()),
            R(`S${n}`, `n${n + 1}`, `n${Math.floor(next() * (n + 1))}`, ohms()),
          ]).flat(),
          R('RL', 'n40', '0', ohms()),
        ],
      };
    };
    for (let seed = 0; seed < 200; seed++) {
      const whole = sweeps(tree(seed), [1000], ['V1']);
      const asked = Array.from({ length: 8 }, (_, n) => `n${5 * n + 3}`);
      const alone = sweeps(tree(seed), [1000], ['V1'], {
        asked: [{ voltages: asked.map((node) => [node, '0'] as const), currents: ['V1'] }],
      });
      if (!whole.ok || !alone.ok) continue;
      const current = [alone, whole].map(({ value: [one] }) => one?.current('V1').re[0] ?? 0);
      expect(Math.abs((current[0] ?? 0) / (current[1] ?? 0) - 1)).toBeLessThan(1e-5);
      for (const node of asked) {
        const [one, other] = [alone, whole].map(({ value: [each] }) => each?.voltage(node).re[0] ?? 0);
        expect(Math.abs((one ?? 0) - (other ?? 0))).toBeLessThan(3e-10);
      }
    }
  });

  it('does not hang on what is in line with an inductor having no unknown of its own', () => {
    const [load, ohms, henries, hertz] = [600, 100, 0.1, 1000];
    for (const turned of [false, true])
      for (const ends of [['in', 'mid'] as const, ['mid', 'in'] as const]) {
        const circuit: Circuit = {
          elements: [
            V('V1', 'in', '0', 1),
            R('R1', ends[0], ends[1], ohms),
            turned ? L('L1', 'out', 'mid', henries) : L('L1', 'mid', 'out', henries),
            R('R2', 'out', '0', load),
          ],
        };
        const asked = [{ voltages: [['out', '0'] as const], currents: ['L1'] }];
        const [made] = value(sweeps(circuit, [hertz], ['V1'], { asked }));
        const [real, imaginary] = [load + ohms, 2 * Math.PI * hertz * henries];
        const square = real * real + imaginary * imaginary;
        const { re, im } = made?.voltage('out') as Trace;
        expect([re[0], im[0]]).toEqual([
          expect.closeTo((load * real) / square, 12),
          expect.closeTo((-load * imaginary) / square, 12),
        ]);
        // From its a to its b.
        expect(made?.current('L1').re[0]).toBeCloseTo(((turned ? -1 : 1) * real) / square, 12);
        expect(() => made?.voltage('mid')).toThrow('was not asked for');
      }
  });

  it('is all that is told', () => {
    const circuit: Circuit = {
      elements: [
        { kind: 'voltage', id: 'V1', a: 'in', b: '0', dc: 1 },
        { kind: 'resistor', id: 'R1', a: 'in', b: 'out', ohms: 1 },
        { kind: 'resistor', id: 'R2', a: 'out', b: '0', ohms: 1 },
      ],
    };
    const made = sweeps(circuit, [1000], ['V1'], { asked: [{ voltages: [['out', '0']], currents: [] }] });
    if (!made.ok) throw new Error(JSON.stringify(made.problems));
    expect(made.value[0]?.voltage('out').re[0]).toBeCloseTo(0.5, 12);
    expect(() => made.value[0]?.voltage('in')).toThrow('was not asked for');
    expect(() => made.value[0]?.current('V1')).toThrow('was not asked for');
  });
});

describe('circuits that differ in their values alone', () => {
  const withOhms = (ohms: number): Circuit => ({
    elements: [
      V('V1', 'in', '0', 1),
      R('R1', 'in', 'out', 1000),
      R('R2', 'out', '0', ohms),
      R('R3', 'apart', 'there', 1000),
      R('R4', 'apart', '0', ohms),
      C('C1', 'out', '0', 1e-9),
    ],
  });

  it('share their skeleton, and each has its own answer: whatever was solved before, and in whatever order', () => {
    fc.assert(
      fc.property(
        seeds,
        fc.array(fc.double({ min: 0.1, max: 10, noNaN: true }), { minLength: 2, maxLength: 4 }),
        (seed, all) => {
          const orders = new Orders();
          const elements = linearCircuit(seed);
          const [drive] = elements.flatMap((each) => (each.kind === 'voltage' ? [each.id] : []));
          for (const times of all) {
            const circuit: Circuit = {
              elements: elements.map((each) =>
                each.kind === 'resistor'
                  ? { ...each, ohms: each.ohms * times }
                  : each.kind === 'capacitor'
                    ? { ...each, farads: each.farads / times }
                    : each.kind === 'inductor'
                      ? { ...each, henries: each.henries * times }
                      : each,
              ),
            };
            const [shared, own] = [
              sweeps(circuit, [1000], [drive], { orders }),
              sweeps(circuit, [1000], [drive]),
            ];
            expect(shared.ok).toBe(own.ok);
            if (!shared.ok || !own.ok) continue;
            const [one, other] = [shared.value[0], own.value[0]];
            for (const node of other?.nodes ?? []) {
              const [a, b] = [one?.voltage(node), other?.voltage(node)];
              const size = Math.hypot(b?.re[0] ?? 0, b?.im[0] ?? 0);
              expect(
                Math.hypot((a?.re[0] ?? 0) - (b?.re[0] ?? 0), (a?.im[0] ?? 0) - (b?.im[0] ?? 0)),
              ).toBeLessThan(1e-7 * size + 1e-9);
            }
          }
        },
      ),
      { numRuns: 100 },
    );
  });

  it('but not where the same names lie between other nodes, or couple others', () => {
    const orders = new Orders();
    const divider = (out: string): Circuit => ({
      elements: [
        { kind: 'voltage', id: 'V1', a: 'in', b: '0', dc: 9, ac: { magnitude: 1 } },
        R('R1', 'in', 'one', 1000),
        R('R2', 'one', 'two', 1000),
        R('R3', 'two', '0', 1000),
        R('R4', out, '0', 1000),
      ],
    });
    const at = (out: string): number => value(operatingPoint(divider(out), orders)).voltage('one');
    // 9 V: 1 kΩ beside 2 kΩ under 1 kΩ; or 1 kΩ and half of one under 1 kΩ.
    expect([at('one'), at('two'), at('one')]).toEqual(
      [3.6, 5.4, 3.6].map((volts) => expect.closeTo(volts, 6)),
    );
    const coupled = (other: string): Circuit => ({
      elements: [
        { kind: 'voltage', id: 'V1', a: 'in', b: '0', dc: 0, ac: { magnitude: 1 } },
        R('R1', 'in', 'p', 1),
        ...(['p', 'q', 'r'] as const).map((node) => ({
          kind: 'inductor' as const,
          id: `L_${node}`,
          a: node,
          b: '0',
          henries: 1e-3,
        })),
        R('Rq', 'q', '0', 1e6),
        R('Rr', 'r', '0', 1e6),
        { kind: 'coupling', id: 'K1', of: ['L_p', `L_${other}`], k: 0.5 },
      ],
    });
    const heard = (other: string, node: string): number => {
      const [swept] = value(sweeps(coupled(other), [10_000], ['V1'], { orders }));
      const seen = swept?.voltage(node);
      return Math.hypot(seen?.re[0] ?? 0, seen?.im[0] ?? 0);
    };
    // Half of what stands on the first: R against ωL of 63 Ω leaves all of it.
    expect([heard('q', 'q'), heard('q', 'r')]).toEqual([expect.closeTo(0.5, 2), expect.closeTo(0, 6)]);
    expect([heard('r', 'q'), heard('r', 'r')]).toEqual([expect.closeTo(0, 6), expect.closeTo(0.5, 2)]);
  });

  it('but not where a resistance is no more than a leak: what it held floats then', () => {
    const orders = new Orders();
    const solved = [1000, 1e12, 1000].map((ohms) => value(operatingPoint(withOhms(ohms), orders)));
    expect(solved.map((each) => each.tied)).toEqual([[], ['apart'], []]);
    expect(solved.map((each) => each.voltage('out'))).toEqual(
      [0.5, 1, 0.5].map((volts) => expect.closeTo(volts, 6)),
    );
  });

  it('a capacitance may be nothing, and no less', () => {
    const withFarads = (farads: number): Circuit => ({
      elements: [
        { kind: 'voltage', id: 'V1', a: 'in', b: '0', dc: 1, ac: { magnitude: 1 } },
        R('R1', 'in', 'out', 1000),
        C('C1', 'out', '0', farads),
        R('R2', 'out', '0', 1000),
      ],
    });
    expect(code(operatingPoint(withFarads(0)))).toBe('ok');
    expect(code(operatingPoint(withFarads(-1e-12)))).toBe('circuit.value C1');
  });

  it('a value that no element may have is named, whatever is known of the rest', () => {
    const orders = new Orders();
    expect(code(operatingPoint(withOhms(1000), orders))).toBe('ok');
    expect(code(operatingPoint(withOhms(-1), orders))).toBe('circuit.value R2');
  });
});

describe('what cannot be solved is named, with its place', () => {
  it.each<[string, readonly Element[], string]>([
    ['two voltages in a ring', [V('V1', 'a', '0', 1), V('V2', 'a', '0', 2)], 'circuit.source-loop V2'],
    ['a coil across a voltage', [V('V1', 'a', '0', 1), L('L1', 'a', '0', 1)], 'circuit.source-loop L1'],
    [
      'a current with no way back',
      [{ kind: 'current', id: 'I1', a: '0', b: 'x', dc: 1 }, R('R1', 'x', 'y', 10)],
      'circuit.current-cut I1',
    ],
    ['a resistance of nothing', [V('V1', 'a', '0', 1), R('R1', 'a', '0', 0)], 'circuit.value R1'],
    ['a name used twice', [R('R1', 'a', '0', 1), R('R1', 'a', '0', 2)], 'circuit.twice R1'],
    [
      'a coupling to nothing',
      [L('L1', 'a', '0', 1), { kind: 'coupling', id: 'K1', of: ['L1', 'L9'], k: 1 }],
      'circuit.value K1',
    ],
    [
      'a transconductor that cancels its load',
      [
        V('V1', 'a', '0', 1),
        R('R0', 'a', 'b', 1e3),
        R('R1', 'b', '0', 1e3),
        { kind: 'vccs', id: 'G1', a: 'b', b: '0', c: 'b', d: '0', siemens: -2e-3 },
      ],
      'circuit.singular b',
    ],
    [
      'two diodes in a row across 20 V',
      [
        V('V1', 'a', '0', 20),
        { kind: 'diode', id: 'D1', a: 'a', b: 'm', is: 1e-14, n: 1 },
        { kind: 'diode', id: 'D2', a: 'm', b: '0', is: 1e-14, n: 1 },
      ],
      'circuit.no-convergence D1',
    ],
  ])('%s', (_, elements, expected) => expect(code(operatingPoint({ elements }))).toBe(expected));

  it('a frequency of nothing', () =>
    expect(code(sweep({ elements: [V('V1', 'a', '0', 1), R('R1', 'a', '0', 1)] }, [0]))).toBe(
      'circuit.frequency frequency',
    ));

  it('a drive that is no source of the circuit', () =>
    expect(code(sweeps({ elements: [V('V1', 'a', '0', 1), R('R1', 'a', '0', 1)] }, [50], ['V9']))).toBe(
      'circuit.source V9',
    ));

  it('what floats is tied once, where its leak is or at its first node, and carries nothing', () => {
    const elements = [
      V('V1', 'a', '0', 1),
      R('R1', 'a', '0', 10),
      V('V2', 'x', 'y', 5),
      R('R2', 'x', 'y', 100),
    ];
    const at = value(operatingPoint({ elements }));
    expect(at.tied).toEqual(['x']);
    expect(at.voltage('x') - at.voltage('y')).toBeCloseTo(5, 12);
    const leaking = [...elements, R('RL', 'y', '0', 1e12)];
    expect(islandsOf(primitives({ elements: leaking }), false)).toMatchObject([{ tie: 'y', leaking: true }]);
    expect(value(operatingPoint({ elements: leaking })).voltage('x')).toBeCloseTo(5, 12);
  });
});

describe('parts', () => {
  it('an LED of 2 V passes 4 mA at 2 V, and 4.00 mA through 11.51 kΩ from 48 V (handbook, section 12)', () => {
    const at = value(
      operatingPoint({
        elements: [
          V('V1', 's', '0', 48),
          R('R1', 's', 'a', 11_510),
          { kind: 'diode', id: 'D1', a: 'a', b: '0', ...junctionOf('led', 2) },
        ],
      }),
    );
    expect(-1000 * at.current('V1')).toBeCloseTo(4.0, 2);
  });

  it('a diode the wrong way round passes next to nothing', () => {
    const at = value(
      operatingPoint({
        elements: [
          V('V1', 's', '0', 48),
          R('R1', 's', 'a', 1e4),
          { kind: 'diode', id: 'D1', a: '0', b: 'a', ...junctionOf('led', 2) },
        ],
      }),
    );
    expect(Math.abs(at.current('V1'))).toBeLessThan(1e-9);
  });

  it('controls are two resistors that add up; a logarithmic one has 15 % at half turn (common practice: 10 to 20 %)', () => {
    for (const turn of [0, 0.25, 0.5, 1]) {
      const parts = primitives({
        elements: [
          {
            kind: 'potentiometer',
            id: 'P',
            a: 'a',
            b: 'b',
            wiper: 'w',
            ohms: 1000,
            turn,
            taper: 'logarithmic',
          },
        ],
      });
      expect(parts.reduce((sum, each) => sum + (each.kind === 'resistor' ? each.ohms : 0), 0)).toBeCloseTo(
        1000,
        9,
      );
    }
    expect(wiped(0.5, 'logarithmic')).toBeCloseTo(0.15, 12);
    expect(wiped(0.5, 'linear')).toBe(0.5);
    expect([wiped(0, 'logarithmic'), wiped(1, 'logarithmic'), wiped(2, 'linear')]).toEqual([0, 1, 1]);
  });

  it('a closed switch passes, an open one does not', () => {
    const of = (closed: boolean): number =>
      value(
        operatingPoint({
          elements: [
            V('V1', 'a', '0', 1),
            { kind: 'switch', id: 'S1', a: 'a', b: 'b', closed },
            R('R1', 'b', '0', 1000),
          ],
        }),
      ).voltage('b');
    expect(of(true)).toBeCloseTo(1, 3);
    expect(of(false)).toBe(0);
  });
});

describe('noise', () => {
  it('of a resistor is √(4kTR), and a capacitor across it makes √(kT ÷ C) of it whatever R is', () => {
    const kelvin = 293.15;
    const alone = value(noise({ elements: [R('R1', 'a', '0', 1000)] }, ['a', '0'], [1000]));
    expect(alone.density[0]).toBeCloseTo(Math.sqrt(4 * BOLTZMANN * kelvin * 1000), 15);
    for (const ohms of [1e4, 1e5]) {
      const frequencies = logarithmic(0.01, 1e9, 6000);
      const both = value(
        noise({ elements: [R('R1', 'a', '0', ohms), C('C1', 'a', '0', 1e-9)] }, ['a', '0'], frequencies),
      );
      expect(both.volts / Math.sqrt((BOLTZMANN * kelvin) / 1e-9)).toBeCloseTo(1, 2);
    }
  });

  it('is that of the whole resistance seen, however it is made up (Nyquist)', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const elements = linearCircuit(seed).filter((each) => each.kind === 'resistor');
        const z = value(impedance({ elements }, ['n2', '0'], [1000]));
        const n = value(noise({ elements }, ['n2', '0'], [1000], 20));
        // Of resistors decades apart as many digits are left as two ways of solving them agree in.
        expect((n.density[0] ?? 0) ** 2 / (4 * BOLTZMANN * 293.15 * (z.re[0] ?? 1))).toBeCloseTo(1, 8);
      }),
    );
  });
});

it('several drives at once are the same as one after the other', () => {
  const elements = [
    V('V1', 'a', '0', 0),
    V('V2', 'b', '0', 0),
    R('R1', 'a', 'm', 470),
    R('R2', 'b', 'm', 470),
    C('C1', 'm', '0', 1e-8),
  ];
  const [one, other] = value(sweeps({ elements }, [1e4], ['V1', 'V2']));
  expect(one?.voltage('m').re[0]).toBeCloseTo(
    value(transfer({ elements }, 'V1', ['m', '0'], [1e4])).re[0] ?? 0,
    12,
  );
  expect(other?.voltage('m').re[0]).toBeCloseTo(one?.voltage('m').re[0] ?? 0, 12);
});
