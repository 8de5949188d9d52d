import {
  cableOf,
  conductorTerminal,
  connectorOf,
  jacketLengths,
  spanLengths,
  spansAt,
  type Assembly,
  type Body,
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
/** Where a connector's entry does not say, mm (common practice, XLR). */
const USUAL_STRIP = { jacketMm: { usual: 22 }, bareMm: { usual: 3 }, source: 'common practice' };

const stripOf = (assembly: Assembly, body: Body): typeof USUAL_STRIP | undefined => {
  const end = body.ends.find((each) => each.connector);
  return end && (connectorOf(assembly, end)?.strip ?? USUAL_STRIP);
};

/** How every cable end that meets a connector is stripped, by the connector's own figures and the chosen schools. */
export function strips(assembly: Assembly, schools: Schools): readonly Strip[] {
  return assembly.bodies.flatMap((body) => {
    const end = body.ends.find((each) => each.connector);
    const figures = stripOf(assembly, body);
    if (!end || !figures) return [];
    return spansAt(assembly, body.id).map((span) => ({
      span: span.id,
      body: body.id,
      end: end.id,
      jacketMm: mm(figures.jacketMm.usual),
      bareMm: mm(figures.bareMm.usual),
      conductors: (cableOf(assembly, span)?.conductors ?? []).map((conductor) => ({
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
): readonly { readonly strip: Strip; readonly mm: Millimetres }[] =>
  strips(assembly, schools).flatMap((strip) => {
    const span = assembly.spans.find((each) => each.id === strip.span);
    const screen = span && cableOf(assembly, span)?.conductors.find((conductor) => conductor.is !== 'core');
    const length = strip.conductors.find((conductor) => conductor.id === screen?.id)?.mm;
    const left =
      screen &&
      assembly.unjoined.some((each) => each.at === conductorTerminal(strip.span, screen.id, strip.body));
    return length === undefined || left ? [] : [{ strip, mm: length }];
  });

/**
 * What to cut for each span: (finished length − what the connectors add) × take-up + strip-back and trim at both
 * ends + length kept for one re-termination where that school is chosen (common practice). Straight jacketed cable has
 * a take-up of 1.
 */
export function cuts(assembly: Assembly, schools: Schools): readonly Cut[] {
  const lengths = spanLengths(assembly);
  const jackets = jacketLengths(assembly);
  return assembly.spans.flatMap((span): Cut[] => {
    const jacket = lengths.get(span.id);
    if (jacket === undefined) return [];
    const direct = jackets.find((each) => each.spans.length === 1 && each.spans[0]?.id === span.id);
    const start: Allowance[] = direct
      ? [
          {
            what: 'finished length',
            mm: direct.asked.mm,
            because: `asked for, ${direct.asked.from} to ${direct.asked.to}, ${direct.asked.datum} to ${direct.asked.datum}`,
          },
          ...[
            { what: `inside the connector at ${direct.asked.from}`, mm: -direct.fromAdds },
            { what: `inside the connector at ${direct.asked.to}`, mm: -direct.toAdds },
          ]
            .filter((each) => each.mm !== 0)
            .map((each) => ({
              ...each,
              because: `${direct.asked.datum} to the jacket’s edge: nominal, measure yours`,
            })),
        ]
      : [
          {
            what: 'between the break-outs',
            mm: jacket,
            because: 'what the lengths asked for leave for this run',
          },
        ];
    const ends = [span.from, span.to].flatMap((id): Allowance[] => {
      const body = assembly.bodies.find((each) => each.id === id);
      const figures = body && stripOf(assembly, body);
      const name = body?.ends[0]?.id ?? id;
      return [
        ...(figures
          ? [{ what: `strip-back at ${name}`, mm: figures.jacketMm.usual, because: figures.source }]
          : []),
        { what: `trim at ${name}`, mm: TRIM_MARGIN, because: 'a square, clean start; nominal' },
      ];
    });
    const longest = Math.max(0, ...ends.map((each) => each.mm));
    const spare: Allowance[] =
      schools['spare-length'] === 'one'
        ? [
            {
              what: 'one re-termination',
              mm: longest + TRIM_MARGIN,
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
    const allowances = [...start, ...ends, ...screenExtra, ...spare];
    return [
      {
        span: span.id,
        cable: span.cable,
        allowances,
        total: mm(allowances.reduce((sum, each) => sum + each.mm, 0)),
      },
    ];
  });
}
