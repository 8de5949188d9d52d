import {
  cableOf,
  conductorsOf,
  conductorTerminal,
  type Assembly,
  type Span,
  type Terminal,
} from '../assembly';
import type { CableConductor, CableEntry } from '../catalogue';
import type { Element, NodeName } from '../circuit';
import { COPPER_TEMPERATURE_COEFFICIENT } from '../quantity';
import type { Conditions } from './conditions';
import {
  CABLE_FACTS,
  capacitances,
  inductances,
  sectionsFor,
  type CableFacts,
  type Sections,
} from './distributed';
import { nodeName } from './node';

/** What a cable has along each metre: worked out once for all the spans that it is in. */
interface PerMetre {
  readonly between: ReturnType<typeof capacitances>;
  readonly along: ReturnType<typeof inductances>;
}

/** What cables have along each metre, each remembered. */
function perMetreOf(facts: CableFacts, eachAlone?: boolean): (cable: CableEntry | undefined) => PerMetre {
  const known = new Map<CableEntry, PerMetre>();
  return (cable) => {
    if (!cable) return { between: [], along: { self: new Map(), couplings: [] } };
    const found = known.get(cable) ?? {
      between: capacitances(cable, facts, eachAlone),
      along: inductances(cable, facts),
    };
    known.set(cable, found);
    return found;
  };
}

/** One span, cut into sections. */
interface Cut {
  readonly conductors: readonly CableConductor[];
  readonly count: number;
  /** Of one section, m. */
  readonly step: number;
  /** A conductor's name among nodes and elements, with its span's and without. */
  readonly named: (conductor: string) => { readonly here: NodeName; readonly alone: NodeName };
  /** Where a conductor is after so many sections. */
  readonly at: (conductor: string, section: number) => NodeName;
}

/** Resistance and inductance along every section, Ω and H, with the two joints at the ends. */
function seriesElements(
  { conductors, count, step, named, at }: Cut,
  ohmsPerMetre: (conductor: CableConductor) => number,
  { self }: PerMetre['along'],
  jointOhms: number,
): readonly Element[] {
  return conductors.flatMap((each) =>
    Array.from({ length: count }, (_, n): readonly Element[] => {
      const name = `${named(each.id).here}_${n + 1}`;
      const joints = (n === 0 ? jointOhms : 0) + (n === count - 1 ? jointOhms : 0);
      const ohms = Math.max(ohmsPerMetre(each) * step + joints, 1e-6);
      const henries = (self.get(each.id) ?? 0) * step;
      const middle = henries > 0 ? `${name}_l` : at(each.id, n + 1);
      return [
        { kind: 'resistor', id: `R_${name}`, a: at(each.id, n), b: middle, ohms },
        ...(henries > 0
          ? [{ kind: 'inductor' as const, id: `L_${name}`, a: middle, b: at(each.id, n + 1), henries }]
          : []),
      ];
    }).flat(),
  );
}

/** What the inductances of a section share. */
const couplingElements = (
  { count, step, named }: Cut,
  couplings: PerMetre['along']['couplings'],
): readonly Element[] =>
  step > 0
    ? Array.from({ length: count }, (_, n) =>
        couplings.map(({ a, b, k }): Element => ({
          kind: 'coupling',
          id: `K_${named(a).here}_${named(b).alone}_${n + 1}`,
          of: [`L_${named(a).here}_${n + 1}`, `L_${named(b).here}_${n + 1}`],
          k,
        })),
      ).flat()
    : [];

/** Capacitance and leakage from conductor to conductor, half at either side of a section, F and Ω. */
function shuntElements(
  { count, step, named, at }: Cut,
  between: PerMetre['between'],
  ohmMetres: number,
): readonly Element[] {
  return between.flatMap(({ a, b, faradsPerMetre }) =>
    Array.from({ length: count + 1 }, (_, n): readonly Element[] => {
      const length = step * (n === 0 || n === count ? 0.5 : 1);
      const ends = { a: at(a, n), b: at(b, n) };
      if (!(faradsPerMetre * length > 0) || ends.a === ends.b) return [];
      const name = `${named(a).here}_${named(b).alone}_${n}`;
      return [
        { kind: 'capacitor', id: `C_${name}`, ...ends, farads: faradsPerMetre * length },
        { kind: 'resistor', id: `R_${name}`, ...ends, ohms: ohmMetres / length },
      ];
    }).flat(),
  );
}

