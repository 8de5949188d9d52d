/* eslint max-lines-per-function: off -- one sum, written down in the order in which it is measured. */
import {
  cableOf,
  conductorTerminal,
  contactTerminal,
  jacketLengths,
  spanLengths,
  type Assembly,
  type Span,
} from '../assembly';
import { isJacketed, type CableConductor } from '../catalogue';
import { mm, type Millimetres } from '../quantity';
import type { Schools } from '../wiring';
import { atEnd, isOver, TRIM_MARGIN } from './at-end';
import { endsOfPiece, piecesOf } from './pieces';
import { stripOf } from './strip-of';
import { SCREEN_EXTRA } from './strips';
import type { Allowance, Cut, CutWire, Parting } from './types';

/** A drain’s own tail to its chassis point where none is said, mm (nominal: measure the way). */
const DRAIN_TAIL = 100;
/** More for working the ends: of a lead that is sleeved over its whole length, or where it is chosen; mm (common practice: about 4 in). */
const WORK_EXTRA = 100;

/** Length that a hand braid of three takes up: six make five (common practice). */
export const BRAID_FACTOR = 1.2;

/**
 * What to cut for each piece of cable: (finished length − what the connectors add) × take-up + strip-back and trim at
 * both ends + length kept for one re-termination where that school is chosen (common practice). Straight jacketed cable has
 * a take-up of 1. Legs beyond a break-out are the cable's own cores, uncut, so they are part of its piece.
 *
 * Example, of a microphone lead of 6 m:
 *
 *     cuts(assembly, {})[0].total; // → 5966
 *     cuts(assembly, {})[0].allowances[1]; // → { what: 'inside the connector at A', mm: -46, because: 'face to the jacket’s edge: nominal, measure yours' }
 */
export function cuts(assembly: Assembly, schools: Schools): readonly Cut[] {
  const lengths = spanLengths(assembly);
  const jackets = jacketLengths(assembly);
  return piecesOf(assembly).flatMap((piece): Cut[] => {
    const { trunk, legs } = piece;
    const jacket = lengths.get(trunk.id);
    if (jacket === undefined) return [];
    const inPiece = new Set([trunk.id, ...legs.map((leg) => leg.id)]);
    const whole = jackets.find(
      (each) =>
        each.spans.some((span) => span.id === trunk.id) && each.spans.every((span) => inPiece.has(span.id)),
    );
    const came = assembly.bodies.find(
      ({ id, asItCame }) => asItCame && (id === trunk.from || id === trunk.to),
    );
    const donor = came?.ends[0]?.id;
    // At either side as far as its longest leg goes.
    const longest = [trunk.from, trunk.to].reduce(
      (sum, body) =>
        sum +
        Math.max(
          0,
          ...legs
            .filter((leg) => leg.from === body || leg.to === body)
            .map((leg) => lengths.get(leg.id) ?? 0),
        ),
      0,
    );
    const start: Allowance[] = whole
      ? [
          {
            what: 'finished length',
            mm: whole.asked.mm,
            because: `asked for, ${whole.asked.from} to ${whole.asked.to}, ${whole.asked.datum} to ${whole.asked.datum}${legs.length > 0 ? '; the legs are its own cores' : ''}`,
          },
          ...[
            {
              what: `inside the connector at ${whole.asked.from}`,
              mm: -whole.fromAdds,
              end: whole.asked.from,
            },
            { what: `inside the connector at ${whole.asked.to}`, mm: -whole.toAdds, end: whole.asked.to },
          ]
            .filter((each) => each.mm !== 0 && each.end !== donor && each.end !== came?.id)
            .map(({ end: _, ...each }) => ({
              ...each,
              because: `${whole.asked.datum} to the jacket’s edge: nominal, measure yours`,
            })),
        ]
      : [
          {
            what: 'between the break-outs',
            mm: jacket + longest,
            because: 'what the lengths asked for leave for this run',
          },
        ];
    const cable = cableOf(assembly, trunk);
    const loose = cable !== undefined && !isJacketed(cable);
    const braided = isOver(assembly, trunk, 'braid');
    const takeUp: Allowance[] = braided
      ? [
          {
            what: 'taken up by braiding',
            mm: start.reduce((sum, each) => sum + each.mm, 0) * (BRAID_FACTOR - 1),
            because: 'a hand braid of three loses one part in six (common practice)',
          },
        ]
      : [];
    const made = endsOfPiece(assembly, piece).filter((bodies) => !bodies.some((body) => body.asItCame));
    const ends = made.flatMap((bodies) => atEnd(assembly, trunk, bodies));
    const most = Math.max(0, ...ends.map((each) => each.mm));
    const spare: Allowance[] =
      schools['spare-length'] === 'one'
        ? [
            {
              what: 'one re-termination',
              mm: most + TRIM_MARGIN,
              because: 'one strip-back and trim, for a later repair',
            },
          ]
        : [];
    const screenExtra: Allowance[] =
      schools['conductor-lengths'] === 'screen-longer' && cable?.screen !== 'none'
        ? [
            {
              what: 'longer screen',
              mm: made.length * SCREEN_EXTRA,
              because: `the screen is left a little longer at ${made.length === 1 ? 'the end that is made' : 'both ends'}`,
            },
          ]
        : [];
    const sleeved = isOver(assembly, trunk, 'expandable-sleeve');
    const toWork: Allowance[] =
      sleeved || schools['spare-length'] === 'work'
        ? [
            {
              what: `to work the ends${sleeved ? ' under the sleeving' : ''}`,
              mm: WORK_EXTRA,
              because: 'trimmed last (common practice)',
            },
          ]
        : [];
    const allowances = [...start, ...takeUp, ...ends, ...screenExtra, ...spare, ...toWork];
    const total = sumOf(allowances);
    return [
      {
        span: trunk.id,
        cable: trunk.cable,
        allowances,
        total,
        ...(donor === undefined ? {} : { from: { end: donor, datum: whole?.asked.datum ?? 'jacket' } }),
        ...(loose && donor === undefined ? { wires: wiresOf(assembly, trunk, cable.conductors, total) } : {}),
      },
    ];
  });
}

