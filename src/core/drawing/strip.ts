import { connectorOf, endsOf, type Assembly, type End } from '../assembly';
import type { Turned } from '../catalogue';
import { profileOf } from './profile';

/** An end as it is seen from the side: its letter, and its outline from the face to the cable. */
export interface StripEnd {
  readonly id: string;
  readonly outline: readonly Turned[];
}

/** A lead lying along a line: what it starts with, the cable, and the ends on the other side. Lengths in mm. */
export interface Strip {
  readonly starts: readonly StripEnd[];
  readonly others: readonly StripEnd[];
  /** Ends that are counted, and not drawn. */
  readonly more: number;
  /** What its ends are in where no cable is between them: it is drawn as that, and not as a lead. */
  readonly housing?: 'box' | 'barrel';
  /** The jacket of its first cable; nothing where there is no cable. */
  readonly cable: { readonly jacketMm: number | undefined; readonly colour: string } | undefined;
}

/** The most ends that are drawn on one side; the rest is counted. */
const MOST = 8;
/** What a tail looks like from the side: a short bare wire. */
const WIRE: readonly Turned[] = [
  { length: 12, from: 1.4, to: 1.4, of: 'metal' },
  { length: 14, from: 3, to: 3, of: 'insulator' },
];

/** The ends that a lead starts with: those in bodies that no cable leads into; the first of them where there is no cable. */
function startsOf(assembly: Assembly): readonly End[] {
  if (assembly.spans.length === 0) return endsOf(assembly).slice(0, 1);
  const reached = new Set(assembly.spans.map((span) => span.to));
  const hubs = new Set(assembly.bodies.filter((body) => body.ends.length === 0).map((body) => body.id));
  const starts = assembly.bodies.filter((body) => !reached.has(body.id) && !hubs.has(body.id));
  return starts.flatMap((body) => body.ends);
}

/** A lead as it lies along the page. */
export function stripOf(assembly: Assembly): Strip {
  const starts = startsOf(assembly);
  const others = endsOf(assembly).filter((end) => !starts.includes(end));
  const [cable] = assembly.uses.cables;
  const seen = (ends: readonly End[]): readonly StripEnd[] =>
    ends.slice(0, MOST).map((end) => {
      const connector = connectorOf(assembly, end);
      return { id: end.id, outline: connector ? profileOf(connector) : WIRE };
    });
  const housed =
    assembly.spans.length === 0 ? assembly.bodies.find(({ ends }) => ends.length > 1) : undefined;
  return {
    ...(housed ? { housing: housed.kind === 'box' ? ('box' as const) : ('barrel' as const) } : {}),
    starts: seen(starts),
    others: seen(others),
    more: Math.max(0, starts.length - MOST) + Math.max(0, others.length - MOST),
    cable: cable && { jacketMm: cable.jacketMm, colour: cable.jacketColour ?? 'BK' },
  };
}
