import { dressingKind, type Dressing } from '../../assembly';
import { spansAt } from '../../assembly';
import { threadedFirst } from '../../catalogue';
import { sayConnector } from '../../wiring';
import type { Operation, Workplace } from '../types';
import { hasCable } from './at';
import { sayDressing, threadedOn } from './dressing';

/** Everything that cannot go on later, first on first: what ends up along the cable, then the parts of the connector. */
export const thread = (place: Workplace): readonly Operation[] => {
  const { end, connector, schools } = place;
  const dressings = threadedOn(place);
  // Without a cable nothing comes from its side, and nothing has to be held.
  const parts = hasCable(place) ? threadedFirst(connector) : [];
  const several = spansAt(place.assembly, place.body.id).length;
  const all = [...dressings.map((each) => sayDressing(each, schools)), ...parts];
  return all.length > 0
    ? [
        {
          id: `thread-${end.id}`,
          kind: 'thread',
          end: end.id,
          title: `Thread on at end ${end.id}: ${[
            ...(dressings.length > 0 ? [sayAlong(dressings)] : []),
            ...parts,
          ].join(', then ')}`,
          detail: [
            ...(parts.length > 0
              ? [
                  `For the ${sayConnector(connector, schools)}. The right way round: the side toward the connector faces the end.`,
                ]
              : []),
            ...(several > 1 && parts.length > 0
              ? [`${several === 2 ? 'Both' : `All ${several}`} cables go through the one ${parts[0] ?? ''}.`]
              : []),
            ...(dressings.length > 0 ? ['What goes along the cable goes on first, and well down it.'] : []),
          ],
          confirm: all,
          ...(dressings.length > 0 ? { dressings: dressings.map(({ id }) => id) } : {}),
        },
      ]
    : [];
};

const sayAlong = ([first, ...more]: readonly Dressing[]): string =>
  first && more.length === 0
    ? (dressingKind(first.what)?.name ?? first.what).toLowerCase()
    : `the ${more.length + 1} that go along the cable`;
