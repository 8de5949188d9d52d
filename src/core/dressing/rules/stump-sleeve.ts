import { bodyById, dress, ofCable, placeOf, sayConductor, sideOf } from '../../assembly';
import { shrinkFor } from '../../fit';
import type { DressingRule } from '../types';

/** Enough to cover what is left of a conductor, mm (nominal). */
const LONG = 10;

/** Over what is left of a conductor that is joined to nothing: a stray strand of it reaches the next contact. */
export const stumpSleeve: DressingRule = {
  id: 'stump-sleeve',
  source: 'common practice: sleeve over the stump of what is not joined',
  dress: ({ assembly }) =>
    assembly.unjoined.flatMap(({ at, is }) => {
      const place = placeOf(assembly, at);
      const body = bodyById(assembly, sideOf(at) ?? '');
      const [end] = body?.ends ?? [];
      if (place?.kind !== 'conductor' || !body) return [];
      const wide = place.conductor.outerMm ?? 2;
      // A strand that is thinner than any shrink recovers to is held by its fold.
      const size = shrinkFor({ passesMm: wide, gripsMm: wide }) ?? shrinkFor({ passesMm: wide });
      return [
        dress({
          id: `stump-${place.span.id}-${place.conductor.id}-${body.id}`,
          what: 'stump-sleeve',
          over: at,
          at: body.id,
          ...(size ? { size } : {}),
          lengthMm: LONG,
          says: `over the ${is === 'cut back' ? 'stump' : 'tip'} of the ${sayConductor(assembly, at)}${place.conductor.is === 'core' && place.conductor.colour !== '??' ? ' core' : ''}${ofCable(assembly, at)} ${end ? `at end ${end.id}` : body.name}`,
        }),
      ];
    }),
};
