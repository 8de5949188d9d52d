import { leadTerminal, type Assembly, type Part } from '../../assembly';
import { magnitudes, operatingPoint, sweeps } from '../../circuit';
import { leadCircuit, type Conditions } from '../../model';
import type { Situation } from '../../situation';

/** What a part of a lead bears while it is used: between its legs, and what becomes heat in it. */
export interface Stress {
  readonly part: Part;
  /** Direct voltage of its leg a over its leg b, V, with the supplies on. */
  readonly volts: number;
  /** Heat, W: the direct voltage, and every output at its nominal level at once. Of a resistor only. */
  readonly watts: number;
}

/** Where what goes through a part is looked at, Hz. */
const HERTZ = 1000;

/**
 * What the resistors and capacitors of a lead bear: P = (V² of direct voltage + Σ V² of each output alone) ÷ R (circuit law;
 * outputs that play different things add their powers). Nothing of a lead without parts, or that cannot be solved.
 */
export function stressOf(
  assembly: Assembly,
  situation: Situation,
  conditions: Conditions,
): readonly Stress[] {
  const parts = assembly.bodies
    .flatMap((body) => body.parts)
    .filter((part) => part.kind === 'resistor' || part.kind === 'capacitor');
  if (parts.length === 0) return [];
  const made = leadCircuit(assembly, situation, { ...conditions, supplies: true });
  const steady = operatingPoint(made.circuit);
  const swept = sweeps(
    made.circuit,
    [HERTZ],
    made.driven.map(({ source }) => source),
  );
  return parts.map((part): Stress => {
    const [a, b] = [made.node(leadTerminal(part.id, 'a')), made.node(leadTerminal(part.id, 'b'))];
    const volts = steady.ok ? steady.value.voltage(a) - steady.value.voltage(b) : 0;
    const squares = swept.ok
      ? swept.value.map((sweep, n) => {
          const [gain = 0] = magnitudes(sweep.voltage(a, b));
          return (gain * (made.driven[n]?.volts ?? 0)) ** 2;
        })
      : [];
    const heats = part.kind === 'resistor' && part.ohms !== undefined && part.ohms > 0;
    return {
      part,
      volts,
      watts: heats ? squares.reduce((sum, each) => sum + each, volts ** 2) / part.ohms : 0,
    };
  });
}
