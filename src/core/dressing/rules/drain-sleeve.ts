import { cableOf, conductorTerminal, dress, ofCable, spanById } from '../../assembly';
import { screenWiresOf } from '../../cutting';
import { shrinkFor } from '../../fit';
import type { DressingRule } from '../types';

/** Sleeve for the screen wire is this much shorter than the wire, for the joint; what would be shorter than the least is left off, mm (nominal). */
const [SHORTER, LEAST] = [4, 5];

export const drainSleeve: DressingRule = {
  id: 'drain-sleeve',
  source: 'the school “is the bare screen sleeved?”',
  dress: ({ assembly, schools, strips }) =>
    schools['screen-wire'] !== 'sleeved'
      ? []
      : strips.flatMap((strip) =>
          screenWiresOf(assembly, strip).flatMap(({ conductor, mm }) => {
            const at = conductorTerminal(strip.span, conductor, strip.body);
            const span = spanById(assembly, strip.span);
            const entry = span && cableOf(assembly, span)?.conductors.find(({ id }) => id === conductor);
            const size = shrinkFor({ passesMm: entry?.outerMm ?? 2 });
            return mm - SHORTER < LEAST
              ? []
              : [
                  dress({
                    id: `sleeve-${strip.span}-${conductor}-${strip.body}`,
                    what: 'drain-sleeve',
                    over: at,
                    at: strip.body,
                    ...(size ? { size } : {}),
                    lengthMm: mm - SHORTER,
                    // It is held between jacket and joint: it need not be shrunk.
                    closed: 'never',
                    says: `on the ${entry?.is ?? 'screen'} wire${entry?.pair === undefined || !/^\d/.test(entry.pair) ? '' : ` of pair ${entry.pair}`}${ofCable(assembly, at)} at end ${strip.end}`,
                  }),
                ];
          }),
        ),
};
