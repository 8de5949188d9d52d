import { spansAt, type Assembly, type Body, type DressingWhat } from '../assembly';
import type { PeeledEnd } from './drawn';

/** What is seen on a cable, and how long it is drawn, mm: nominal, until its size is known. */
const LENGTHS: Partial<Readonly<Record<DressingWhat, number>>> = {
  ring: 1.6,
  tape: 2.4,
  label: 5,
  arrow: 4,
  tie: 1.2,
  boot: 4.5,
  'heat-shrink': 4,
  'adhesive-shrink': 4,
  'clear-shrink': 4,
};
/** From the mouth of the jacket to the first, and from one to the next, mm. */
const [FIRST, NEXT] = [1.2, 0.8];

/** What sits on the jackets of an end, from its connector outward; what is over the end lies on its first cable. */
export function dressedOf(
  assembly: Assembly,
  body: Body,
  jackets: PeeledEnd['jackets'],
  toward: 1 | -1,
): PeeledEnd['dressings'] {
  const about = new Set([body.id, ...body.ends.map(({ id }) => id)]);
  const spans = new Map(spansAt(assembly, body.id).map((span) => [span.id, span]));
  const used = new Map<string, number>();
  return assembly.dressings.flatMap(({ id, what, over, at, says, colour }) => {
    const length = LENGTHS[what];
    const isHere = about.has(over) || (spans.has(over) && (at === undefined || at === body.id));
    const jacket = jackets.find(({ span }) => span === over) ?? jackets[0];
    if (length === undefined || !isHere || !jacket) return [];
    const from = used.get(jacket.span) ?? FIRST;
    used.set(jacket.span, from + length + NEXT);
    return [
      {
        id,
        what,
        says,
        ...(colour === undefined ? {} : { colour }),
        x: jacket.x + toward * (from + length / 2),
        y: jacket.y,
        over: jacket.thickness,
        length,
        away: spans.get(jacket.span)?.from === body.id,
      },
    ];
  });
}
