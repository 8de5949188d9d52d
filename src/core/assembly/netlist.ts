import { Union } from '../quantity';
import {
  connectorOf,
  conductorsOf,
  conductorTerminal,
  contactsOf,
  contactTerminal,
  jointsOf,
  leadTerminal,
  terminalsOf,
} from './references';
import type { Assembly, Body, Terminal } from './assembly';
import { leadsOf, type Part } from './parts';

/** Terminals that are one piece of metal. */
export interface Net {
  /** `N1`, `N2`, … in the order of their first contact; nets that no contact is on come last. */
  readonly name: string;
  /** Contacts of ends, sorted. Empty for a net inside the lead. */
  readonly contacts: readonly Terminal[];
  /** Every terminal on it, sorted. */
  readonly terminals: readonly Terminal[];
}

export interface Netlist {
  readonly nets: readonly Net[];
  readonly netOf: ReadonlyMap<Terminal, Net>;
  /** Parts are edges between nets: each lead with the net it is on. */
  readonly parts: readonly { readonly part: Part; readonly leads: Readonly<Record<string, string>> }[];
}

/** Sorts names the way people do: A.2 before A.10. */
export const byName = (a: string, b: string): number =>
  COLLATOR.compare(a, b) || (a < b ? -1 : a > b ? 1 : 0);
/** Made once: it is what takes the time in a comparison of names. */
const COLLATOR = new Intl.Collator('en', { numeric: true });

/** Contacts of a body's ends that are one metal by the make of the connector; and the shells of a barrel, which is one piece. */
export function bondedIn(assembly: Assembly, body: Body): readonly (readonly Terminal[])[] {
  const made = body.ends.flatMap((end) =>
    (connectorOf(assembly, end)?.bonded ?? []).map((bond) =>
      bond.map((contact) => contactTerminal(end.id, contact)),
    ),
  );
  const shells =
    body.kind === 'barrel'
      ? body.ends
          .filter((end) => connectorOf(assembly, end)?.shell)
          .map((end) => contactTerminal(end.id, 'shell'))
      : [];
  return shells.length > 1 ? [...made, shells] : made;
}

/** Joins the terminals of every joint and every bonded contact: all that is one without a length of wire between. */
export function joinedPoints(assembly: Assembly): Union {
  const union = new Union();
  for (const body of assembly.bodies)
    for (const terminals of [...jointsOf(body).map((joint) => joint.terminals), ...bondedIn(assembly, body)])
      terminals.forEach((terminal) => union.join(terminals[0] ?? terminal, terminal));
  return union;
}

/**
 * Which terminals of an assembly are one net: by joints, uncut conductors and bonded contacts. Parts do not join.
 *
 * Example, of a microphone lead of 6 m:
 *
 *     netlist(assembly).nets.map((net) => net.terminals)[1]; // → ['A.2', 'B.2', 'W1.white@a', 'W1.white@b']
 */
export function netlist(assembly: Assembly): Netlist {
  const list = LISTS.get(assembly) ?? listAnew(assembly);
  LISTS.set(assembly, list);
  return list;
}

/** Many rooms ask for the nets of one document. */
const LISTS = new WeakMap<Assembly, Netlist>();

function listAnew(assembly: Assembly): Netlist {
  const union = joinedPoints(assembly);
  for (const span of assembly.spans)
    for (const conductor of conductorsOf(assembly, span))
      union.join(
        conductorTerminal(span.id, conductor.id, span.from),
        conductorTerminal(span.id, conductor.id, span.to),
      );

  const contacts = new Set(
    assembly.bodies.flatMap((body) =>
      body.ends.flatMap((end) => contactsOf(assembly, end).map((c) => contactTerminal(end.id, c))),
    ),
  );
  const groups = new Map<string, Terminal[]>();
  for (const terminal of terminalsOf(assembly)) {
    const root = union.find(terminal);
    const group = groups.get(root);
    if (group) group.push(terminal);
    else groups.set(root, [terminal]);
  }
  const unnamed = [...groups.values()].map((group) => {
    const terminals = group.sort(byName);
    return { terminals, contacts: terminals.filter((terminal) => contacts.has(terminal)) };
  });
  unnamed.sort(
    (a, b) =>
      Number(a.contacts.length === 0) - Number(b.contacts.length === 0) ||
      byName(a.contacts[0] ?? a.terminals[0] ?? '', b.contacts[0] ?? b.terminals[0] ?? ''),
  );
  const nets = unnamed.map((net, n) => ({ name: `N${n + 1}`, ...net }));
  const netOf = new Map(nets.flatMap((net) => net.terminals.map((terminal) => [terminal, net] as const)));
  const parts = assembly.bodies
    .flatMap((body) => body.parts)
    .sort((a, b) => byName(a.id, b.id))
    .map((part) => ({
      part,
      leads: Object.fromEntries(
        leadsOf(part).map((lead) => [lead, netOf.get(leadTerminal(part.id, lead))?.name ?? '']),
      ),
    }));
  return { nets, netOf, parts };
}
