import { bodyOfEnd, connectorOf, endById, endsOf, type Assembly, type End } from '../../core/assembly';
import { solderOrder } from '../../core/bench';
import { strips } from '../../core/cutting';
import { peel, sideFace } from '../../core/drawing';
import { formatLength } from '../../core/quantity';
import { schoolsOf, type Lead } from '../../core/lead';
import { lengthSystem, sayConnector } from '../../core/wiring';
import { PeeledEnd, PeeledEnds, SideFace } from '../../ui';
import drawing from '../../ui/PeeledEnds.module.css';
import styles from './Stage.module.css';

/** On more contacts than this the numbers of the soldering order hide the contacts. */
const MOST_NUMBERED = 8;

interface EndsProps {
  readonly lead: Lead;
  readonly side?: 'solder' | 'mating';
  /** Whether each end is named below it; left out where the drawing is small. */
  readonly named?: boolean;
  /** Whether the length is written between the ends. */
  readonly measured?: boolean;
  readonly lit?: ReadonlySet<string> | undefined;
  readonly onLight?: ((terminal: string | undefined) => void) | undefined;
}

/** Two ends A and B with one cable between and nothing else: they are drawn facing each other. */
const isPair = (assembly: Assembly): boolean =>
  assembly.spans.length === 1 &&
  endsOf(assembly).length === 2 &&
  endsOf(assembly).every((end) => connectorOf(assembly, end)?.views !== undefined) &&
  endsOf(assembly).every((end) => (connectorOf(assembly, end)?.views?.insertRadiusMm ?? 0) < 12);

/** Every end of a lead, peeled and named in the lead's own words, units and order of soldering. */
export function Ends({ lead, side = 'solder', named = true, measured = true, lit, onLight }: EndsProps) {
  const { assembly } = lead;
  const schools = schoolsOf(lead);
  const ends = endsOf(assembly);
  const perEnd = <T,>(of: (id: string) => T): Record<string, T> =>
    Object.fromEntries(ends.map((end) => [end.id, of(end.id)]));
  const connectorAt = (id: string) => {
    const end = endById(assembly, id);
    return end && connectorOf(assembly, end);
  };
  const order = perEnd((id) => {
    const body = bodyOfEnd(assembly, id);
    const connector = connectorAt(id);
    return body && connector ? solderOrder(assembly, body, connector, schools).map((joint) => joint.id) : [];
  });
  const says = perEnd((id) => {
    const connector = connectorAt(id);
    return connector
      ? `${sayConnector(connector, schools).split(',')[0]}, ${side === 'solder' ? 'solder side' : 'mating side'}`
      : 'loose wires';
  });
  const stripMm = Object.fromEntries(strips(assembly, schools).map((strip) => [strip.end, strip.jacketMm]));
  if (!isPair(assembly))
    return (
      <div className={styles['gallery']}>
        {ends.map((end) => (
          <OneEnd
            key={end.id}
            {...{ assembly, end, side, lit, onLight }}
            order={(connectorAt(end.id)?.contacts.length ?? 0) > MOST_NUMBERED ? [] : (order[end.id] ?? [])}
            stripMm={Math.min(stripMm[end.id] ?? 22, 30)}
            says={named ? (says[end.id] ?? '') : ''}
          />
        ))}
      </div>
    );
  const asked = assembly.lengths[0];
  return (
    <PeeledEnds
      assembly={assembly}
      side={side}
      length={asked && measured ? formatLength(asked.mm, lengthSystem(schools)) : ''}
      order={order}
      lit={lit}
      onLight={onLight}
      stripMm={stripMm}
      says={named ? says : undefined}
    />
  );
}

/** One end by itself, as it is held. A tail has no insert to draw: its wires are listed. */
function OneEnd({
  assembly,
  end,
  side,
  order,
  stripMm,
  lit,
  onLight,
  says,
}: {
  assembly: Assembly;
  end: End;
  side: 'solder' | 'mating';
  order: readonly string[];
  stripMm: number;
  lit: ReadonlySet<string> | undefined;
  onLight: ((terminal: string | undefined) => void) | undefined;
  says: string;
}) {
  const connector = connectorOf(assembly, end);
  const drawn = peel(assembly, end.id, { side, order, stripMm });
  const face = side === 'mating' && connector ? sideFace(connector) : undefined;
  const caption = (
    <figcaption>
      <b>{end.id}</b> {says}
      {end.madeOn === 'site' && ', made on site'}
    </figcaption>
  );
  if (!drawn)
    return (
      <figure>
        <ul>
          {(end.loose ?? []).map((wire) => (
            <li key={wire.id}>
              {wire.id}
              {wire.name !== wire.id && `: ${wire.name}`}
            </li>
          ))}
        </ul>
        {caption}
      </figure>
    );
  const radius = drawn.insertRadius + 5;
  const jacket = drawn.jackets.length > 0 ? 10 : 0;
  const width = radius * 2 + (drawn.jackets.length > 0 ? stripMm - 4 + jacket : 0);
  const height = Math.max(radius * 2, drawn.jackets.length * 11);
  return (
    <figure className={styles[drawn.insertRadius > 12 ? 'wide' : 'narrow']}>
      <svg
        viewBox={`0 0 ${width} ${height}`}
        className={drawing['drawing']}
        role={onLight ? 'group' : 'img'}
        aria-label={`End ${end.id}, ${side === 'solder' ? 'solder side' : 'mating face'}`}
      >
        {face ? (
          <SideFace end={end.id} face={face} x={width / 2} y={height / 2 - 2} width={Math.min(width, 26)} />
        ) : (
          <PeeledEnd drawn={drawn} x={radius} y={height / 2} jacket={jacket} lit={lit} onLight={onLight} />
        )}
      </svg>
      {caption}
    </figure>
  );
}
