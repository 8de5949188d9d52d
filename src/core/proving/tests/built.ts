import { spanLengths, type Assembly, type Part } from '../../assembly';
import { operatingPoint, sweeps, type Circuit } from '../../circuit';
import { leadCircuit, type LeadCircuit } from '../../model';
import type { Situation } from '../../situation';
import type { Variant } from '../faults';

/** Where a functional test listens, Hz. */
const TEST_HERTZ = 1000;

/** A lead that was built so, plugged in. Its lengths are those of the lead as designed. */
export function plugged(
  { assembly, extra = [] }: Variant,
  situation: Situation,
  designed: Assembly,
  { supplies = false, turn = 0.5 }: { readonly supplies?: boolean; readonly turn?: number } = {},
): LeadCircuit {
  const made = leadCircuit(assembly, situation, {
    lengths: spanLengths(designed),
    supplies,
    turn,
    groundVolts: 0,
  });
  const more = extra.map(({ a, b, ohms }, n) => ({
    kind: 'resistor' as const,
    id: `R_fault_${n}`,
    a: made.node(a),
    b: made.node(b),
    ohms: Math.max(ohms, 1e-3),
  }));
  return {
    ...made,
    circuit: {
      ...made.circuit,
      elements: [...made.circuit.elements, ...more.filter(({ a, b }) => a !== b)],
    },
  };
}

/** What each input hears of each source alone, V a volt; nothing where the circuit has no answer. */
export function gains(made: LeadCircuit): readonly (readonly number[])[] | undefined {
  const asked = { voltages: made.heard.map(({ between }) => between), currents: [] };
  const drives = made.driven.map(({ source }) => source);
  const found = sweeps(made.circuit, [TEST_HERTZ], drives, { asked: drives.map(() => asked) });
  if (!found.ok) return undefined;
  return made.driven.map((_, n) =>
    made.heard.map(({ between }) => {
      const { re, im } = found.value[n]?.voltage(...between) ?? { re: [], im: [] };
      return Math.hypot(re[0] ?? 0, im[0] ?? 0);
    }),
  );
}

/** What a lamp is lit by, A, that an eye sees (from memory: half a milliampere in a dim room). */
const SEEN = 5e-4;

/** What goes through each lamp of a circuit, A, by the id of the part; nothing where the circuit has no answer. */
export function lampsIn(circuit: Circuit, parts: readonly Part[]): ReadonlyMap<string, number> | undefined {
  const found = operatingPoint(circuit);
  if (!found.ok) return undefined;
  const { current, voltage } = found.value;
  return new Map(
    parts.flatMap((part): readonly (readonly [string, number])[] => {
      if (part.kind === 'led') {
        const isThere = circuit.elements.some(({ id }) => id === `D_${part.id}`);
        return [[part.id, isThere ? current(`D_${part.id}`) : 0]];
      }
      if (part.kind !== 'lamp') return [];
      const filament = circuit.elements.find((each) => each.id === `R_${part.id}`);
      return [
        [
          part.id,
          filament?.kind === 'resistor'
            ? Math.abs(voltage(filament.a) - voltage(filament.b)) / filament.ohms
            : 0,
        ],
      ];
    }),
  );
}

/** Whether a lamp that should have so much has enough to be taken for it: both dark, or about as bright. */
export const isAsBright = (amps: number, should: number): boolean =>
  should < SEEN ? amps < SEEN : amps >= SEEN && amps > should / 2.5 && amps < should * 2.5;

/** All parts of a lead. */
export const partsOf = (assembly: Assembly): readonly Part[] => assembly.bodies.flatMap(({ parts }) => parts);
