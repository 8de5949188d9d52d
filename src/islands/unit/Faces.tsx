import { connectorOf, endsOf, placeOf } from '../../core/assembly';
import { isToldFromSide, matingFace, pictureOf, sayMeterAt, sayPeeled } from '../../core/drawing';
import type { Probe } from '../../core/proving';
import { sayConnector } from '../../core/wiring';
import { Picture } from '../../ui';
import styles from './Unit.module.css';
import type { UnitOnPage } from './useUnit';

/** The size of type, mm. */
const TYPE = 2;

export interface FacesProps {
  readonly page: Pick<UnitOnPage, 'assembly' | 'schools'>;
  readonly probe: Probe | undefined;
}

/** Both connectors from the front, as the builder looks at the closed lead, with the two meter leads on them. */
export function Faces({ page, probe }: FacesProps) {
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
      return drawn && connector ? [{ drawn, connector, isSide: isToldFromSide(connector) }] : [];
    });
  return (
    <div className={styles['faces']}>
      {ends.map(({ drawn, connector, isSide }) => (
        <figure key={drawn.end} className={styles['figure']}>
          <Picture
            picture={pictureOf(drawn, { typeMm: TYPE })}
            says={`${isSide ? `End ${drawn.end}, from the side.` : sayPeeled(drawn)} ${sayMeterAt(drawn, red, black)}`.trim()}
            red={red}
            black={black}
          />
          <figcaption>
            End {drawn.end}: {sayConnector(connector, schools).split(',')[0]},{' '}
            {isSide ? 'from the side' : 'mating face'}
            {probe?.shorting === drawn.end && ', the shorting plug on it'}
            {probe?.series === drawn.end && ', of the proven lead'}
          </figcaption>
        </figure>
      ))}
    </div>
  );
}
