import { sayConnector } from '../../wiring';
import type { Operation, Workplace } from '../types';

/** Everything that cannot go on later, first on first. */
export const thread = ({ end, connector, schools }: Workplace): readonly Operation[] =>
  connector.threadOn && connector.threadOn.length > 0
    ? [
        {
          id: `thread-${end.id}`,
          kind: 'thread',
          end: end.id,
          title: `Thread on at end ${end.id}: ${connector.threadOn.join(', then ')}`,
          detail: [
            `For the ${sayConnector(connector, schools)}. The right way round: the side toward the connector faces the end.`,
          ],
          confirm: connector.threadOn,
        },
      ]
    : [];
