import { connectorOf, endById, type Assembly } from '../core/assembly';
import { peel, sideFace } from '../core/drawing';
import { PeeledEnd, type Touched } from './PeeledEnd';
import { SideFace } from './SideFace';
import styles from './PeeledEnds.module.css';

const JACKET = 15;
const GAP = 3;
const HEIGHT = 31;
const MIDDLE = 15;

/**
 * Both ends of a two-ended lead peeled back toward each other, to one scale, with the length between them. `order`
 * gives for each end its joints in the order of soldering.
 */
export function PeeledEnds({
  assembly,
  side,
  length,
  order,
  stripMm,
  says,
  ...touched
}: {
  assembly: Assembly;
  side: 'solder' | 'mating';
  length: string;
  order: Readonly<Record<string, readonly string[]>>;
  stripMm: Readonly<Record<string, number>>;
  /** What each end is, in words, by end id. */
  says?: Readonly<Record<string, string>> | undefined;
} & Touched) {
  const drawn = (['A', 'B'] as const).flatMap(
    (end) =>
      peel(assembly, end, {
        side,
        toward: end === 'A' ? 1 : -1,
        order: order[end] ?? [],
        stripMm: stripMm[end] ?? 22,
      }) ?? [],
  );
  const [a, b] = drawn;
  if (!a || !b) return null;
  const reachA = a.insertRadius + (stripMm['A'] ?? 22);
  const reachB = b.insertRadius + (stripMm['B'] ?? 22);
  const ax = 12;
  const mouthA = ax + reachA;
  const mouthB = mouthA + 2 * JACKET + GAP;
  const bx = mouthB + reachB;
  const width = bx + 12;
  return (
    <svg
      viewBox={`0 0 ${width} ${HEIGHT}`}
      className={styles['drawing']}
      role={touched.onLight ? 'group' : 'img'}
      aria-label="The lead, peeled back at both ends"
    >
      {drawn.map((each) => {
        const x = each === a ? ax : bx;
        const end = endById(assembly, each.end);
        const connector = end && connectorOf(assembly, end);
        const face = side === 'mating' && connector ? sideFace(connector) : undefined;
        return face ? (
          <SideFace key={each.end} end={each.end} face={face} x={x} y={MIDDLE} width={22} flip={each !== a} />
        ) : (
          <PeeledEnd key={each.end} drawn={each} x={x} y={MIDDLE} jacket={JACKET} {...touched} />
        );
      })}
      <text x={(mouthA + mouthB) / 2} y={MIDDLE - 5} className={styles['length']}>
        {length}
      </text>
      {drawn.map((each) => (
        <g key={each.end}>
          <text x={each === a ? ax : bx} y={HEIGHT - 2.6} className={styles['endName']}>
            {each.end}
          </text>
          <text x={each === a ? ax : bx} y={HEIGHT - 0.3} className={styles['view']}>
            {says?.[each.end]}
          </text>
        </g>
      ))}
    </svg>
  );
}
