import { connectorOf, dress, spansAt, type Dressing } from '../../assembly';
import { A_TURN, shrinkFor, thicknessOf } from '../../fit';
import type { DressingRule } from '../types';

/** Under a clamp and a little beyond it, mm (nominal). */
const LONG = 25;

/** Turns of shrink under a clamp that could not grip the cable by itself: a thin jacket, or the leg of a break-out. */
export const clampShrink: DressingRule = {
  id: 'clamp-shrink',
  source: 'common practice: a jacket too thin for its clamp gets turns of shrink under it',
  dress: ({ assembly }) =>
    assembly.bodies.flatMap((body) => {
      const [end] = body.ends;
      const range = end && connectorOf(assembly, end)?.cableMm;
      const spans = spansAt(assembly, body.id);
      const [span] = spans;
      if (!end || !range || !span || spans.length > 1) return [];
      const thick = thicknessOf(assembly, span);
      if (thick === undefined) return [];
      const isTwin = assembly.uses.cables.find(({ id }) => id === span.cable)?.kind === 'twin';
      // A leg has its own shrink on it already, but for one that kept its jacket.
      const from = thick + (span.carries && !isTwin ? A_TURN : 0);
      const turns = Math.max(0, Math.ceil((range.min - from) / A_TURN));
      return Array.from({ length: turns }, (_, n): Dressing => {
        const under = from + n * A_TURN;
        const size = shrinkFor({ passesMm: under, gripsMm: under });
        return dress({
          id: `shrink-clamp-${end.id}${n === 0 ? '' : `-${n + 1}`}`,
          what: 'heat-shrink',
          over: span.id,
          at: body.id,
          ...(size ? { size } : {}),
          lengthMm: LONG,
          closed: 'at once',
          says: `under the clamp of end ${end.id}, which could not grip ${Math.round(from * 10) / 10} mm${n === 0 ? '' : `, turn ${n + 1} over the ${n === 1 ? 'first' : 'others'}`}`,
        });
      });
    }),
};
