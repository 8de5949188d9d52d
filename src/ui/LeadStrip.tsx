import type { CSSProperties, ReactNode } from 'react';
import { connectorOf, endsOf, type Assembly } from '../core/assembly';
import type { ConnectorEntry } from '../core/catalogue';
import { profileLength, profileOf } from '../core/drawing';
import styles from './LeadStrip.module.css';

/** A connector's outline from the side, to scale; `flip` for the end on the right. */
function Outline({ connector, scale, flip }: { connector: ConnectorEntry; scale: number; flip: boolean }) {
  const profile = profileOf(connector);
  const length = profileLength(profile);
  const starts = profile.map((_, n) => profileLength(profile.slice(0, n)));
  return (
    <svg width={length * scale} height={20 * scale} viewBox={`0 -10 ${length} 20`} aria-hidden="true">
      <g transform={flip ? `translate(${length} 0) scale(-1 1)` : undefined}>
        {profile.map((piece, n) => {
          const x = starts[n] ?? 0;
          const points = `${x},${-piece.from / 2} ${x + piece.length},${-piece.to / 2} ${x + piece.length},${piece.to / 2} ${x},${piece.from / 2}`;
          return <polygon key={x} points={points} className={`${styles[piece.of]} ${styles['piece']}`} />;
        })}
      </g>
    </svg>
  );
}

/**
 * The lead itself, lying along the page: true ends, true jacket, filled with copper as far as the work has come.
 * `done` is 0 to 1. Whatever stands on the cable goes in as children.
 */
export function LeadStrip({
  assembly,
  done,
  scale = 1.6,
  children,
}: {
  assembly: Assembly;
  done: number;
  scale?: number;
  children?: ReactNode;
}) {
  const [first, last] = endsOf(assembly).flatMap((end) => connectorOf(assembly, end) ?? []);
  const cable = assembly.uses.cables[0];
  const height: CSSProperties = { height: Math.max(5, (cable?.jacketMm ?? 6) * scale) };
  return (
    <div className={styles['strip']}>
      {first && <Outline connector={first} scale={scale} flip={false} />}
      <div className={styles['cable']} data-colour={cable?.jacketColour ?? 'BK'} style={height}>
        <div className={styles['copper']} style={{ width: `${Math.round(done * 1000) / 10}%` }} />
        {children && <div className={styles['on']}>{children}</div>}
      </div>
      {last && <Outline connector={last} scale={scale} flip />}
    </div>
  );
}
