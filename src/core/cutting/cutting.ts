/* eslint max-lines-per-function: off -- one sum, written down in the order in which it is measured. */
import {
  conductorsOf,
  conductorTerminal,
  connectorOf,
  jacketLengths,
  spanLengths,
  spansAt,
  type Assembly,
  type Body,
  type Span,
  ownerOf,
} from '../assembly';
import { mm, type Millimetres } from '../quantity';
import type { Schools } from '../wiring';

/** One thing that makes a cut longer or shorter than the length asked for, mm, with its reason. */
export interface Allowance {
  readonly what: string;
  readonly mm: number;
  readonly because: string;
}

/** How one end of a span is stripped. */
export interface Strip {
  readonly span: string;
  readonly body: string;
  readonly end: string;
  /** Jacket taken off, from the cable's end, mm. */
  readonly jacketMm: Millimetres;
  /** Copper bared at the tip of each conductor, mm. */
  readonly bareMm: Millimetres;
  /** Length of each conductor from the jacket's edge, mm. */
  readonly conductors: readonly { readonly id: string; readonly mm: Millimetres }[];
  readonly source: string;
}

export interface Cut {
  readonly span: string;
  readonly cable: string;
  /** Asked length first, then every allowance; they add up to `total`. */
  readonly allowances: readonly Allowance[];
  /** Jacket to cut off the reel, mm. */
  readonly total: Millimetres;
}

/** Trimmed off each end of the cut for a square, clean start, mm (nominal). */
export const TRIM_MARGIN = 5;
/** A screen left a little longer than the cores, mm (nominal). */
export const SCREEN_EXTRA = 3;
/** Jacket taken off a cable whose wires end loose, mm, and copper bared on each (common practice). */
const TAIL_STRIP = {
  jacketMm: { usual: 40 },
  bareMm: { usual: 8 },
  source: 'common practice',
};
/** Where a connector's entry does not say, mm (common practice, XLR). */
const USUAL_STRIP = { jacketMm: { usual: 22 }, bareMm: { usual: 3 }, source: 'common practice' };

const stripOf = (assembly: Assembly, body: Body): typeof USUAL_STRIP | undefined => {
  const [end] = body.ends;
  if (!end) return undefined;
  return end.loose ? TAIL_STRIP : (connectorOf(assembly, end)?.strip ?? USUAL_STRIP);
};

/** How every cable end that meets a connector, or ends loose, is stripped, by the connector's own figures and the chosen schools. */
export function strips(assembly: Assembly, schools: Schools): readonly Strip[] {
  return assembly.bodies.flatMap((body) => {
    const [end] = body.ends;
    const figures = stripOf(assembly, body);
    if (!end || !figures) return [];
    return spansAt(assembly, body.id).map((span) => ({
      span: span.id,
      body: body.id,
      end: end.id,
      jacketMm: mm(figures.jacketMm.usual),
      bareMm: mm(figures.bareMm.usual),
      conductors: conductorsOf(assembly, span).map((conductor) => ({
        id: conductor.id,
        mm: mm(
          figures.jacketMm.usual +
            (conductor.is !== 'core' && schools['conductor-lengths'] === 'screen-longer' ? SCREEN_EXTRA : 0),
        ),
      })),
      source: figures.source,
    }));
  });
}

/** The ends where a bare screen wire runs from jacket to contact, and how long it is, mm; where it is cut back there is none. */
export const screenWires = (
  assembly: Assembly,
  schools: Schools,
): readonly { readonly strip: Strip; readonly mm: Millimetres; readonly conductor: string }[] =>
  strips(assembly, schools).flatMap((strip) => screenWiresOf(assembly, strip));

/** The bare screen wires at one end of a span. */
export function screenWiresOf(
  assembly: Assembly,
  strip: Strip,
): readonly { readonly strip: Strip; readonly mm: Millimetres; readonly conductor: string }[] {
  const span = assembly.spans.find((each) => each.id === strip.span);
  const screens = (span ? conductorsOf(assembly, span) : []).filter((conductor) => conductor.is !== 'core');
  return screens.flatMap((screen) => {
    const length = strip.conductors.find((conductor) => conductor.id === screen.id)?.mm;
    const at = conductorTerminal(strip.span, screen.id, strip.body);
    return length === undefined || assembly.unjoined.some((each) => each.at === at)
      ? []
      : [{ strip, mm: length, conductor: screen.id }];
  });
}

