import { cableOf, dressingsOver, type Assembly, type Body, type Span } from '../assembly';
import { isJacketed } from '../catalogue';
import { stripOf } from './strip-of';
import type { Allowance } from './types';

/** Trimmed off each end of the cut for a square, clean start, mm (nominal). */
export const TRIM_MARGIN = 5;
/** Left loose at each end of a braid to work the plug, trimmed to it afterwards, mm (common practice). */
const LOOSE_TAIL = 50;

/** Whether a span is braided or sleeved over its whole length. */
export const isOver = (assembly: Assembly, span: Span, what: 'braid' | 'expandable-sleeve'): boolean =>
  dressingsOver(assembly, span.id).some((each) => each.what === what);

const longestOf = <T extends { readonly jacketMm: number }>(figures: readonly T[]): T | undefined =>
  figures.reduce<T | undefined>(
    (most, each) => (most && most.jacketMm >= each.jacketMm ? most : each),
    undefined,
  );

/** What making one end takes of its cable: free wire, loose tail or strip-back of the connector that takes most, and the trim. */
export function atEnd(assembly: Assembly, span: Span, bodies: readonly Body[]): readonly Allowance[] {
  const cable = cableOf(assembly, span);
  const isLoose = cable !== undefined && !isJacketed(cable);
  const figures = longestOf(bodies.flatMap((body) => stripOf(assembly, body) ?? []));
  const name = bodies.flatMap((body) => body.ends.map((end) => end.id)).join(', ') || span.id;
  return [
    ...(isOver(assembly, span, 'braid') && bodies.length > 0
      ? [
          {
            what: `loose tail at ${name}`,
            mm: LOOSE_TAIL,
            because: 'to work the plug, trimmed to it afterwards (common practice)',
          },
        ]
      : figures
        ? [
            {
              what: `${isLoose ? 'free wire' : 'strip-back'} at ${name}`,
              mm: figures.jacketMm,
              because: figures.source,
            },
          ]
        : []),
    { what: `trim at ${name}`, mm: TRIM_MARGIN, because: 'a square, clean start; nominal' },
  ];
}
