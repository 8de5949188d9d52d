import { createHash } from 'node:crypto';
import {
  contactsOf,
  contactTerminal,
  leadsOf,
  leadTerminal,
  netlist,
  placeOf,
  valueOf,
  withValue,
  type Assembly,
  type Body,
  type Part,
  type Terminal,
} from '../../src/core/assembly';
import { applyEdit, type Edit, type Lead } from '../../src/core/lead';

/** What kind of change it is, in the words of the trial. */
export type ChangeKind =
  'exchanged' | 'moved' | 'removed' | 'shorted' | 'times ten' | 'a tenth' | 'turned round' | 'channels';

/** One change to a lead that changes a net or a part, and the assembly it comes to. */
export interface OneChange {
  readonly kind: ChangeKind;
  readonly says: string;
  readonly edits: readonly Edit[];
}

/** Parts that are the same either way round. */
const EITHER_WAY: readonly Part['kind'][] = ['resistor', 'capacitor', 'switch', 'lamp'];

/** Legs that are as good as each other, by the kind of part. */
const legName = (part: Part, leg: string): string => (EITHER_WAY.includes(part.kind) ? '' : leg);

/**
 * What an assembly’s nets and parts are, whatever its joints and parts are called and in whatever order: the same for two
 * that no meter could tell apart. A net is known by its contacts and cores, and a part by its kind, its value and the nets
 * that its legs are on, looked at over and over until neighbours of neighbours are in it.
 */
export function signature(assembly: Assembly): string {
  const list = netlist(assembly);
  const parts = assembly.bodies.flatMap((body) => body.parts);
  const legs = new Set(parts.flatMap((part) => leadsOf(part).map((leg) => leadTerminal(part.id, leg))));
  let names = new Map(
    list.nets.map((net) => [net, net.terminals.filter((each) => !legs.has(each)).join(' ')]),
  );
  const nameAt = (part: Part, leg: string): string => {
    const net = list.netOf.get(leadTerminal(part.id, leg));
    return `${legName(part, leg)}:${(net && names.get(net)) ?? ''}`;
  };
  const say = (part: Part): string =>
    `${part.kind} ${valueOf(part) ?? ''} (${leadsOf(part)
      .map((leg) => nameAt(part, leg))
      .sort()
      .join(' | ')})`;
  for (let round = 0; round < 3; round++) {
    const said = new Map(parts.map((part) => [part, say(part)]));
    names = new Map(
      list.nets.map((net) => [
        net,
        digest(
          `${names.get(net) ?? ''} < ${parts
            .flatMap((part) =>
              leadsOf(part)
                .filter((leg) => list.netOf.get(leadTerminal(part.id, leg)) === net)
                .map((leg) => `${legName(part, leg)} of ${said.get(part) ?? ''}`),
            )
            .sort()
            .join(', ')}`,
        ),
      ]),
    );
  }
  return [...[...names.values()].sort(), ...parts.map(say).sort()].join('\n');
}

/** A short name for a long one, so that names of names do not grow without end. */
const digest = (text: string): string => createHash('sha256').update(text).digest('hex').slice(0, 24);

const pairs = <T>(items: readonly T[]): readonly (readonly [T, T])[] =>
  items.flatMap((one, n) => items.slice(n + 1).map((other) => [one, other] as const));

