import { mm, type Millimetres } from '../quantity';
import { bodyOfEnd, connectorOf, endById, spansAt } from './references';
import type { Assembly, AskedLength, Span } from './assembly';

/** What a connector adds to the jacket between its datum and the jacket's edge inside it, mm. */
function reach(assembly: Assembly, name: string, datum: AskedLength['datum']): number {
  const end = endById(assembly, name);
  const known = end && connectorOf(assembly, end)?.reachMm;
  return !known || datum === 'jacket' ? 0 : known[datum];
}

/** The ways that were looked for in an assembly, by where they begin: lengths mostly begin at one body. */
const WAYS = new WeakMap<Assembly, Map<string, ReadonlyMap<string, readonly Span[]>>>();

/** The spans on the way from a body to each that cable leads to. */
function waysFrom(assembly: Assembly, from: string): ReadonlyMap<string, readonly Span[]> {
  const ofAssembly = WAYS.get(assembly) ?? new Map<string, ReadonlyMap<string, readonly Span[]>>();
  WAYS.set(assembly, ofAssembly);
  const known = ofAssembly.get(from);
  if (known) return known;
  const ways = new Map<string, readonly Span[]>([[from, []]]);
  // What is put in while they are gone through is gone through as well.
  for (const [at, by] of ways)
    for (const span of spansAt(assembly, at)) {
      const next = span.from === at ? span.to : span.from;
      if (!ways.has(next)) ways.set(next, [...by, span]);
    }
  ofAssembly.set(from, ways);
  return ways;
}

/** The spans on the way from one body to another; undefined when no cable leads there. */
export const route = (assembly: Assembly, from: string, to: string): readonly Span[] | undefined =>
  waysFrom(assembly, from).get(to);

/** One asked length with what its two connectors take off it: jacket = asked − at from − at to, mm. */
export interface JacketLength {
  readonly asked: AskedLength;
  readonly spans: readonly Span[];
  readonly fromAdds: number;
  readonly toAdds: number;
  readonly jacket: Millimetres;
}

/** What each length that is asked for comes to between the jackets, mm. */
export function jacketLengths(assembly: Assembly): readonly JacketLength[] {
  return assembly.lengths.map((asked) => {
    const body = (name: string): string => bodyOfEnd(assembly, name)?.id ?? name;
    const fromAdds = reach(assembly, asked.from, asked.datum);
    const toAdds = reach(assembly, asked.to, asked.datum);
    return {
      asked,
      spans: route(assembly, body(asked.from), body(asked.to)) ?? [],
      fromAdds,
      toAdds,
      jacket: mm(asked.mm - fromAdds - toAdds),
    };
  });
}

/**
 * Jacket length of each span in the finished lead, mm: every asked length is the sum of the spans on its way, so
 * lengths over one span give it, and those over several give the last unknown one. Spans that nothing fixes are absent.
 */
export function spanLengths(assembly: Assembly): ReadonlyMap<string, Millimetres> {
  const found = new Map<string, Millimetres>();
  const open = jacketLengths(assembly).filter((length) => length.spans.length > 0);
  for (let progress = true; progress;) {
    progress = false;
    for (const length of open) {
      const unknown = length.spans.filter((span) => !found.has(span.id));
      const last = unknown[0];
      if (unknown.length !== 1 || !last) continue;
      const known = length.spans.reduce((sum, span) => sum + (found.get(span.id) ?? 0), 0);
      found.set(last.id, mm(length.jacket - known));
      progress = true;
    }
  }
  return found;
}
