import { ownerOf, type Assembly, type Body, type Span } from '../assembly';

/** A span with those that its conductors go on in, uncut: what is one piece of cable. */
export interface Piece {
  readonly trunk: Span;
  readonly legs: readonly Span[];
}

/** Each piece of cable, with the legs that its cores go on in. */
export function piecesOf(assembly: Assembly): readonly Piece[] {
  const carried = new Set(assembly.spans.flatMap((span) => (span.carries ? [span.id] : [])));
  const whole = new Set(assembly.spans.flatMap((span) => (span.carries ? [] : [span.id])));
  // The trunk that the cores of each leg come from.
  const trunkOf = new Map<string, string>();
  for (const joint of assembly.bodies.flatMap((body) => body.joints)) {
    if (joint.how !== 'continues') continue;
    const owners = joint.terminals.map(ownerOf);
    const trunk = owners.find((id) => whole.has(id));
    if (trunk === undefined) continue;
    for (const id of owners) if (carried.has(id) && !trunkOf.has(id)) trunkOf.set(id, trunk);
  }
  return assembly.spans
    .filter((span) => !trunkOf.has(span.id))
    .map((trunk) => ({ trunk, legs: assembly.spans.filter((span) => trunkOf.get(span.id) === trunk.id) }));
}

/** Where one piece of cable ends: the connectors at either side, the trunk's own or its legs'. */
export function endsOfPiece(assembly: Assembly, { trunk, legs }: Piece): readonly (readonly Body[])[] {
  const bodiesNamed = (id: string): readonly Body[] => assembly.bodies.filter((body) => body.id === id);
  return [trunk.from, trunk.to].map((id) => {
    const own = legs.filter((leg) => leg.from === id || leg.to === id);
    return own.length === 0
      ? bodiesNamed(id)
      : own.flatMap((leg) => bodiesNamed(leg.from === id ? leg.to : leg.from));
  });
}
