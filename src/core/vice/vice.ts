import {
  bodyOfEnd,
  connectorOf,
  endById,
  endsOf,
  netlist,
  type Assembly,
  type End,
  type Terminal,
} from '../assembly';
import { solderOrder } from '../bench';
import type { ConnectorEntry } from '../catalogue';
import { stripOf } from '../cutting';
import { dressed } from '../dressing';
import {
  drawnEnds,
  linesOf,
  matingFace,
  peel,
  type LineGroup,
  type PeeledEnd,
  type Quarters,
} from '../drawing';
import { mainUse, schoolsOf, type Lead } from '../lead';
import { sayConnector } from '../wiring';

/** How a builder looks at an end: from which side, which hand holds the iron, how it is turned in the vice; one channel of many. */
export interface View {
  readonly side: 'solder' | 'mating';
  readonly hand: 'left' | 'right';
  readonly turn: Quarters;
  readonly channel?: string | undefined;
}

/** On more contacts than this the numbers of the soldering order would hide the contacts. */
const MOST_NUMBERED = 8;
/** No jacket is drawn farther off than this, mm: what is stripped farther lies in the hand all the same. */
const MOST_STRIPPED = 30;

/** A lead as it lies in the vice, in its own words, lengths and order of soldering. */
export interface InVice {
  /** The ends that are pictures of their own: of a box or a barrel the first, with all that is in it; from the front each. */
  readonly ends: readonly string[];
  /** What is drawn of an end; the cable to the side of the other hand where nothing is said. */
  readonly peeled: (end: string, toward?: 1 | -1) => PeeledEnd | undefined;
  /** Every end that is in a picture, with what it is. */
  readonly within: (end: string) => readonly { readonly id: string; readonly says: string }[];
  /** Whether any of what is in a picture is made where the lead is laid. */
  readonly isMadeOnSite: (end: string) => boolean;
  /** What carries the channel that is looked at; undefined where all are. */
  readonly inFocus: ReadonlySet<string> | undefined;
}

/** How much is at an end: parts, then contacts. */
export function fullness(assembly: Assembly, id: string): number {
  const end = endById(assembly, id);
  const contacts = end && (connectorOf(assembly, end)?.contacts ?? end.loose);
  return 100 * (bodyOfEnd(assembly, id)?.parts.length ?? 0) + (contacts?.length ?? 0);
}

/** The conductors of groups, and the contacts that they come to. */
function carriedBy(assembly: Assembly, groups: readonly LineGroup[]): ReadonlySet<Terminal> {
  const { netOf } = netlist(assembly);
  return new Set(
    groups.flatMap(({ lines }) =>
      lines.flatMap(({ terminals }) => [
        ...terminals,
        ...terminals.flatMap((terminal) => netOf.get(terminal)?.contacts ?? []),
      ]),
    ),
  );
}

/** A lead as it lies in the vice of whoever looks at it so. */
export function inVice(lead: Lead, view: View): InVice {
  const assembly = dressed(lead);
  const schools = schoolsOf(lead);
  const { side, channel } = view;
  const channels = channel === undefined ? [] : linesOf(assembly, mainUse(lead));
  const asked = channels.filter((group) => group.channel === channel);
  const connectorAt = (id: string): ConnectorEntry | undefined => {
    const end = endById(assembly, id);
    return end && connectorOf(assembly, end);
  };
  const strippedAt = (id: string): number => {
    const body = bodyOfEnd(assembly, id);
    return (body && stripOf(assembly, body)?.jacketMm) ?? 22;
  };
  const orderAt = (id: string): readonly string[] => {
    const body = bodyOfEnd(assembly, id);
    const connector = connectorAt(id);
    return body && connector && connector.contacts.length <= MOST_NUMBERED
      ? solderOrder(assembly, body, connector, schools).map((joint) => joint.id)
      : [];
  };
  // From the front each end is looked at by itself, whatever it is in.
  const endsIn = (id: string): readonly End[] =>
    (bodyOfEnd(assembly, id)?.ends ?? []).filter((end) => side === 'solder' || end.id === id);
  return {
    ends:
      side === 'solder'
        ? drawnEnds(assembly)
        : endsOf(assembly).flatMap(({ id }) => (matingFace(assembly, id) ? [id] : [])),
    peeled: (id, toward = view.hand === 'left' ? -1 : 1) =>
      peel(assembly, id, {
        side,
        toward,
        stripMm: Math.min(strippedAt(id), MOST_STRIPPED),
        order: orderAt(id),
      }),
    within: (id) =>
      endsIn(id).map((end) => {
        const connector = connectorAt(end.id);
        return {
          id: end.id,
          says: connector
            ? `${sayConnector(connector, schools).split(',')[0] ?? ''}, ${side === 'solder' ? 'solder side' : 'mating side'}`
            : 'loose wires',
        };
      }),
    isMadeOnSite: (id) => endsIn(id).some(({ madeOn }) => madeOn === 'site'),
    inFocus: asked.length === 0 ? undefined : carriedBy(assembly, asked),
  };
}
