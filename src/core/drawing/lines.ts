import {
  cableOf,
  conductorsOf,
  conductorTerminal,
  contactTerminal,
  jointsOf,
  netlist,
  placeOf,
  sayConductor,
  sideOf,
  type Assembly,
  type Because,
  type Body,
  type Joint,
  type Terminal,
} from '../assembly';
import { ROLES, type Role } from '../catalogue';
import { sayList } from '../quantity';
import type { Situation } from '../situation';

/** One core, or one link, from where it begins to where it ends. */
export interface Line {
  readonly key: string;
  /** What it is: “white, pair 3”, “screen”, “link”. */
  readonly says: string;
  /** Where it is at the one side and at the other: “A.2”, “cut back”, “with leg a of R1”. */
  readonly from: string;
  readonly to: string;
  /** What it carries of its channel: “hot”, “cold and screen”; nothing where it carries nothing. */
  readonly carries: string;
  /** The break-outs that it goes through uncut. */
  readonly uncut: number;
  /** Everything that lights with it. */
  readonly terminals: readonly Terminal[];
}

/** The lines of one channel, or of what no one channel has for itself. */
export interface LineGroup {
  /** What it is called, where there are several channels: “1”, “left”. */
  readonly channel: string | undefined;
  readonly lines: readonly Line[];
}

/** A reason, once, with the contacts that it is about. */
export interface LineReason extends Because {
  readonly contacts: readonly string[];
}

const jointAt = (body: Body, terminal: Terminal): Joint | undefined =>
  jointsOf(body).find((joint) => joint.terminals.includes(terminal));

/** Where a terminal is, in words: its contacts, else what it meets in the air, else how it was left. */
function whereIs(assembly: Assembly, terminal: Terminal): string {
  const body = placeOf(assembly, terminal)?.body;
  const others = ((body && jointAt(body, terminal))?.terminals ?? []).filter((each) => each !== terminal);
  const kindOf = (each: Terminal) => placeOf(assembly, each)?.kind;
  const contacts = others.filter((each) => ['contact', 'case'].includes(kindOf(each) ?? ''));
  const met = others.map((each) => {
    const place = placeOf(assembly, each);
    return place?.kind === 'lead' ? `leg ${place.lead} of ${place.part.id}` : sayConductor(assembly, each);
  });
  return contacts.length > 0
    ? contacts.join(' – ')
    : met.length > 0
      ? `with ${met.join(' and ')}`
      : (assembly.unjoined.find((each) => each.at === terminal)?.is ?? 'loose');
}

/** A conductor through all break-outs that it goes on through uncut: its spans' terminals from one side to the other. */
function courses(assembly: Assembly): readonly (readonly Terminal[])[] {
  const far = new Map<Terminal, Terminal>();
  for (const span of assembly.spans)
    for (const { id } of conductorsOf(assembly, span)) {
      const [a, b] = [span.from, span.to].map((body) => conductorTerminal(span.id, id, body)) as [
        string,
        string,
      ];
      far.set(a, b);
      far.set(b, a);
    }
  const goesOn = new Map<Terminal, Terminal>();
  for (const body of assembly.bodies)
    for (const { how, terminals } of body.joints)
      if (how === 'continues' && terminals.length === 2) {
        const [one = '', other = ''] = terminals;
        goesOn.set(one, other);
        goesOn.set(other, one);
      }
  const done = new Set<Terminal>();
  const follow = (start: Terminal): readonly Terminal[] => {
    const along: Terminal[] = [];
    for (let at: Terminal | undefined = start; at !== undefined && !along.includes(at);) {
      const end: Terminal = far.get(at) ?? at;
      along.push(at, end);
      at = goesOn.get(end);
    }
    along.forEach((each) => done.add(each));
    return along;
  };
  const place = (at: Terminal | undefined): number =>
    assembly.bodies.findIndex(({ id }) => at !== undefined && sideOf(at) === id);
  // None is begun in its middle; each goes from the first of its two places to the other.
  return [...far.keys()]
    .flatMap((each) => (done.has(each) || goesOn.has(each) ? [] : [follow(each)]))
    .map((along) => (place(along[0]) <= place(along.at(-1)) ? along : [...along].reverse()));
}

/**
 * The drawing in words: every conductor in a line from one end to the other, then the links between contacts, by channel where
 * there are several.
 */
