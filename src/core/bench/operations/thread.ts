import { threadedFirst } from '../../catalogue';
import { sayConnector } from '../../wiring';
import type { Operation, Workplace } from '../types';

/** Everything that cannot go on later, first on first. */
export const thread = ({ end, connector, schools }: Workplace): readonly Operation[] =>
  threadedFirst(connector).length > 0
    ? [
        {
          id: `thread-${end.id}`,
          kind: 'thread',
          end: end.id,
          title: `Thread on at end ${end.id}: ${threadedFirst(connector).join(', then ')}`,
          detail: [
            `For the ${sayConnector(connector, schools)}. The right way round: the side toward the connector faces the end.`,
          ],
          confirm: threadedFirst(connector),
        },
      ]
    : [];
