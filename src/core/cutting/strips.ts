/* Lengths at the ends of a cable, wire by wire. */
import {
  cableOf,
  conductorsOf,
  conductorTerminal,
  connectorOf,
  placeOf,
  spanById,
  spansAt,
  type Assembly,
  type Body,
  type Span,
} from '../assembly';
import { isJacketed, type CableConductor } from '../catalogue';
import { mm, type Millimetres } from '../quantity';
import type { Schools } from '../wiring';
import { CORE_WITH_PARTS, stripOf } from './strip-of';

/** One conductor at one end of a cable. */
export interface StrippedWire {
  readonly id: string;
  /** From the jacket’s edge, or from where the wires part, to its tip, mm; 0 where it is cut off there. */
  readonly mm: Millimetres;
  /** Copper bared at its tip, mm; none where it goes nowhere. */
  readonly bareMm: Millimetres;
  /** Why it is not as long as the others, or not bared as they are. */
  readonly because?: string;
}

/** How one end of a span is stripped. */
export interface Strip {
  readonly span: string;
  readonly body: string;
  readonly end: string;
  /** Whether a jacket comes off here; was taken off where the cable is parted; or there is none, of loose wires. */
  readonly jacket: 'off' | 'parted' | 'none';
  /** Conductors set free, from the cable’s end, mm: jacket taken off, where there is one. */
  readonly jacketMm: Millimetres;
  /** Copper bared at the tip of each conductor, mm, where nothing else is said of it. */
  readonly bareMm: Millimetres;
  readonly conductors: readonly StrippedWire[];
  readonly source: string;
}

/** A screen left a little longer than the cores, mm (nominal). */
export const SCREEN_EXTRA = 3;
/** A drain at staggered lugs or pads is this much shorter than the cores, mm (nominal). */
const STAGGER = 3;
/** A wire that goes through the hole of a small tab is bared this far, and clipped behind it, mm (common practice). */
const THROUGH_TAB = 6;
/** How one conductor is cut and bared at one side of its span. */
function wireAt(
  assembly: Assembly,
  body: Body,
  span: Span,
  conductor: CableConductor,
  { jacketMm, bareMm, longer }: { jacketMm: number; bareMm: number; longer: boolean },
): StrippedWire {
  const { id } = conductor;
  const at = conductorTerminal(span.id, id, body.id);
  const left = assembly.unjoined.find((each) => each.at === at);
  if (left?.is === 'cut back')
    return { id, mm: mm(0), bareMm: mm(0), because: 'cut back: it goes nowhere here' };
  if (left) return { id, mm: mm(jacketMm), bareMm: mm(0), because: 'folded back and insulated' };
  const joint = body.joints.find(({ terminals }) => terminals.includes(at));
  const others = (joint?.terminals ?? [])
    .filter((each) => each !== at)
    .map((each) => placeOf(assembly, each));
  const contact = others.flatMap((place) => (place?.kind === 'contact' ? [place] : []))[0];
  const connector = contact && connectorOf(assembly, contact.end);
  const takes = connector?.contacts.find((each) => each.id === contact?.contact)?.takes;
  const isScreen = conductor.is !== 'core';
  if (joint?.how === 'air' && others.some((place) => place?.kind === 'lead') && !contact)
    return {
      id,
      mm: mm(Math.min(CORE_WITH_PARTS, jacketMm)),
      bareMm: mm(bareMm),
      because: 'the part that is soldered to it takes up the rest',
    };
  const small = /s35$/.test(connector?.family ?? '');
  const staggered = isScreen && ((small && takes === 'lug') || takes === 'pad');
  if (staggered)
    return {
      id,
      mm: mm(jacketMm - STAGGER),
      bareMm: mm(bareMm),
      because:
        takes === 'pad' ? 'shorter than the cores: the pads are staggered' : 'no longer than its collar',
    };
  const through = small && takes === 'tab';
  return {
    id,
    mm: mm(jacketMm + (isScreen && longer ? SCREEN_EXTRA : 0)),
    bareMm: mm(through ? THROUGH_TAB : bareMm),
    ...(through ? { because: 'through the hole of its tab, and clipped behind it' } : {}),
  };
}

/** How every cable end that meets a connector, or ends loose, is stripped, by the connector's own figures and the chosen schools. */
export function strips(assembly: Assembly, schools: Schools): readonly Strip[] {
  const longer = schools['conductor-lengths'] === 'screen-longer';
  return assembly.bodies.flatMap((body) => {
    const [end] = body.ends;
    const figures = stripOf(assembly, body);
    if (!end || !figures || body.asItCame) return [];
    return spansAt(assembly, body.id).map((span): Strip => {
      const cable = cableOf(assembly, span);
      return {
        span: span.id,
        body: body.id,
        end: end.id,
        jacket: span.carries ? 'parted' : cable && !isJacketed(cable) ? 'none' : 'off',
        jacketMm: mm(figures.jacketMm),
        bareMm: mm(figures.bareMm),
        conductors: conductorsOf(assembly, span).map((conductor) =>
          wireAt(assembly, body, span, conductor, { ...figures, longer }),
        ),
        source: figures.source,
      };
    });
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
  const span = spanById(assembly, strip.span);
  const screens = (span ? conductorsOf(assembly, span) : []).filter((conductor) => conductor.is !== 'core');
  return screens.flatMap((screen) => {
    const length = strip.conductors.find((conductor) => conductor.id === screen.id)?.mm;
    const at = conductorTerminal(strip.span, screen.id, strip.body);
    return length === undefined || assembly.unjoined.some((each) => each.at === at)
      ? []
      : [{ strip, mm: length, conductor: screen.id }];
  });
}
