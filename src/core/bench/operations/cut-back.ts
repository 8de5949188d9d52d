import {
  dressingsOver,
  memberOf,
  ofCable,
  ownerOf,
  placeOf,
  sideOf,
  spansAt,
  type Assembly,
} from '../../assembly';
import { sayWire } from '../hand';
import type { Operation, Workplace } from '../types';

/** Conductors that go nowhere at an end. */
export const cutBack = ({ assembly, body, end, strips }: Workplace): readonly Operation[] => {
  const several = spansAt(assembly, body.id).length > 1;
  return assembly.unjoined
    .filter((each) => sideOf(each.at) === body.id)
    .map((each) => {
      const place = placeOf(assembly, each.at);
      const core =
        place?.kind === 'conductor' && place.conductor.is === 'core' && place.conductor.colour !== '??';
      const name = `${sayWire(assembly, each.at) ?? each.at}${core ? ' core' : ''}${ofCable(assembly, each.at)}`;
      const named = name.startsWith('strand ') ? name : `the ${name}`;
      const how = {
        'cut back': `Cut ${named} back`,
        insulated: `Insulate ${named}`,
        spare: `Fold ${named} back as a spare`,
      }[each.is];
      return {
        // Two cables in one connector have conductors of the same name.
        id: `cutback-${end.id}-${several ? `${ownerOf(each.at)}.` : ''}${memberOf(each.at)}`,
        kind: 'cut back' as const,
        end: end.id,
        title: `${how} at end ${end.id}`,
        detail: [
          each.because.says,
          each.is === 'cut back'
            ? `Back to ${strips.find(({ span }) => span === ownerOf(each.at))?.jacket === 'none' ? 'where the wires part' : 'the jacket'}, ${
                sleeved(assembly, each.at).dressings
                  ? 'and sleeve the stump so that no strand can wander'
                  : 'square: no strand may stand out'
              }.`
            : 'Sleeve its tip so that no strand can wander.',
        ],
        ...sleeved(assembly, each.at),
      };
    });
};

/** The sleeve that goes over what is left of a conductor. */
const sleeved = (assembly: Assembly, at: string): { readonly dressings?: string[] } => {
  const ids = dressingsOver(assembly, at).flatMap(({ id, what }) => (what === 'stump-sleeve' ? [id] : []));
  return ids.length > 0 ? { dressings: ids } : {};
};
