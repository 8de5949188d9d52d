import type { CableConductor, CableEntry, ConnectorEntry } from '../catalogue';
import type { Assembly, Body, End, Span, Terminal } from './assembly';
import type { Dressing } from './dressings';
import type { Part } from './parts';

/** What a terminal's name refers to. */
export type Place =
  | { readonly kind: 'contact'; readonly body: Body; readonly end: End; readonly contact: string }
  | { readonly kind: 'case'; readonly body: Body }
  | { readonly kind: 'lead'; readonly body: Body; readonly part: Part; readonly lead: string }
  | {
      readonly kind: 'conductor';
      readonly body: Body;
      readonly span: Span;
      readonly conductor: CableConductor;
    };

/** What an assembly holds, by name: made once for each, since names are looked up by the thousand. */
export interface Index {
  readonly bodies: ReadonlyMap<string, Body>;
  readonly spans: ReadonlyMap<string, Span>;
  readonly spansAt: ReadonlyMap<string, readonly Span[]>;
  readonly dressingsAt: ReadonlyMap<string, readonly Dressing[]>;
  readonly dressingsOver: ReadonlyMap<string, readonly Dressing[]>;
  /** Which in the document's order each dressing is. */
  readonly dressingPlaces: ReadonlyMap<Dressing, number>;
  readonly ends: ReadonlyMap<string, { readonly body: Body; readonly end: End }>;
  readonly parts: ReadonlyMap<string, { readonly body: Body; readonly part: Part }>;
  readonly connectors: ReadonlyMap<string, ConnectorEntry>;
  readonly cables: ReadonlyMap<string, CableEntry>;
  /** What has been looked up. */
  readonly places: Map<Terminal, Place | undefined>;
}
const INDEXES = new WeakMap<Assembly, Index>();

/** The first of each name: a document that has one twice is told so by {@link referenceProblems}. */
const firstBy = <T>(items: readonly T[], name: (item: T) => string): ReadonlyMap<string, T> =>
  new Map([...items].reverse().map((item) => [name(item), item]));

/** All that go by a name, in their order. */
function allBy<T>(
  items: readonly T[],
  names: (item: T) => Iterable<string>,
): ReadonlyMap<string, readonly T[]> {
  const found = new Map<string, T[]>();
  for (const item of items)
    for (const name of names(item)) {
      const known = found.get(name);
      if (known) known.push(item);
      else found.set(name, [item]);
    }
  return found;
}

/** The index of an assembly. */
export function indexOf(assembly: Assembly): Index {
  const known = INDEXES.get(assembly);
  if (known) return known;
  const { bodies, spans, dressings, uses } = assembly;
  const index: Index = {
    bodies: firstBy(bodies, (body) => body.id),
    spans: firstBy(spans, (span) => span.id),
    spansAt: allBy(spans, ({ from, to }) => new Set([from, to])),
    dressingsAt: allBy(dressings, ({ at }) => (at === undefined ? [] : [at])),
    dressingsOver: allBy(dressings, ({ over }) => [over]),
    dressingPlaces: new Map(dressings.map((dressing, n) => [dressing, n])),
    ends: firstBy(
      bodies.flatMap((body) => body.ends.map((end) => ({ body, end }))),
      ({ end }) => end.id,
    ),
    parts: firstBy(
      bodies.flatMap((body) => body.parts.map((part) => ({ body, part }))),
      ({ part }) => part.id,
    ),
    connectors: firstBy(uses.connectors, (entry) => entry.id),
    cables: firstBy(uses.cables, (entry) => entry.id),
    places: new Map(),
  };
  INDEXES.set(assembly, index);
  return index;
}
