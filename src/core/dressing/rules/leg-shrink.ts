import { bodyById, dress, spanLengths, spansAt, type Span } from '../../assembly';
import { shrinkFor, thicknessOf } from '../../fit';
import type { DressingRule } from '../types';

/** Thin shrink over each leg of a break-out: beyond it the cores go on without their jacket. */
export const legShrink: DressingRule = {
  id: 'leg-shrink',
  source: 'common practice: each leg of a fan-out in thin heat-shrink',
  dress: ({ assembly }) => {
    const lengths = spanLengths(assembly);
    return assembly.bodies
      .filter(({ kind }) => kind === 'breakout')
      .flatMap((body) => spansAt(assembly, body.id).flatMap((leg) => (leg.carries ? [{ body, leg }] : [])))
      .flatMap(({ body, leg }) => {
        const long = lengths.get(leg.id);
        const wide = thicknessOf(assembly, leg);
        const jacketed = assembly.uses.cables.find(({ id }) => id === leg.cable)?.kind === 'twin';
        if (long === undefined || wide === undefined || jacketed) return [];
        const size = shrinkFor({ passesMm: wide, gripsMm: wide });
        return [
          dress({
            id: `shrink-${leg.id}`,
            what: 'heat-shrink',
            over: leg.id,
            at: body.id,
            ...(size ? { size } : {}),
            lengthMm: Math.round(long),
            says: `over the leg to ${endsAt(leg, body.id)}`,
          }),
        ];
        function endsAt(span: Span, split: string): string {
          const far = bodyById(assembly, span.from === split ? span.to : span.from);
          const names = (far?.ends ?? []).map(({ id }) => id).join(', ');
          return names === '' ? (far?.name ?? span.id) : `end ${names}`;
        }
      });
  },
};