export function linesOf(assembly: Assembly, situation: Situation | undefined): readonly LineGroup[] {
  const { netOf } = netlist(assembly);
  const channels = situation?.channels ?? [];
  const carried = new Map<Terminal, { readonly label: string; readonly role: Role }[]>();
  for (const { end, label, roles } of channels)
    for (const role of ROLES) {
      const contact = roles[role];
      if (contact === undefined) continue;
      const at = contactTerminal(end, contact);
      carried.set(at, [...(carried.get(at) ?? []), { label, role }]);
    }
  const carriedAt = (terminal: Terminal) =>
    (netOf.get(terminal)?.contacts ?? []).flatMap((contact) => carried.get(contact) ?? []);
  const rolesAt = (terminal: Terminal, label: string | undefined): readonly Role[] => {
    const here = carriedAt(terminal).filter((each) => label === undefined || each.label === label);
    return ROLES.filter((role) => here.some((each) => each.role === role));
  };
  const labels = [...new Set(channels.map(({ label }) => label))].filter((label) => label !== '');
  const labelOf = (terminal: Terminal): string | undefined => {
    const own = new Set(carriedAt(terminal).flatMap(({ label }) => (label === '' ? [] : [label])));
    return labels.length > 1 && own.size === 1 ? [...own][0] : undefined;
  };
  const lines = courses(assembly).map((along): Line & { readonly label: string | undefined } => {
    const [start = '', last = ''] = [along[0], along.at(-1)];
    const place = placeOf(assembly, start);
    const conductor = place?.kind === 'conductor' ? place.conductor : undefined;
    const paired = place?.kind === 'conductor' && cableOf(assembly, place.span)?.kind === 'multipair';
    const name = conductor && conductor.is !== 'core' ? conductor.is : sayConductor(assembly, start);
    const label = labelOf(start);
    return {
      key: start,
      says: paired && conductor?.pair ? `${name.replace(/ \(.*/, '')}, pair ${conductor.pair}` : name,
      from: whereIs(assembly, start),
      to: whereIs(assembly, last),
      carries: sayList(rolesAt(start, label)),
      uncut: along.length / 2 - 1,
      terminals: along,
      label,
    };
  });
  const links = assembly.bodies.flatMap((body) =>
    jointsOf(body).flatMap((joint) => {
      const contacts = joint.terminals.filter((each) => placeOf(assembly, each)?.kind !== 'conductor');
      const isLink = contacts.length === joint.terminals.length && contacts.length > 1;
      return isLink && contacts.every((each) => placeOf(assembly, each)?.kind !== 'lead')
        ? [
            {
              key: joint.id,
              says: 'link',
              from: contacts[0] ?? '',
              to: contacts.slice(1).join(' – '),
              carries: sayList(rolesAt(contacts[0] ?? '', undefined)),
              uncut: 0,
              terminals: joint.terminals,
              label: labelOf(contacts[0] ?? ''),
            },
          ]
        : [];
    }),
  );
  const all = [...lines, ...links];
  const groups = [...labels.filter((label) => all.some((line) => line.label === label)), undefined];
  return groups.flatMap((channel): readonly LineGroup[] => {
    const own = all.filter((line) => line.label === channel).map(({ label: _, ...line }) => line);
    return own.length > 0 ? [{ channel, lines: own }] : [];
  });
}

/** The sentences of what says why. */
const sentencesOf = (says: string): readonly string[] => says.split(/(?<=[.!]) (?=[A-Z0-9])/);

/** Why joints are as they are: each sentence once, with the contacts that it is about. */
export function reasonsOf(assembly: Assembly): readonly LineReason[] {
  const found = new Map<string, { because: Because; contacts: Set<string> }>();
  const add = (because: Because | undefined, contacts: readonly string[]): void => {
    for (const says of because ? sentencesOf(because.says) : []) {
      const known = found.get(says) ?? { because: { ...because, says }, contacts: new Set<string>() };
      contacts.forEach((each) => known.contacts.add(each));
      found.set(says, known);
    }
  };
  for (const body of assembly.bodies)
    for (const { because, terminals } of jointsOf(body))
      add(
        because,
        terminals.filter((each) => ['contact', 'case'].includes(placeOf(assembly, each)?.kind ?? '')),
      );
  for (const { because } of assembly.unjoined) add(because, []);
  return [...found.values()].map(({ because, contacts }) => ({ ...because, contacts: [...contacts] }));
}
