import {
  conductorTerminal,
  contactTerminal,
  type Assembly,
  type Because,
  type Body,
  type Joint,
  type Unjoined,
} from '../assembly';
import type { ConnectorEntry, Role } from '../catalogue';
import type { Ask } from './intent';

/** Where one side of a conductor goes: onto a contact, or nowhere and why. */
export type Landing =
  | { readonly contact: string; readonly because: Because }
  | { readonly left: Unjoined['is']; readonly because: Because };

/** Conductors that carry one role from end to end. */
export interface Line {
  readonly role: Role;
  readonly conductors: readonly string[];
  readonly from: Landing;
  readonly to: Landing;
}

/** Contacts joined to each other inside one connector. */
export interface Link {
  readonly side: 'from' | 'to';
  readonly contacts: readonly string[];
  readonly because: Because;
}

export interface Plan {
  readonly lines: readonly Line[];
  readonly links: readonly Link[];
}

/** Ids of a two-ended lead: made from place, so that the same intent always gives the same. */
export const SIDES = { from: { body: 'a', end: 'A' }, to: { body: 'b', end: 'B' } } as const;
export const SPAN = 'W1';

/** Turns a plan into the document: joints grouped by contact, in the order of the connector's contacts. */
export function assemble(ask: Ask, plan: Plan): Assembly {
  const bodies = (['from', 'to'] as const).map((side) => body(ask[side].connector, side, plan));
  const unjoined = plan.lines.flatMap((line) =>
    (['from', 'to'] as const).flatMap((side): Unjoined[] => {
      const landing = line[side];
      return 'left' in landing
        ? line.conductors.map((c) => ({
            at: conductorTerminal(SPAN, c, SIDES[side].body),
            is: landing.left,
            because: landing.because,
          }))
        : [];
    }),
  );
  const connectors = [ask.from.connector, ask.to.connector];
  return {
    version: 1,
    bodies,
    spans: [{ id: SPAN, cable: ask.cable.id, from: SIDES.from.body, to: SIDES.to.body }],
    unjoined,
    dressings: [],
    lengths: [
      { from: SIDES.from.end, to: SIDES.to.end, datum: ask.intent.length.datum, mm: ask.intent.length.mm },
    ],
    uses: {
      connectors: connectors.filter(
        (entry, n) => connectors.findIndex((other) => other.id === entry.id) === n,
      ),
      cables: [ask.cable],
    },
  };
}

function body(connector: ConnectorEntry, side: 'from' | 'to', plan: Plan): Body {
  const { body: id, end } = SIDES[side];
  const cups = connector.contacts.flatMap((contact): Joint[] => {
    const landed = plan.lines.filter((line) => 'contact' in line[side] && line[side].contact === contact.id);
    const conductors = landed.flatMap((line) => line.conductors);
    if (conductors.length === 0) return [];
    return [
      {
        id: `joint-${end}-${contact.id}`,
        terminals: [
          ...conductors.map((c) => conductorTerminal(SPAN, c, id)),
          contactTerminal(end, contact.id),
        ],
        how: contact.takes ?? 'cup',
        because: mergeReasons(landed.map((line) => line[side].because)),
      },
    ];
  });
  const links = plan.links
    .filter((link) => link.side === side)
    .map((link): Joint => ({
      id: `link-${end}-${link.contacts.join('-')}`,
      terminals: link.contacts.map((contact) => contactTerminal(end, contact)),
      how: 'link',
      because: link.because,
    }));
  return {
    id,
    kind: 'shell',
    name: side === 'from' ? 'source end' : 'receiving end',
    ends: [{ id: end, connector: connector.id, mount: 'cable', madeOn: 'bench' }],
    parts: [],
    entries: [{ gland: 'cable entry', spans: [SPAN] }],
    joints: [...cups, ...links],
  };
}

/** Two lines on one contact give one reason; the school of the first that has one stands for it. */
function mergeReasons(reasons: readonly Because[]): Because {
  const school = reasons.find((reason) => reason.school)?.school;
  const source = reasons.find((reason) => reason.source)?.source;
  return {
    says: [...new Set(reasons.map((reason) => reason.says))].join(' '),
    ...(school ? { school } : {}),
    ...(source ? { source } : {}),
  };
}
