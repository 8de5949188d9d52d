import type { DrawnContact } from '../core/drawing';
import styles from './PeeledEnds.module.css';

/** A contact from the solder side, by what it takes: a cup with its open side to the cable, a tab or lug with its hole, a screw, a pad. */
export function SolderContact({
  contact: { takes, radius, x: cx, y: cy },
  x,
  y,
  toward,
}: {
  readonly contact: DrawnContact;
  readonly x: number;
  readonly y: number;
  readonly toward: 1 | -1;
}) {
  const [left, top] = [x + cx, y - cy];
  if (takes === 'tab' || takes === 'lug') {
    const [length, width] = takes === 'lug' ? [4.2, 2.4] : [3.2, 1.6];
    return (
      <g>
        <rect
          x={toward === 1 ? left - length + 1 : left - 1}
          y={top - width / 2}
          width={length}
          height={width}
          rx={0.5}
          className={styles['lug']}
        />
        <circle cx={left} cy={top} r={Math.min(radius, width / 2 - 0.2)} className={styles['hole']} />
      </g>
    );
  }
  if (takes === 'screw')
    return (
      <g>
        <circle cx={left} cy={top} r={radius} className={styles['lug']} />
        <line
          x1={left - radius * 0.7}
          y1={top - radius * 0.7}
          x2={left + radius * 0.7}
          y2={top + radius * 0.7}
          className={styles['slot']}
        />
      </g>
    );
  if (takes === 'pad')
    return (
      <rect
        x={left - radius}
        y={top - radius}
        width={2 * radius}
        height={2 * radius}
        rx={0.3}
        className={styles['lug']}
      />
    );
  return (
    <g>
      <circle cx={left} cy={top} r={radius} className={styles['cup']} />
      <path
        d={`M${left - toward * 0.2 * radius} ${top - radius} A${radius} ${radius} 0 0 ${toward === 1 ? 0 : 1} ${left - toward * 0.2 * radius} ${top + radius}`}
        className={styles['open']}
      />
    </g>
  );
}