/** What of the conditions a cable goes by: whatever is read here stands in the key that it is remembered under. */
type CableConditions = Pick<Conditions, 'lengths' | 'celsius' | 'highestHertz' | 'eachAlone'>;

const most = (values: readonly number[]): number => Math.max(0, ...values);

/**
 * The cable of one span in sections: π of resistance and inductance along, half of capacitance and leakage at either side.
 * Leakage is what the insulation lets through whatever the frequency; what it takes of a field that changes is left out.
 */
function cableElements(
  assembly: Assembly,
  span: Span,
  node: (terminal: Terminal) => NodeName,
  conditions: CableConditions,
  facts: CableFacts,
  perMetre: (cable: CableEntry | undefined) => PerMetre,
): { readonly elements: readonly Element[]; readonly sections: Sections } {
  const { lengths, celsius = 20, highestHertz = 100_000 } = conditions;
  const metres = (lengths.get(span.id) ?? 0) / 1000;
  const conductors = conductorsOf(assembly, span);
  const has = new Set(conductors.map((each) => each.id));
  const here = ({ a, b }: { readonly a: string; readonly b: string }): boolean => has.has(a) && has.has(b);
  const { between: all, along } = perMetre(cableOf(assembly, span));
  const between = all.filter(here);
  const warm = 1 + COPPER_TEMPERATURE_COEFFICIENT * (celsius - 20);
  const ohmsPerMetre = (each: CableConductor): number => ((each.ohmsPerKm ?? 0) * warm) / 1000;
  const load = new Map<string, number>();
  for (const { a, b, faradsPerMetre } of between)
    for (const id of [a, b]) load.set(id, (load.get(id) ?? 0) + faradsPerMetre);
  const cores = conductors.filter((each) => each.is === 'core');
  const sections = sectionsFor(
    metres,
    2 * most(cores.map(ohmsPerMetre)),
    facts.loopMicroHenries * 1e-6,
    most(cores.map((each) => load.get(each.id) ?? 0)),
    highestHertz,
  );
  const { count } = sections;
  const names = new Map(
    conductors.map(({ id }) => [id, { here: nodeName(`${span.id} ${id}`), alone: nodeName(id) }]),
  );
  const named = (id: string) => names.get(id) ?? { here: nodeName(`${span.id} ${id}`), alone: nodeName(id) };
  const cut: Cut = {
    conductors,
    count,
    step: metres / count,
    named,
    at: (id, n) =>
      n === 0
        ? node(conductorTerminal(span.id, id, span.from))
        : n === count
          ? node(conductorTerminal(span.id, id, span.to))
          : `${named(id).here}_${n}`,
  };
  return {
    elements: [
      ...seriesElements(cut, ohmsPerMetre, along, facts.jointMilliOhms / 1000),
      ...couplingElements(cut, along.couplings.filter(here)),
      ...shuntElements(cut, between, 1e9 * facts.insulationGigaOhmMetres),
    ],
    sections,
  };
}

/** One span’s cable in sections. */
type InSections = ReturnType<typeof cableElements> & { readonly span: string };

/** What the cables of an assembly were made into, by all that they go by: most of what is looked at otherwise leaves them as they are. */
const MADE = new WeakMap<Assembly, Map<string, readonly InSections[]>>();
const MOST_MADE = 32;

/** The cable of every span in sections; the same elements wherever nothing that it goes by is otherwise. */
export function cablesOf(
  assembly: Assembly,
  node: (terminal: Terminal) => NodeName,
  conditions: CableConditions,
  facts: CableFacts,
): readonly InSections[] {
  const made = MADE.get(assembly) ?? new Map<string, readonly InSections[]>();
  MADE.set(assembly, made);
  const { lengths, celsius, highestHertz, eachAlone } = conditions;
  const key = [
    celsius,
    highestHertz,
    eachAlone,
    ...CABLE_FACTS.map((id) => facts[id]),
    ...assembly.spans.map(({ id }) => lengths.get(id)),
  ].join(' ');
  const known = made.get(key);
  if (known) return known;
  const perMetre = perMetreOf(facts, eachAlone);
  const cables = assembly.spans.map((span) => ({
    span: span.id,
    ...cableElements(assembly, span, node, conditions, facts, perMetre),
  }));
  const [oldest] = made.keys();
  if (made.size >= MOST_MADE && oldest !== undefined) made.delete(oldest);
  made.set(key, cables);
  return cables;
}
