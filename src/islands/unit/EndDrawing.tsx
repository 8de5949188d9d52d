import { connectorOf, endById } from '../../core/assembly';
import { peel, sayPeeled } from '../../core/drawing';
import { sayConnector } from '../../core/wiring';
import { PeeledEnd } from '../../ui';
import drawing from '../../ui/PeeledEnds.module.css';
import styles from './Unit.module.css';
import type { UnitOnPage } from './useUnit';

/** The end in the vice, as it is at this step: joints made so far filled, the one at hand ringed. */
export function EndDrawing({
  page,
  endId,
  now,
}: {
  page: UnitOnPage;
  endId: string;
  /** The joint at hand. */
  now?: string | undefined;
}) {
  const { assembly, schools, operations, state } = page;
  const end = endById(assembly, endId);
  const connector = end && connectorOf(assembly, end);
  const atEnd = operations.filter((op) => op.end === endId && op.joint !== undefined);
  const order = atEnd.flatMap((op) => op.joint ?? []);
  const toward = schools['hand'] === 'left' ? -1 : 1;
  const drawn = peel(assembly, endId, { toward, order });
  if (!drawn || !connector) return null;
  const made = new Set(atEnd.filter((op) => state.done.has(op.id)).flatMap((op) => op.joint ?? []));
  const height = Math.max(28, drawn.insertRadius * 2 + 12);
  const width = Math.max(50, drawn.insertRadius * 2 + 34);
  const x = toward === 1 ? drawn.insertRadius + 5 : width - drawn.insertRadius - 5;
  return (
    <figure className={styles['figure']}>
      <svg
        viewBox={`0 0 ${width} ${height}`}
        className={drawing['drawing']}
        role="img"
        aria-label={sayPeeled(drawn, { made, now })}
      >
        <PeeledEnd drawn={drawn} x={x} y={height / 2} jacket={9} made={made} now={now} />
      </svg>
      <figcaption>
        End {endId}: {sayConnector(connector, schools).split(',')[0]}, solder side
        {drawn.keyed ? ', key up' : ''}
      </figcaption>
    </figure>
  );
}
