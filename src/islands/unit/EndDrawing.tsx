import { connectorOf, endById } from '../../core/assembly';
import { madeJoints } from '../../core/bench';
import { legible, peel, sayPeeled } from '../../core/drawing';
import { sayConnector } from '../../core/wiring';
import { Picture } from '../../ui';
import { useView } from '../lead/useView';
import styles from './Unit.module.css';
import type { UnitOnPage } from './useUnit';

export interface EndDrawingProps {
  readonly page: Pick<UnitOnPage, 'assembly' | 'schools' | 'operations' | 'state'>;
  readonly endId: string;
  /** The joint at hand. */
  readonly now?: string | undefined;
}

/** The end in the vice, as it is at this step: joints made so far filled, the one at hand ringed, what comes later faint. */
export function EndDrawing({ page, endId, now }: EndDrawingProps) {
  const { assembly, schools, operations, state } = page;
  const { hand, turn } = useView(schools);
  const end = endById(assembly, endId);
  const connector = end && connectorOf(assembly, end);
  const order = operations.flatMap(({ end: at, joint }) => (at === endId ? (joint ?? []) : []));
  const drawn = peel(assembly, endId, { toward: hand === 'left' ? -1 : 1, order });
  if (!drawn) return null;
  const made = madeJoints(assembly, operations, state.done);
  return (
    <figure className={styles['figure']}>
      <Picture
        picture={legible(drawn, { turn })}
        says={sayPeeled(drawn, { made, now })}
        made={made}
        now={now}
      />
      <figcaption>
        End {endId}: {connector ? sayConnector(connector, schools).split(',')[0] : 'loose wires'}
        {connector && ', solder side'}
        {drawn.inserts[0].keyed && turn === 0 ? ', key up' : ''}
      </figcaption>
    </figure>
  );
}