/** Length that a hand braid of three takes up: six make five (common practice). */
export const BRAID_FACTOR = 1.2;

/** A span with those that its conductors go on in, uncut: what is one piece of cable. */
interface Piece {
  readonly trunk: Span;
  readonly legs: readonly Span[];
}

function piecesOf(assembly: Assembly): readonly Piece[] {
  const carried = new Set(assembly.spans.flatMap((span) => (span.carries ? [span.id] : [])));
  const whole = new Set(assembly.spans.flatMap((span) => (span.carries ? [] : [span.id])));
  // The trunk that the cores of each leg come from.
  const trunkOf = new Map<string, string>();
  for (const joint of assembly.bodies.flatMap((body) => body.joints)) {
    if (joint.how !== 'continues') continue;
    const owners = joint.terminals.map(ownerOf);
    const trunk = owners.find((id) => whole.has(id));
    if (trunk === undefined) continue;
    for (const id of owners) if (carried.has(id) && !trunkOf.has(id)) trunkOf.set(id, trunk);
  }
  return assembly.spans
    .filter((span) => !trunkOf.has(span.id))
    .map((trunk) => ({ trunk, legs: assembly.spans.filter((span) => trunkOf.get(span.id) === trunk.id) }));
}

/** Where one piece of cable ends: the connectors at either side, the trunk's own or its legs'. */
function endsOfPiece(assembly: Assembly, { trunk, legs }: Piece): readonly (readonly Body[])[] {
  const bodiesNamed = (id: string): readonly Body[] => assembly.bodies.filter((body) => body.id === id);
  return [trunk.from, trunk.to].map((id) => {
    const own = legs.filter((leg) => leg.from === id || leg.to === id);
    return own.length === 0
      ? bodiesNamed(id)
      : own.flatMap((leg) => bodiesNamed(leg.from === id ? leg.to : leg.from));
  });
}

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
    const longest = Math.max(0, ...legs.map((leg) => lengths.get(leg.id) ?? 0));
    const start: Allowance[] = whole
      ? [
          {
            what: 'finished length',
            mm: whole.asked.mm,
            because: `asked for, ${whole.asked.from} to ${whole.asked.to}, ${whole.asked.datum} to ${whole.asked.datum}${legs.length > 0 ? '; the legs are its own cores' : ''}`,
          },
          ...[
            { what: `inside the connector at ${whole.asked.from}`, mm: -whole.fromAdds },
            { what: `inside the connector at ${whole.asked.to}`, mm: -whole.toAdds },
          ]
            .filter((each) => each.mm !== 0)
            .map((each) => ({
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
    const braided = assembly.dressings.some((each) => each.what === 'braid' && each.over === trunk.id);
    const takeUp: Allowance[] = braided
      ? [
          {
            what: 'taken up by braiding',
            mm: start.reduce((sum, each) => sum + each.mm, 0) * (BRAID_FACTOR - 1),
            because: 'a hand braid of three loses one part in six (common practice)',
          },
        ]
      : [];
    const ends = endsOfPiece(assembly, piece).flatMap((bodies): Allowance[] => {
      const figures = bodies.map((body) => stripOf(assembly, body)).find((each) => each !== undefined);
      const name = bodies.flatMap((body) => body.ends.map((end) => end.id)).join(', ') || trunk.id;
      return [
        ...(figures
          ? [{ what: `strip-back at ${name}`, mm: figures.jacketMm.usual, because: figures.source }]
          : []),
        { what: `trim at ${name}`, mm: TRIM_MARGIN, because: 'a square, clean start; nominal' },
      ];
    });
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
      schools['conductor-lengths'] === 'screen-longer'
        ? [
            {
              what: 'longer screen',
              mm: 2 * SCREEN_EXTRA,
              because: 'the screen is left a little longer at both ends',
            },
          ]
        : [];
    const allowances = [...start, ...takeUp, ...ends, ...screenExtra, ...spare];
    return [
      {
        span: trunk.id,
        cable: trunk.cable,
        allowances,
        total: mm(allowances.reduce((sum, each) => sum + each.mm, 0)),
      },
    ];
  });
}