function inBody(assembly: Assembly, body: Body): readonly OneChange[] {
  const joined = body.joints.flatMap((joint) => joint.terminals.map((at) => ({ at, joint })));
  const taken = new Set(joined.map(({ at }) => at));
  const existing = new Set((body.existing ?? []).flatMap((joint) => joint.terminals));
  const free = body.ends
    .flatMap((end) => contactsOf(assembly, end).map((contact) => contactTerminal(end.id, contact)))
    .filter((at) => !taken.has(at) && !existing.has(at));
  const left = assembly.unjoined
    .map(({ at }) => at)
    .filter((at) => placeOf(assembly, at)?.body.id === body.id);
  const isContact = (at: Terminal): boolean => placeOf(assembly, at)?.kind === 'contact';
  const targets = [...body.joints.flatMap(({ terminals: [first] }) => first ?? []), ...free];
  return [
    ...pairs(joined).flatMap(([one, other]): readonly OneChange[] =>
      one.joint === other.joint || isContact(one.at) !== isContact(other.at)
        ? []
        : [
            {
              kind: 'exchanged',
              says: `${one.at} and ${other.at} exchanged`,
              edits: [{ kind: 'exchange', one: one.at, other: other.at }],
            },
          ],
    ),
    ...joined
      .filter(({ at }) => !isContact(at))
      .flatMap(({ at, joint }) =>
        targets
          .filter((to) => !joint.terminals.includes(to))
          .map((to): OneChange => ({
            kind: 'moved',
            says: `${at} moved to ${to}`,
            edits: [{ kind: 'move', terminal: at, to }],
          })),
      ),
    ...joined.map(({ at }): OneChange => ({
      kind: 'removed',
      says: `${at} removed`,
      edits: [{ kind: 'separate', terminals: [at] }],
    })),
    ...pairs([...targets, ...left]).map(([one, other]): OneChange => ({
      kind: 'shorted',
      says: `${one} and ${other} shorted`,
      edits: [{ kind: 'join', terminals: [one, other], how: 'cup' }],
    })),
    ...body.parts.flatMap((part): readonly OneChange[] => {
      const value = valueOf(part);
      return [
        ...(value === undefined
          ? []
          : (
              [
                ['times ten', 10],
                ['a tenth', 0.1],
              ] as const
            ).map(([kind, times]): OneChange => ({
              kind,
              says: `${part.id} of ${value} ${kind}`,
              edits: [{ kind: 'change-part', part: withValue(part, value * times) }],
            }))),
        ...(EITHER_WAY.includes(part.kind) ? [] : turned(part)),
      ];
    }),
  ];
}

/** A part turned round: its legs taken in the other order, those of each half of it among themselves. */
function turned(part: Part): readonly OneChange[] {
  const legs = leadsOf(part);
  const halves =
    part.kind === 'transformer'
      ? [
          ['p1', 'p2'],
          ['s1', 's2'],
        ]
      : part.kind === 'potentiometer'
        ? (part.gangs ?? ['']).map((gang) => (gang === '' ? ['cw', 'ccw'] : [`${gang}.cw`, `${gang}.ccw`]))
        : [[legs[0] ?? '', legs.at(-1) ?? '']];
  return halves.map(([one = '', other = '']): OneChange => ({
    kind: 'turned round',
    says: `${part.id} turned round at ${one} and ${other}`,
    edits: [{ kind: 'exchange', one: leadTerminal(part.id, one), other: leadTerminal(part.id, other) }],
  }));
}

/** Two channels of an end exchanged there, role for role. */
function channels({ situations, assembly }: Lead): readonly OneChange[] {
  const [situation] = situations;
  return pairs(situation?.channels ?? []).flatMap(([one, other]): readonly OneChange[] => {
    if (one.end !== other.end) return [];
    const edits = Object.entries(one.roles).flatMap(([role, contact]): readonly Edit[] => {
      const there = other.roles[role as keyof typeof other.roles];
      return contact === undefined || there === undefined || contact === there
        ? []
        : [
            {
              kind: 'exchange',
              one: contactTerminal(one.end, contact),
              other: contactTerminal(one.end, there),
            },
          ];
    });
    const made = edits.length > 0 && edits.every((edit) => applyEdit(assembly, edit).ok);
    return made
      ? [{ kind: 'channels', says: `channels ${one.name} and ${other.name} exchanged`, edits }]
      : [];
  });
}

/**
 * Every single change to a lead that changes a net or the value of a part, each net once, in the order that `mixed` puts
 * them in.
 */
export function* changesOf(
  lead: Lead,
  mixed: (all: readonly OneChange[]) => readonly OneChange[] = (all) => all,
): Generator<OneChange & { readonly after: Assembly }> {
  const seen = new Set([signature(lead.assembly)]);
  const all = [...lead.assembly.bodies.flatMap((body) => inBody(lead.assembly, body)), ...channels(lead)];
  for (const change of mixed(all)) {
    const after = change.edits.reduce<Assembly | undefined>((so, edit) => {
      const made = so && applyEdit(so, edit);
      return made?.ok ? made.value : undefined;
    }, lead.assembly);
    if (!after) continue;
    const is = signature(after);
    if (seen.has(is)) continue;
    seen.add(is);
    yield { ...change, after };
  }
}
