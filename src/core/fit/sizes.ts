import { cableOf, conductorsOf, dressingsOver, type Assembly, type Part, type Span } from '../assembly';
import { bundleMm } from './bundle';

/** How large a part is, mm: along its legs, across; and how thick a leg is. Typical of the kind, from memory. */
export interface PartSize {
  readonly longMm: number;
  readonly wideMm: number;
  readonly legMm: number;
}

const RESISTORS: readonly (readonly [watts: number, size: PartSize])[] = [
  [0.125, { longMm: 3.5, wideMm: 1.9, legMm: 0.5 }],
  [0.25, { longMm: 6.5, wideMm: 2.5, legMm: 0.6 }],
  [0.5, { longMm: 9, wideMm: 3.2, legMm: 0.7 }],
  [1, { longMm: 11.5, wideMm: 4.5, legMm: 0.8 }],
  [2, { longMm: 15.5, wideMm: 5, legMm: 0.8 }],
];

/** The size of a part, or undefined where nothing is known of its kind (a transformer, a control: by its own sheet). */
export function sizeOf(part: Part): PartSize | undefined {
  switch (part.kind) {
    case 'resistor': {
      const watts = part.ratings?.watts ?? 0.25;
      return (RESISTORS.find(([most]) => watts <= most) ?? RESISTORS.at(-1))?.[1];
    }
    case 'capacitor':
      return (part.farads ?? 0) >= 1e-6
        ? { longMm: 11, wideMm: 5, legMm: 0.5 }
        : { longMm: 7.2, wideMm: 2.5, legMm: 0.5 };
    case 'diode':
      return { longMm: 4, wideMm: 2, legMm: 0.5 };
    case 'led':
      return { longMm: 8.6, wideMm: 5, legMm: 0.5 };
    case 'lamp':
      return { longMm: 24, wideMm: 9.3, legMm: 0.5 };
    case 'battery':
    case 'potentiometer':
    case 'switch':
    case 'transformer':
      return undefined;
  }
}

/** The conductors of a span without their jacket, side by side, mm; undefined where one is not known. */
function coresMm(assembly: Assembly, span: Span): number | undefined {
  const wide = conductorsOf(assembly, span).map(({ outerMm }) => outerMm);
  return wide.every((each): each is number => each !== undefined) && wide.length > 0
    ? Math.round(bundleMm(wide) * 10) / 10
    : undefined;
}

/** How thick a span is where it runs: its jacket, or its conductors side by side beyond a break-out; mm. */
export function thicknessOf(assembly: Assembly, span: Span): number | undefined {
  const cable = cableOf(assembly, span);
  if (!span.carries) return cable?.jacketMm;
  // A twin is pulled apart: each leg keeps the half of its jacket.
  return cable?.kind === 'twin' && cable.jacketMm !== undefined
    ? cable.jacketMm / 2
    : coresMm(assembly, span);
}

/** One turn of shrink adds two walls of about this, once it has recovered, mm (nominal). */
const SHRINK_WALL = 0.5;
/** What a turn of shrink adds to a diameter, mm. */
export const A_TURN = 2 * SHRINK_WALL;
/** Expandable sleeving adds two of its walls, mm (nominal). */
const A_SLEEVING = 2 * 0.6;

/** How thick a span is where it enters a body: with the sleeving along it, the shrink of its leg, and turns of shrink under the clamp; mm. */
export function enteringMm(assembly: Assembly, span: Span, body: string): number | undefined {
  const bare = thicknessOf(assembly, span);
  const on = dressingsOver(assembly, span.id);
  const along = on.filter(
    ({ what, at }) => what === 'heat-shrink' && (span.carries !== undefined || at === body),
  );
  return bare === undefined
    ? undefined
    : bare + (on.some(({ what }) => what === 'expandable-sleeve') ? A_SLEEVING : 0) + along.length * A_TURN;
}
