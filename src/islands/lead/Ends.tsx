import type { ComponentType } from 'react';
import { bodyOfEnd, connectorOf, endById, endsOf, type Assembly, type End } from '../../core/assembly';
import { solderOrder } from '../../core/bench';
import { strips } from '../../core/cutting';
import { peel, sideFace } from '../../core/drawing';
import { formatLength } from '../../core/quantity';
import { schoolsOf, type Lead } from '../../core/lead';
import { lengthSystem, sayConnector } from '../../core/wiring';
import { PeeledEnd, PeeledEnds, SideFace, useLater, type Touched } from '../../ui';
import type { PeeledEnd as PeeledEndShape } from '../../core/drawing';
import drawing from '../../ui/PeeledEnds.module.css';
import styles from './Stage.module.css';

/** On more contacts than this the numbers of the soldering order hide the contacts. */
const MOST_NUMBERED = 8;
/** Whether the order of soldering is drawn at any of its ends. */
export const isNumbered = ({ uses }: Assembly): boolean =>
  uses.connectors.some(({ contacts }) => contacts.length <= MOST_NUMBERED);

/** The ends of a lead, and what is drawn of each. */
export interface HoldProps {
  readonly ends: readonly End[];
  readonly facts: (end: End) => OneEndProps;
}

interface EndsProps extends Touched {
  readonly lead: Lead;
  readonly side?: 'solder' | 'mating';
  /** Whether each end is named below it; left out where the drawing is small. */
  readonly named?: boolean;
  /** Whether the length is written between the ends. */
  readonly measured?: boolean;
  /** What lays one end large in the hand and the others beside it, where they are not two that face each other. */
  readonly hold?: ComponentType<HoldProps>;
}

/** Whether anything but cores is inside its shells. */
const hasParts = ({ bodies }: Assembly): boolean => bodies.some(({ parts }) => parts.length > 0);

/** What draws contacts as they are, and parts. */
const insides = () => import('./inside-shell');

/** Two ends A and B with one cable between and nothing else: they are drawn facing each other. */
const isPair = (assembly: Assembly): boolean =>
  assembly.spans.length === 1 &&
  endsOf(assembly).length === 2 &&
  endsOf(assembly).every((end) => connectorOf(assembly, end)?.views !== undefined) &&
  endsOf(assembly).every((end) => (connectorOf(assembly, end)?.views?.insertRadiusMm ?? 0) < 12);

/** Every end of a lead, peeled and named in the lead's own words, units and order of soldering. */
export function Ends({
  lead,
  side = 'solder',
  named = true,
  measured = true,
  hold: Hold,
  ...touched
}: EndsProps) {
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
  const facts = (end: End): OneEndProps => ({
    assembly,
    end,
    side,
    order: (connectorAt(end.id)?.contacts.length ?? 0) > MOST_NUMBERED ? [] : (order[end.id] ?? []),
    stripMm: Math.min(stripMm[end.id] ?? 22, 30),
    says: named ? (says[end.id] ?? '') : '',
    ...touched,
  });
  if (!isPair(assembly) || hasParts(assembly))
    return Hold ? (
      <Hold ends={ends} facts={facts} />
    ) : (
      <div className={styles['gallery']}>
        {ends.map((end) => (
          <OneEnd key={end.id} {...facts(end)} />
        ))}
      </div>
    );
  const asked = assembly.lengths[0];
  const pair = (
    <PeeledEnds
      assembly={assembly}
      side={side}
      length={asked && measured ? formatLength(asked.mm, lengthSystem(schools)) : ''}
      order={order}
      {...touched}
      stripMm={stripMm}
      says={named ? says : undefined}
    />
  );
  // Side by side they are too small to be touched on a phone: there one lies in the hand.
  return Hold ? (
    <>
      <div className={styles['onlyWide']}>{pair}</div>
      <div className={styles['onlyNarrow']}>
        <Hold ends={ends} facts={facts} />
      </div>
    </>
  ) : (
    pair
  );
}

/** How far the parts of a plug by itself reach, mm. */
const reachOf = ({ parts }: PeeledEndShape): number =>
  Math.max(0, ...parts.map(({ at, length }) => Math.abs(at.x) + length / 2 + 3));

export interface OneEndProps extends Touched {
  readonly assembly: Assembly;
  readonly end: End;
  readonly side: 'solder' | 'mating';
  readonly order: readonly string[];
  readonly stripMm: number;
  readonly says: string;
  readonly isLarge?: boolean;
}

/** One end by itself, as it is held. A tail has no insert to draw: its wires are listed. */
export function OneEnd({
  assembly,
  end,
  side,
  order,
  stripMm,
  says,
  isLarge = false,
  ...touched
}: OneEndProps) {
  const connector = connectorOf(assembly, end);
  // Where an end lies large, or where there are parts.
  const parts = useLater(insides, isLarge || hasParts(assembly));
  const drawn = peel(assembly, end.id, { side, order, stripMm, ...(parts ? { inside: parts.inside } : {}) });
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
  // A shell that is longer than wide is as far across as its rows.
  const across = (drawn.rows ? Math.max(...drawn.rows.map(({ half }) => half)) : drawn.insertRadius) + 4;
  const high = drawn.rows ? Math.max(...drawn.rows.map(({ y }) => Math.abs(y))) + 4 : drawn.insertRadius + 5;
  const jacket = drawn.jackets.length > 0 ? 10 : 0;
  const mouth = Math.max(0, ...drawn.jackets.map(({ x }) => Math.abs(x)));
  const tall = Math.max(0, ...drawn.parts.map(({ at, width: thick }) => Math.abs(at.y) + thick / 2 + 2));
  const width = across + (drawn.jackets.length > 0 ? mouth + jacket : Math.max(across, reachOf(drawn)));
  const height = 2 * Math.max(high, tall, drawn.jackets.length * 5.5);
  return (
    <figure className={isLarge ? styles['large'] : styles[drawn.insertRadius > 12 ? 'wide' : 'narrow']}>
      <svg
        viewBox={`0 0 ${width} ${height}`}
        className={drawing['drawing']}
        role={touched.onLight ? 'group' : 'img'}
        aria-label={`End ${end.id}, ${side === 'solder' ? 'solder side' : 'mating face'}`}
      >
        {face ? (
          <SideFace end={end.id} face={face} x={width / 2} y={height / 2 - 2} width={Math.min(width, 26)} />
        ) : (
          <PeeledEnd
            drawn={drawn}
            x={across}
            y={height / 2}
            jacket={jacket}
            {...touched}
            contactAs={parts?.SolderContact}
          >
            {parts && <parts.PartsInside drawn={drawn} x={across} y={height / 2} {...touched} />}
          </PeeledEnd>
        )}
      </svg>
      {caption}
    </figure>
  );
}
