import { dress, sayPlace, spansAt } from '../../assembly';
import { bundleMm, shrinkFor, sizeOf } from '../../fit';
import type { DressingRule } from '../types';

/** Beyond the parts at either side, mm (common practice: about 3). */
const BEYOND = 3;

/** Over all parts of a shell together, where there are several and a cable holds them: “sleeve or shrink over all”. */
export const partsShrink: DressingRule = {
  id: 'parts-shrink',
  source: 'common practice: shrink over all of a sum or pad in a shell',
  dress: ({ assembly }) =>
    assembly.bodies.flatMap((body) => {
      const sizes = body.parts.flatMap((part) => sizeOf(part) ?? []);
      const known = sizes.length === body.parts.length;
      if (body.kind !== 'shell' || !known || sizes.length < 2 || spansAt(assembly, body.id).length === 0)
        return [];
      // As if all lay abreast: those that lie behind the others take less.
      const wide = sizes.map(({ wideMm }) => wideMm);
      const size = shrinkFor({ passesMm: bundleMm(wide), gripsMm: bundleMm(wide.slice(0, 2)) });
      return [
        dress({
          id: `shrink-parts-${body.id}`,
          what: 'heat-shrink',
          over: body.id,
          at: body.id,
          ...(size ? { size } : {}),
          lengthMm: Math.round(Math.max(...sizes.map(({ longMm }) => longMm)) + 2 * BEYOND + 6),
          closed: 'at once',
          says: `over all the parts in ${sayPlace(body)}`,
        }),
      ];
    }),
};
