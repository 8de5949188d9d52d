import type { Band } from '../core/assembly';
import type { DrawnPart, PeeledEnd as Drawn } from '../core/drawing';
import { INSULATION } from './insulation';
import type { Touched } from './PeeledEnd';
import styles from './PeeledEnds.module.css';

const METALS = { gold: '#b58a2a', silver: '#b9bcbf' } as const;
const bandColour = (band: Band): string =>
  band === 'gold' || band === 'silver' ? METALS[band] : INSULATION[band];

/** What is inside a shell, as it lies between the contacts and the cable: parts with their bands and marks, joints in the air. */
export function PartsInside({
  drawn,
  x,
  y,
  lit,
  onPick,
  picked,
}: {
  readonly drawn: Drawn;
  readonly x: number;
  readonly y: number;
} & Omit<Touched, 'onLight'>) {
  const dims = (terminals: readonly string[]): boolean =>
    lit !== undefined && lit.size > 0 && !terminals.some((each) => lit.has(each));
  const at = (px: number, py: number): string => `${x + px} ${y - py}`;
  return (
    <g>
      {drawn.parts.map((part) => (
        <g
          key={part.part}
          className={dims(part.legs.map(({ terminal }) => terminal)) ? styles['dim'] : undefined}
        >
          {part.legs.map(({ terminal, curve: [p0, p1, p2, p3] }) => (
            <path
              key={terminal}
              d={`M${at(p0.x, p0.y)} C${at(p1.x, p1.y)} ${at(p2.x, p2.y)} ${at(p3.x, p3.y)}`}
              className={styles['leg']}
            />
          ))}
          <PartBody part={part} x={x} y={y} toward={drawn.toward} />
          {onPick &&
            part.legs.map(({ terminal, curve: [from] }) => (
              <Leg
                key={`hand ${terminal}`}
                says={`leg ${terminal}`}
                isPicked={picked === terminal}
                at={{ x: x + from.x, y: y - from.y }}
                onPick={() => onPick(terminal)}
              />
            ))}
        </g>
      ))}
      {drawn.air.map((joint) => (
        <circle
          key={joint.joint}
          cx={x + joint.x}
          cy={y - joint.y}
          r={joint.sleeved ? 1 : 0.8}
          className={joint.sleeved ? styles['sleeved'] : styles['blob']}
        />
      ))}
    </g>
  );
}

/** Where a leg leaves its part: it is taken in hand there. */
function Leg({
  says,
  at,
  isPicked,
  onPick,
}: {
  readonly says: string;
  readonly at: { readonly x: number; readonly y: number };
  readonly isPicked: boolean;
  readonly onPick: () => void;
}) {
  return (
    <circle
      cx={at.x}
      cy={at.y}
      r={1.3}
      className={`${styles['grip']} ${isPicked ? styles['held'] : ''}`}
      role="button"
      tabIndex={0}
      aria-label={says}
      aria-pressed={isPicked}
      onClick={onPick}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' && event.key !== ' ') return;
        event.preventDefault();
        onPick();
      }}
    />
  );
}

/** Its body with what is printed on it, and its name beside. */
function PartBody({
  part,
  x,
  y,
  toward,
}: {
  readonly part: DrawnPart;
  readonly x: number;
  readonly y: number;
  readonly toward: 1 | -1;
}) {
  const { at, length, width, bands, mark, kind } = part;
  const [left, top] = [x + at.x - length / 2, y - at.y - width / 2];
  const markAt = mark && (mark === 'insert' ? -1 : 1) * toward;
  const isRound = kind === 'led' || kind === 'lamp';
  return (
    <g>
      <rect
        x={left}
        y={top}
        width={length}
        height={width}
        rx={isRound ? width / 2 : kind === 'transformer' ? 0.6 : width / 2.4}
        className={styles[kind === 'resistor' ? 'resistor' : kind === 'transformer' ? 'iron' : 'partBody']}
      />
      {bands.map((band, n) => (
        <rect
          key={n}
          // The last stands apart: it is read from the other end.
          x={left + 0.9 + n * ((length - 2.6) / bands.length) + (n === bands.length - 1 ? 0.7 : 0)}
          y={top}
          width={0.6}
          height={width}
          fill={bandColour(band)}
          className={styles['band']}
        />
      ))}
      {markAt !== undefined &&
        (kind === 'diode' ? (
          <rect
            x={x + at.x + markAt * (length / 2 - 0.9) - 0.35}
            y={top}
            width={0.7}
            height={width}
            className={styles['diodeBand']}
          />
        ) : (
          <text x={x + at.x + markAt * (length / 2 - 1.1)} y={y - at.y + 0.75} className={styles['plus']}>
            +
          </text>
        ))}
      <text
        x={x + at.x}
        y={width < 6 ? top - 0.25 : y - at.y + 0.7}
        className={styles[kind === 'transformer' ? 'ironName' : 'partName']}
      >
        {part.part}
      </text>
    </g>
  );
}
