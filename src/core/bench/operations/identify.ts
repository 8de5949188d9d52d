import { placeOf, sideOf } from '../../assembly';
import type { Operation, Workplace } from '../types';

/** Where the colours of strands say nothing, and nobody has found yet which is which: they are told apart by the meter. */
export const identify = ({ assembly, body, end }: Workplace): readonly Operation[] => {
  const unknown = assembly.unjoined.filter(({ at }) => {
    const place = placeOf(assembly, at);
    return sideOf(at) === body.id && place?.kind === 'conductor' && place.conductor.colour === '??';
  });
  return unknown.length === 0
    ? []
    : [
        {
          id: `identify-${end.id}`,
          kind: 'identify',
          end: end.id,
          title: `Tell the ${unknown.length} strands of end ${end.id} apart by the meter`,
          detail: [
            'From each pad or contact at the other end to each strand, its lacquer burnt off at the tip. Mark each.',
            'Then say in its wiring which is which: the lead is worked out anew, with its joints, and a new one is started. This one is not closed before.',
          ],
          confirm: ['each strand is named in its wiring'],
        },
      ];
};