const sumOf = (allowances: readonly Allowance[]): Millimetres =>
  mm(allowances.reduce((sum, each) => sum + each.mm, 0));

/** Loose wires, each with its cut: one that leaves the others for a loose end beside the connector is longer by its tail. */
function wiresOf(
  assembly: Assembly,
  span: Span,
  conductors: readonly CableConductor[],
  total: number,
): readonly CutWire[] {
  const tails = assembly.bodies.flatMap((body) =>
    body.ends.some(({ connector }) => connector)
      ? body.ends.flatMap((end) => (end.loose ?? []).map((wire) => ({ body, end, wire })))
      : [],
  );
  return conductors.map(({ id, colour }) => {
    const tail = tails.find(({ body, end, wire }) =>
      body.joints.some(
        ({ terminals }) =>
          terminals.includes(contactTerminal(end.id, wire.id)) &&
          terminals.includes(conductorTerminal(span.id, id, body.id)),
      ),
    );
    return tail
      ? {
          id,
          colour,
          mm: mm(total + (tail.wire.legMm ?? DRAIN_TAIL)),
          because: `its own tail to ${tail.wire.name}${tail.wire.legMm === undefined ? ', nominal: measure the way' : ''}`,
        }
      : { id, colour, mm: mm(total) };
  });
}

/**
 * What comes off the jacket where a cable is parted, from the raw end: the longest leg’s own way + its strip-back + trim
 * (handbook, section 15); and each leg as it is cut.
 *
 * Example, of legs of 400 mm between split and jacket’s edge into XLRs: 400 + 22 + 5 = 427.
 */
export function partings(assembly: Assembly): readonly Parting[] {
  const lengths = spanLengths(assembly);
  return piecesOf(assembly).flatMap(({ trunk, legs }) =>
    [trunk.from, trunk.to].flatMap((body): Parting[] => {
      const here = legs
        .filter((leg) => leg.from === body || leg.to === body)
        .flatMap((leg) => {
          const way = lengths.get(leg.id);
          const far = assembly.bodies.find(({ id }) => id === (leg.from === body ? leg.to : leg.from));
          const figures = far && stripOf(assembly, far);
          return way === undefined || !far ? [] : [{ leg, way, figures, far }];
        });
      const most = here.reduce<(typeof here)[number] | undefined>(
        (longest, each) =>
          longest &&
          longest.way + (longest.figures?.jacketMm ?? 0) >= each.way + (each.figures?.jacketMm ?? 0)
            ? longest
            : each,
        undefined,
      );
      if (!most) return [];
      const allowances: Allowance[] = [
        {
          what: 'the longest leg',
          mm: most.way,
          because: 'from the split to the jacket’s edge of its connector',
        },
        ...(most.figures
          ? [
              {
                what: `strip-back at ${most.far.ends.map(({ id }) => id).join(', ')}`,
                mm: most.figures.jacketMm,
                because: most.figures.source,
              },
            ]
          : []),
        { what: 'trim', mm: TRIM_MARGIN, because: 'a square, clean start; nominal' },
      ];
      return [
        {
          body,
          trunk: trunk.id,
          allowances,
          jacketMm: sumOf(allowances),
          legs: here.map(({ leg, way, figures }) => ({
            span: leg.id,
            mm: mm(way + (figures?.jacketMm ?? 0) + TRIM_MARGIN),
          })),
        },
      ];
    }),
  );
}
