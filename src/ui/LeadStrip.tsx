import type { ReactNode } from 'react';
import { profileLength, type Strip, type StripEnd } from '../core/drawing';
import styles from './LeadStrip.module.css';

/** How high a box or a barrel is drawn, mm. */
const HOUSED = { box: 26, barrel: 16 } as const;
/** How far the legs fan out between the ends and the cable, px. */
const FAN = 34;

/** The ends of one side, from the side, to one scale: one as large as the cable allows, several stacked and fanned. */
function Ends({
  ends,
  scale,
  flip,
  onEnd,
}: {
  ends: readonly StripEnd[];
  scale: number;
  flip: boolean;
  onEnd: ((end: string) => void) | undefined;
}) {
  if (ends.length === 0) return null;
  const one = ends.length === 1;
  const row = one ? 20 * scale : Math.max(10, Math.min(20 * scale, 92 / ends.length));
  const size = row / 20;
  const longest = Math.max(...ends.map(({ outline }) => profileLength(outline))) * size;
  const fan = one ? 0 : FAN;
  const width = longest + fan + (one ? 0 : 16);
  const height = row * ends.length;
  return (
    <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} aria-hidden="true">
      <g transform={flip ? `translate(${width} 0) scale(-1 1)` : undefined}>
        {ends.map(({ id, outline }, n) => {
          const starts = outline.map((_, k) => profileLength(outline.slice(0, k)));
          const y = row * (n + 0.5);
          const left = (one ? 0 : 16) + longest - profileLength(outline) * size;
          return (
            <g
              key={id}
              {...(onEnd && { onClick: () => onEnd(id), className: styles['taken'], 'data-end': id })}
            >
              {onEnd && <rect y={y - row / 2} width={width} height={row} className={styles['reach']} />}
              {!one && (
                <path
                  d={`M${width - fan} ${y} C${width - fan / 2} ${y} ${width - fan / 2} ${height / 2} ${width} ${height / 2}`}
                  className={styles['leg']}
                />
              )}
              {outline.map((piece, k) => {
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
                  {id}
                </text>
              )}
            </g>
          );
        })}
      </g>
    </svg>
  );
}

/**
 * The lead itself, lying along the page: true ends, true jacket, forks where it forks, filled with copper as far as the
 * work has come. `done` is 0 to 1. Whatever stands on the cable goes in as children.
 */
export function LeadStrip({
  strip: { starts, others, cable, more, housing },
  done,
  scale = 1.6,
  onEnd,
  children,
}: {
  strip: Strip;
  done: number;
  scale?: number;
  /** Takes the end that is pointed at in hand; where it is given, it can be done by other means too. */
  onEnd?: ((end: string) => void) | undefined;
  children?: ReactNode;
}) {
  const thick = housing ? HOUSED[housing] * scale : Math.max(5, (cable?.jacketMm ?? 3) * scale);
  return (
    <div className={styles['strip']}>
      <Ends ends={starts} scale={scale} flip={false} onEnd={onEnd} />
      <div className={`${styles['cable']} ${children ? styles['long'] : ''}`} data-pushed="">
        <div className={styles['track']}>
          <svg
            className={styles['jacket']}
            height={thick}
            data-colour={housing ?? cable?.colour ?? 'none'}
            aria-hidden="true"
          >
            <rect width="100%" height="100%" className={styles['sheath']} />
            <rect width={`${Math.round(done * 1000) / 10}%`} height="100%" className={styles['copper']} />
            <rect y={thick * 0.12} width="100%" height={thick * 0.16} className={styles['shine']} />
            <rect y={thick * 0.8} width="100%" height={thick * 0.2} className={styles['shade']} />
          </svg>
          {children && <div className={styles['on']}>{children}</div>}
        </div>
      </div>
      <Ends ends={others} scale={scale} flip onEnd={onEnd} />
      {more > 0 && <span className={styles['more']}>and {more} more ends</span>}
    </div>
  );
}
