import { cableOf, dressingsOver, spanById } from '../../assembly';
import { formatLength } from '../../quantity';
import { lengthSystem } from '../../wiring';
import type { Strip } from '../../cutting';
import { ofSpan } from '../hand';
import type { Operation, Workplace } from '../types';

const OFFER = 'Offer it up to the connector before trimming anything.';

/** What is done to set the conductors free, by whether there is a jacket over them. */
function freed(
  { assembly, end, body }: Workplace,
  { jacket, span: id }: Strip,
  long: string,
): { readonly title: string; readonly detail: readonly string[] } {
  const span = spanById(assembly, id);
  const cable = span && cableOf(assembly, span);
  const at = `${ofSpan(assembly, body.id, id)} at end ${end.id}`;
  const made = dressingsOver(assembly, id).find(({ what }) => what === 'braid' || what === 'twist');
  switch (jacket) {
    case 'off':
      return {
        title: `Strip ${long} of jacket${at.replace(/^ of /, ' off ')}`,
        detail: [
          'Score round and bend; never cut through to the cores.',
          'Take out filler and string. Only what has copper inside is a core.',
          OFFER,
        ],
      };
    case 'parted':
      return {
        title: `Free ${long} of the leg’s conductors${at}`,
        detail:
          cable?.screen === 'foil'
            ? ['Thin heat-shrink goes over the leg up to here; cut the foil back and keep the drain.', OFFER]
            : cable?.screen === 'none'
              ? [OFFER]
              : ['Take the leg’s own cover off; unwind its screen in one go and twist it tight.', OFFER],
      };
    case 'none':
      return made
        ? {
            title: `Undo the ${made.what} for ${long}${at}`,
            detail: ['There is no jacket: gather it behind, so that no more comes undone.', OFFER],
          }
        : {
            title: `Leave ${long} of each wire free${at}`,
            detail: [
              'There is no jacket to take off: hold the wires together behind it, by a clamp or a turn of shrink.',
              OFFER,
            ],
          };
  }
}

/** Jacket and insulation off, mm by the connector’s entry. */
export const strip = (place: Workplace): readonly Operation[] =>
  place.strips.map((each) => {
    const { title, detail } = freed(place, each, formatLength(each.jacketMm, lengthSystem(place.schools)));
    return {
      id: `strip-${place.end.id}-${each.span}`,
      kind: 'strip',
      end: place.end.id,
      title,
      detail: [...detail],
      ...(each.jacket === 'none' ? {} : { caution: 'Blade away from the hand.' }),
    };
  });
