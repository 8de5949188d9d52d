import { memberOf, ownerOf, placeOf, type Joint, type Part, type Terminal } from '../../assembly';
import type { Workplace } from '../types';
import { hasCable } from './at';

/** A part that goes over the cups when all else is in them. */
export interface AcrossCups {
  readonly part: Part;
  readonly legs: readonly Terminal[];
  readonly contacts: readonly [string, string];
  /** Where one of its legs is a link as well: round which contact the other goes, past which it goes, and round which. */
  readonly link?: {
    readonly joint: string;
    readonly turns: string;
    readonly past: string;
    readonly round: string;
    readonly because: string;
  };
}

/** The contact of this end that a joint is on. */
const contactOn = ({ assembly, end }: Workplace, { terminals }: Joint): string | undefined =>
  terminals.flatMap((each) => {
    const place = placeOf(assembly, each);
    return place?.kind === 'contact' && place.end.id === end.id ? [place.contact] : [];
  })[0];

/**
 * In a shell with a cable, the parts of two legs between two contacts: they go on last, over the cups, and a leg of one may be
 * the link to a third contact (common practice: handbook, section 15).
 */
export function acrossCups(place: Workplace): readonly AcrossCups[] {
  const { assembly, body, end } = place;
  if (body.kind !== 'shell' || !hasCable(place)) return [];
  const taken = new Set<string>();
  return body.parts.flatMap((part): readonly AcrossCups[] => {
    const joints = body.joints.filter(
      ({ how, terminals }) => how !== 'link' && terminals.some((each) => isLegOf(place, part, each)),
    );
    const legs = joints.flatMap(({ terminals }) => terminals.filter((each) => isLegOf(place, part, each)));
    const [one, other] = joints.map((joint) => contactOn(place, joint));
    if (legs.length !== 2 || joints.length !== 2 || one === undefined || other === undefined) return [];
    const found = body.joints.find(
      ({ id, how, terminals }) =>
        how === 'link' &&
        !taken.has(id) &&
        terminals.length === 2 &&
        terminals.every((each) => ownerOf(each) === end.id && placeOf(assembly, each)?.kind === 'contact') &&
        terminals.filter((each) => [one, other].includes(memberOf(each))).length === 1,
    );
    if (!found) return [{ part, legs, contacts: [one, other] }];
    taken.add(found.id);
    const linked = found.terminals.map(memberOf);
    const past = linked.includes(one) ? one : other;
    return [
      {
        part,
        legs,
        contacts: [one, other],
        link: {
          joint: found.id,
          turns: past === one ? other : one,
          past,
          round: linked.find((each) => each !== past) ?? past,
          because: found.because?.says ?? '',
        },
      },
    ];
  });
}

function isLegOf({ assembly }: Workplace, part: Part, terminal: Terminal): boolean {
  const place = placeOf(assembly, terminal);
  return place?.kind === 'lead' && place.part.id === part.id;
}
