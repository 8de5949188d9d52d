import { connectorOf, endsOf, placeOf } from '../../core/assembly';
import { matingFace, sayMeterAt, sayPeeled, sideFace } from '../../core/drawing';
import type { Probe } from '../../core/proving';
import { sayConnector } from '../../core/wiring';
import { PeeledEnd, SideFace } from '../../ui';
import drawing from '../../ui/PeeledEnds.module.css';
import styles from './Unit.module.css';
import type { UnitOnPage } from './useUnit';

/** Both connectors from the front, as the builder looks at the closed lead, with the two meter leads on them. */
export function Faces({ page, probe }: { page: UnitOnPage; probe: Probe | undefined }) {
  const { assembly, schools } = page;
  const red = new Set(probe ? [probe.red] : []);
  const black = new Set(probe?.black ?? []);
  // Of many ends only those that the meter touches are shown.
  const measuredEnds = new Set(
    [...red, ...black].map((each) => {
      const place = placeOf(assembly, each);
      return place?.kind === 'contact' ? place.end.id : undefined;
    }),
  );
  const all = endsOf(assembly);
  const ends = all
    .filter((end) => all.length <= 3 || measuredEnds.has(end.id) || end.id === probe?.shorting)
    .flatMap((end) => {
      const drawn = matingFace(assembly, end.id);
      const connector = connectorOf(assembly, end);
      return drawn && connector ? [{ drawn, connector, face: sideFace(connector) }] : [];
    });
  return (
    <div className={styles['faces']}>
      {ends.map(({ drawn, connector, face }) => (
        <figure key={drawn.end} className={styles['figure']}>
          <svg
            viewBox={`0 0 ${size(drawn.insertRadius)} ${size(drawn.insertRadius)}`}
            className={drawing['drawing']}
            role="img"
            aria-label={`${face ? `End ${drawn.end}, from the side.` : sayPeeled(drawn)} ${sayMeterAt(drawn, red, black)}`.trim()}
          >
            {face ? (
              <SideFace
                end={drawn.end}
                face={face}
                x={size(drawn.insertRadius) / 2}
                y={size(drawn.insertRadius) / 2 - 1}
                width={25}
                red={red}
                black={black}
              />
            ) : (
              <PeeledEnd
                drawn={drawn}
                x={size(drawn.insertRadius) / 2}
                y={size(drawn.insertRadius) / 2}
                jacket={0}
                red={red}
                black={black}
              />
            )}
          </svg>
          <figcaption>
            End {drawn.end}: {sayConnector(connector, schools).split(',')[0]},{' '}
            {face ? 'from the side' : 'mating face'}
            {probe?.shorting === drawn.end && ', the shorting plug on it'}
            {probe?.series === drawn.end && ', of the proven lead'}
          </figcaption>
        </figure>
      ))}
    </div>
  );
}

/** How wide a face's picture has to be, mm. */
const size = (insertRadius: number): number => Math.max(26, insertRadius * 2 + 8);
