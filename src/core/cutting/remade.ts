import { connectorOf, spansAt, type Assembly, type AskedLength, type Body, type End } from '../assembly';
import { mm, type Millimetres } from '../quantity';
import type { Schools } from '../wiring';
import { atEnd, isOver } from './at-end';
import { BRAID_FACTOR } from './cutting';
import { endsOfPiece, piecesOf } from './pieces';
import type { Allowance } from './types';

/** What making one end of a finished lead again costs of its cable, and how long the lead is then. */
export interface Remade {
  readonly end: string;
  /** Trim and strip-back; they add up to `lostMm`, but for a braid, of which five parts are six of its wires. */
  readonly allowances: readonly Allowance[];
  /** By how much the lead is shorter when its connector is unsoldered, mm. */
  readonly lostMm: Millimetres;
  /** Jacket inside its connector and boot, mm: lost as well where the connector is cut off; none where its outline is not known. */
  readonly insideMm?: Millimetres;
  /** It is glued shut: cut off with what it hides, and a new one taken. */
  readonly glued?: true;
  /** Each length that is measured to this end: as it was asked for, and what is left of it. */
  readonly lengths: readonly (AskedLength & { readonly leftMm: Millimetres })[];
}

/** How much jacket a connector’s body and boot hide, mm, by its entry. */
function insideOf(assembly: Assembly, end: End): Millimetres | undefined {
  const connector = connectorOf(assembly, end);
  const { outline, reachMm } = connector ?? {};
  const isOnCable = connector?.mount !== 'panel' && connector?.contacts.every(({ takes }) => takes !== 'pad');
  if (!outline || !reachMm || !isOnCable) return undefined;
  const inside = outline.reduce((sum, { length }) => sum + length, 0) - reachMm.tip;
  return inside > 0 ? mm(inside) : undefined;
}

/** What the end of a body costs when it is made again, mm of the finished lead. */
function lostAt(
  assembly: Assembly,
  body: Body,
): { readonly allowances: readonly Allowance[]; readonly lost: number } {
  const each = spansAt(assembly, body.id).map((span) => {
    const allowances = [...atEnd(assembly, span, [body])].reverse();
    const wire = allowances.reduce((sum, one) => sum + one.mm, 0);
    return { allowances, lost: wire / (isOver(assembly, span, 'braid') ? BRAID_FACTOR : 1) };
  });
  return each.reduce((most, one) => (one.lost > most.lost ? one : most), { allowances: [], lost: 0 });
}

/** With what goes where a connector is cut off and not unsoldered. */
const withInside = (
  { allowances, lost }: ReturnType<typeof lostAt>,
  inside: Millimetres | undefined,
): ReturnType<typeof lostAt> =>
  inside === undefined || lost === 0
    ? { allowances, lost }
    : {
        allowances: [
          ...allowances,
          {
            what: 'hidden by the plug',
            mm: inside,
            because: 'it is glued shut and cut off: nominal, measure yours',
          },
        ],
        lost: lost + inside,
      };

/**
 * Every end that can be made again at the bench, with what is cut away and what is left of each length: trim and strip-back are lost
 * (handbook, section 7); where length was left for one re-termination, that goes first.
 *
 * Example, of a microphone lead of 6 m, XLR: 5 + 22 off, 5.973 m left; with one re-termination left at the cut, 6 m.
 */
export function remadeEnds(assembly: Assembly, schools: Schools): readonly Remade[] {
  const all = assembly.bodies.flatMap((body) => {
    const [end] = body.ends;
    const isGlued = schools['closing'] === 'glued' && body.kind === 'shell';
    const { allowances, lost } = withInside(
      lostAt(assembly, body),
      isGlued ? end && insideOf(assembly, end) : undefined,
    );
    return !end || body.asItCame || lost === 0 ? [] : [{ body, end, allowances, lost, isGlued }];
  });
  const spareOf = (body: Body): number =>
    schools['spare-length'] === 'one'
      ? Math.max(
          ...piecesOf(assembly)
            .map((piece) => endsOfPiece(assembly, piece).flat())
            .filter((bodies) => bodies.includes(body))
            .flatMap((bodies) => all.filter((each) => bodies.includes(each.body)).map((each) => each.lost)),
        )
      : 0;
  return all.map(({ body, end, allowances, lost, isGlued }) => {
    const names = new Set([body.id, ...body.ends.map(({ id }) => id)]);
    const inside = isGlued ? undefined : insideOf(assembly, end);
    return {
      end: end.id,
      ...(isGlued ? { glued: true } : {}),
      allowances,
      lostMm: mm(lost),
      ...(inside === undefined ? {} : { insideMm: inside }),
      lengths: assembly.lengths
        .filter(({ from, to }) => names.has(from) || names.has(to))
        .map((asked) => ({ ...asked, leftMm: mm(asked.mm + spareOf(body) - lost) })),
    };
  });
}
