import { amplifiesAtOnce, type ConnectorEntry, type PortKind } from '../../catalogue';
import { formatLength } from '../../quantity';
import type { Surroundings } from '../../situation';
import type { Preference } from './preference';
import { GRADES, type Reason } from './reason';

/** What a connector is chosen for. */
export interface BodyNeed {
  readonly port: PortKind;
  readonly surroundings: Surroundings;
  /** The jacket that goes into it, mm; nothing where no cable does, or none is known. */
  readonly jacketMm?: number;
  /** How many such cables go into it side by side. */
  readonly cables?: number;
  readonly angle?: 'straight' | 'right-angle';
}

/** A connector in its place among those that would fit what is there. */
export interface BodyChoice {
  readonly connector: ConnectorEntry;
  readonly reasons: readonly Reason[];
  /** Why it stands where it stands. */
  readonly because: string;
}

type Judge = (connector: ConnectorEntry, need: BodyNeed) => Omit<Reason, 'id' | 'source'> | undefined;
interface BodyCriterion {
  readonly id: string;
  readonly source: string;
  readonly judge: Judge;
}

const jacket: Judge = ({ cableMm }, { jacketMm, cables = 1 }) => {
  if (!cableMm || jacketMm === undefined) return undefined;
  const together = cables * jacketMm;
  if (cables > 1)
    return together > cableMm.max
      ? {
          grade: jacketMm > cableMm.max ? 'wrong' : 'poor',
          says: `It takes ${cableMm.min} to ${cableMm.max} mm, and ${cables} of the cable side by side are ${formatLength(together)}.`,
        }
      : {
          grade: 'good',
          says: `It takes ${cables} of the cable side by side, ${formatLength(together)} in all.`,
        };
  const says = `it takes ${cableMm.min} to ${cableMm.max} mm, and the cable is ${formatLength(jacketMm)} thick`;
  if (jacketMm > cableMm.max) return { grade: 'wrong', says: `The jacket does not go in: ${says}.` };
  return jacketMm < cableMm.min
    ? { grade: 'poor', says: `It does not grip the jacket: ${says}.` }
    : { grade: 'good', says: `It grips the jacket: ${says}.` };
};

const angle: Judge = (connector, need) => {
  const is = connector.angle ?? 'straight';
  if (is === (need.angle ?? 'straight')) return undefined;
  return need.angle === undefined
    ? { grade: 'fair', says: 'A right angle is for where there is no room behind the socket.' }
    : {
        grade: 'wrong',
        says: `It is ${is === 'straight' ? 'straight' : 'a right angle'}, which was not asked for.`,
      };
};

const HELD: Readonly<Record<NonNullable<ConnectorEntry['grip']>, Omit<Reason, 'id' | 'source'>>> = {
  'all round': { grade: 'good', says: 'It grips the jacket all round.' },
  'one side': {
    grade: 'fair',
    says: 'It presses on one side of the jacket: where it is pulled a clamp all round lasts longer.',
  },
  tab: {
    grade: 'fair',
    says: 'A tab pinched on the jacket is all that holds the cable: where it is pulled a clamp all round lasts longer.',
  },
};

const pulled: Judge = ({ grip }, { surroundings }) =>
  grip && (surroundings === 'stage' || surroundings === 'outdoors' || surroundings === 'vehicle')
    ? HELD[grip]
    : undefined;

/** Into what amplifies at once a centre that mates before its collar is a bang. */
const thumps: Judge = ({ family, gender, groundFirst }, { port }) => {
  if (family !== 'phono' || gender !== 'plug' || !amplifiesAtOnce(port)) return undefined;
  return groundFirst
    ? { grade: 'good', says: 'Its collar mates no later than the centre: no bang when it is plugged live.' }
    : {
        grade: 'fair',
        says: 'Its centre mates before the collar: plugged live that is a bang in the loudspeaker.',
      };
};

/** Bodies that are made for one thing are not taken for anything else of themselves. */
const made: Judge = ({ bestFor, groundFirst }, { port }) =>
  bestFor === undefined || (groundFirst && amplifiesAtOnce(port))
    ? undefined
    : { grade: 'fair', says: `It is for ${bestFor}.` };

/** What a connector is judged by, weightiest first. */
const BODY_CRITERIA: readonly BodyCriterion[] = [
  { id: 'jacket', source: 'cable range of the connector’s entry', judge: jacket },
  { id: 'angle', source: 'common practice', judge: angle },
  { id: 'pulled', source: 'common practice', judge: pulled },
  { id: 'thump', source: 'common practice', judge: thumps },
  { id: 'made-for', source: 'common practice', judge: made },
];

const keysOf = (reasons: readonly Reason[], place: number): readonly number[] => {
  const count = (grade: Reason['grade']): number => reasons.filter((reason) => reason.grade === grade).length;
  return [count('wrong'), count('poor'), place, count('fair')];
};

/**
 * Connectors of one contact pattern, best first for this cable and place, each with what there is to say and why it stands
 * where it stands. Where nothing is between them the order of the catalogue is kept.
 */
export function rankBodies(
  connectors: readonly ConnectorEntry[],
  need: BodyNeed,
  { prefers = [] }: Preference = {},
): readonly BodyChoice[] {
  const judged = connectors
    .map((connector) => {
      const reasons = BODY_CRITERIA.flatMap(({ id, source, judge }) => {
        const said = judge(connector, need);
        return said ? [{ id, source, ...said }] : [];
      });
      const place = prefers.indexOf(connector.id);
      return { connector, reasons, keys: keysOf(reasons, place < 0 ? prefers.length : place) };
    })
    .sort((a, b) => {
      const n = a.keys.findIndex((key, at) => key !== b.keys[at]);
      return n < 0 ? 0 : (a.keys[n] ?? 0) - (b.keys[n] ?? 0);
    });
  return judged.map(({ connector, reasons }, n): BodyChoice => {
    const worst = [...GRADES]
      .reverse()
      .flatMap((grade) => (grade === 'good' ? [] : reasons.filter((each) => each.grade === grade)));
    const forIt = reasons.filter(({ grade }) => grade === 'good').map(({ says }) => says);
    return {
      connector,
      reasons,
      because:
        n === 0
          ? forIt.join(' ') || 'The usual one.'
          : (worst[0]?.says ?? `It does as well; ${judged[0]?.connector.name ?? ''} is the more usual.`),
    };
  });
}
