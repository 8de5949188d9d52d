import type { CSSProperties, ReactNode } from 'react';
import { connectorOf, endsOf, type Assembly, type End } from '../core/assembly';
import type { Turned } from '../core/catalogue';
import { profileLength, profileOf } from '../core/drawing';
import styles from './LeadStrip.module.css';

/** The most ends that are drawn on one side; the rest is counted. */
const MOST = 8;
/** How far the legs fan out between the ends and the cable, px. */
const FAN = 34;
/** What a tail looks like from the side: a short bare wire. */
const WIRE: readonly Turned[] = [
  { length: 12, from: 1.4, to: 1.4, of: 'metal' },
  { length: 14, from: 3, to: 3, of: 'insulator' },
];

const outlineOf = (assembly: Assembly, end: End): readonly Turned[] => {
  const connector = connectorOf(assembly, end);
  return connector ? profileOf(connector) : WIRE;
};

/** The ends of one side, from the side, to one scale: one as large as the cable allows, several stacked and fanned. */
function Ends({
  assembly,
  ends,
  scale,
  flip,
}: {
  assembly: Assembly;
  ends: readonly End[];
  scale: number;
  flip: boolean;
}) {
  const shown = ends.slice(0, MOST);
  if (shown.length === 0) return null;
  const one = shown.length === 1;
  const row = one ? 20 * scale : Math.max(10, Math.min(20 * scale, 92 / shown.length));
  const size = row / 20;
  const outlines = shown.map((end) => outlineOf(assembly, end));
  const longest = Math.max(...outlines.map(profileLength)) * size;
  const fan = one ? 0 : FAN;
  const width = longest + fan + (one ? 0 : 16);
  const height = row * shown.length;
  return (
    <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} aria-hidden="true">
      <g transform={flip ? `translate(${width} 0) scale(-1 1)` : undefined}>
        {shown.map((end, n) => {
          const profile = outlines[n] ?? [];
          const starts = profile.map((_, k) => profileLength(profile.slice(0, k)));
          const y = row * (n + 0.5);
          const left = (one ? 0 : 16) + longest - profileLength(profile) * size;
          return (
            <g key={end.id}>
              {!one && (
                <path
                  d={`M${width - fan} ${y} C${width - fan / 2} ${y} ${width - fan / 2} ${height / 2} ${width} ${height / 2}`}
                  className={styles['leg']}
                />
              )}
              {profile.map((piece, k) => {
                const x = left + (starts[k] ?? 0) * size;
                const to = x + piece.length * size;
                const [a, b] = [(piece.from / 2) * size, (piece.to / 2) * size];
                return (
                  <polygon
                    key={x}
                    points={`${x},${y - a} ${to},${y - b} ${to},${y + b} ${x},${y + a}`}
                    className={`${styles[piece.of]} ${styles['piece']}`}
                  />
                );
              })}
              {!one && (
                <text
                  transform={flip ? `translate(8 ${y + 3.5}) scale(-1 1)` : `translate(8 ${y + 3.5})`}
                  className={styles['letter']}
                >
                  {end.id}
                </text>
              )}
            </g>
          );
        })}
      </g>
    </svg>
  );
}

/** The ends that a lead starts with: those in bodies that no cable leads into; the first of them where there is no cable. */
function startsOf(assembly: Assembly): readonly End[] {
  if (assembly.spans.length === 0) return endsOf(assembly).slice(0, 1);
  const reached = new Set(assembly.spans.map((span) => span.to));
  const hubs = new Set(assembly.bodies.filter((body) => body.ends.length === 0).map((body) => body.id));
  const starts = assembly.bodies.filter((body) => !reached.has(body.id) && !hubs.has(body.id));
  return starts.flatMap((body) => body.ends);
}

/**
 * The lead itself, lying along the page: true ends, true jacket, forks where it forks, filled with copper as far as the
 * work has come. `done` is 0 to 1. Whatever stands on the cable goes in as children.
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
  const starts = startsOf(assembly);
  const others = endsOf(assembly).filter((end) => !starts.includes(end));
  const cable = assembly.uses.cables[0];
  const height: CSSProperties = { height: Math.max(5, (cable?.jacketMm ?? 3) * scale) };
  const more = Math.max(0, starts.length - MOST) + Math.max(0, others.length - MOST);
  return (
    <div className={styles['strip']}>
      <Ends assembly={assembly} ends={starts} scale={scale} flip={false} />
      <div
        className={styles['cable']}
        data-colour={cable ? (cable.jacketColour ?? 'BK') : 'none'}
        style={height}
      >
        <div className={styles['copper']} style={{ width: `${Math.round(done * 1000) / 10}%` }} />
        {children && <div className={styles['on']}>{children}</div>}
      </div>
      <Ends assembly={assembly} ends={others} scale={scale} flip />
      {more > 0 && <span className={styles['more']}>and {more} more ends</span>}
    </div>
  );
}
