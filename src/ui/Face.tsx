import { viewOf, type ConnectorEntry } from '../core/catalogue';
import styles from './PeeledEnds.module.css';

/** A connector's insert by itself, from the front or from behind, key up, to its own scale. */
export function Face({ connector, side }: { connector: ConnectorEntry; side: 'mating' | 'solder' }) {
  const views = connector.views;
  if (!views) return null;
  const radius = views.insertRadiusMm;
  const half = radius + 3;
  return (
    <svg
      viewBox={`${-half} ${-half} ${half * 2} ${half * 2}`}
      className={styles['drawing']}
      role="img"
      aria-label={`${connector.name}, ${side === 'mating' ? 'mating face' : 'solder side'}: ${viewOf(
        connector,
        side,
      )
        .map((place) => place.contact)
        .join(', ')}`}
    >
      <circle cx={0} cy={0} r={radius + 0.9} className={styles['insert']} />
      {views.keyed && (
        <rect x={-1.3} y={-radius - 1.9} width={2.6} height={2.4} rx={0.5} className={styles['key']} />
      )}
      {viewOf(connector, side).map((place) => (
        <g key={place.contact}>
          <circle
            cx={place.x}
            cy={-place.y}
            r={(connector.contacts.find((each) => each.id === place.contact)?.boreMm ?? 2) / 2}
            className={styles['cup']}
          />
          <text x={place.x} y={-place.y + 0.7} className={styles['cupName']}>
            {place.contact}
          </text>
        </g>
      ))}
    </svg>
  );
}
