import {
  cableOf,
  conductorsOf,
  conductorTerminal,
  type Assembly,
  type Span,
  type Terminal,
} from '../assembly';
import type { CableConductor } from '../catalogue';
import type { Element, NodeName } from '../circuit';
import { COPPER_TEMPERATURE_COEFFICIENT } from '../quantity';
import type { Facts } from '../situation';
import type { Conditions } from './conditions';
import { capacitances, inductances, sectionsFor, type Sections } from './distributed';
import { nodeName } from './node';

/**
 * The cable of one span in sections: π of resistance and inductance along, half of capacitance and leakage at either side.
 * Leakage is what the insulation lets through whatever the frequency; what it takes of a field that changes is left out.
 */
export function cableElements(
  assembly: Assembly,
  span: Span,
  node: (terminal: Terminal) => NodeName,
  conditions: Conditions,
  facts: Facts,
): { readonly elements: readonly Element[]; readonly sections: Sections } {
  const { lengths, celsius = 20, highestHertz = 100_000 } = conditions;
  const joint = facts.jointMilliOhms / 1000;
  const metres = (lengths.get(span.id) ?? 0) / 1000;
  const conductors = conductorsOf(assembly, span);
  const cable = cableOf(assembly, span);
  const warm = 1 + COPPER_TEMPERATURE_COEFFICIENT * (celsius - 20);
  const perMetre = (each: CableConductor): number => ((each.ohmsPerKm ?? 0) * warm) / 1000;
  const has = new Set(conductors.map((each) => each.id));
  const between = (cable ? capacitances(cable, facts) : []).filter(({ a, b }) => has.has(a) && has.has(b));
  const { self, couplings } = cable
    ? inductances(cable, facts)
    : { self: new Map<string, number>(), couplings: [] };
  const most = (values: readonly number[]): number => Math.max(0, ...values);
  const load = new Map<string, number>();
  for (const { a, b, faradsPerMetre } of between)
    for (const id of [a, b]) load.set(id, (load.get(id) ?? 0) + faradsPerMetre);
  const loop = facts.loopMicroHenries * 1e-6;
  const cores = conductors.filter((each) => each.is === 'core');
  const sections = sectionsFor(
    metres,
    2 * most(cores.map(perMetre)),
    loop,
    most(cores.map((each) => load.get(each.id) ?? 0)),
    highestHertz,
  );
  const { count } = sections;
  const step = metres / count;
  const elements: Element[] = [];
  const at = (id: string, n: number): NodeName =>
    n === 0
      ? node(conductorTerminal(span.id, id, span.from))
      : n === count
        ? node(conductorTerminal(span.id, id, span.to))
        : nodeName(`${span.id} ${id} ${n}`);
  for (const each of conductors)
    for (let n = 0; n < count; n++) {
      const name = nodeName(`${span.id} ${each.id} ${n + 1}`);
      const ohms = perMetre(each) * step + (n === 0 ? joint : 0) + (n === count - 1 ? joint : 0);
      const henries = (self.get(each.id) ?? 0) * step;
      const middle = henries > 0 ? `${name}_l` : at(each.id, n + 1);
      elements.push({
        kind: 'resistor',
        id: `R_${name}`,
        a: at(each.id, n),
        b: middle,
        ohms: Math.max(ohms, 1e-6),
      });
      if (henries > 0)
        elements.push({ kind: 'inductor', id: `L_${name}`, a: middle, b: at(each.id, n + 1), henries });
    }
  if (step > 0)
    for (let n = 0; n < count; n++)
      for (const { a, b, k } of couplings)
        if (has.has(a) && has.has(b))
          elements.push({
            kind: 'coupling',
            id: `K_${nodeName(`${span.id} ${a} ${b} ${n + 1}`)}`,
            of: [`L_${nodeName(`${span.id} ${a} ${n + 1}`)}`, `L_${nodeName(`${span.id} ${b} ${n + 1}`)}`],
            k,
          });
  for (const { a, b, faradsPerMetre } of between)
    for (let n = 0; n <= count; n++) {
      const length = step * (n === 0 || n === count ? 0.5 : 1);
      if (!(faradsPerMetre * length > 0) || at(a, n) === at(b, n)) continue;
      const ends = { a: at(a, n), b: at(b, n) };
      const name = nodeName(`${span.id} ${a} ${b} ${n}`);
      const ohms = (1e9 * facts.insulationGigaOhmMetres) / length;
      elements.push(
        { kind: 'capacitor', id: `C_${name}`, ...ends, farads: faradsPerMetre * length },
        { kind: 'resistor', id: `R_${name}`, ...ends, ohms },
      );
    }
  return { elements, sections };
}
