import {
  contactTerminal,
  memberOf,
  ownerOf,
  placeOf,
  type Assembly,
  type Body,
  type End,
  type Joint,
  type Terminal,
} from '../../assembly';

const editBody = (assembly: Assembly, id: string, edit: (body: Body) => Body): Assembly => ({
  ...assembly,
  bodies: assembly.bodies.map((body) => (body.id === id ? edit(body) : body)),
});

/** Takes one terminal out of a joint; what is left stays joined. */
export const detach = (assembly: Assembly, body: string, joint: Joint, terminal: Terminal): Assembly =>
  editBody(assembly, body, (each) => ({
    ...each,
    joints: each.joints.map((j) =>
      j.id === joint.id ? { ...j, terminals: j.terminals.filter((t) => t !== terminal) } : j,
    ),
  }));

/** The assembly without one joint. */
export const removeJoint = (assembly: Assembly, body: string, joint: Joint): Assembly =>
  editBody(assembly, body, (each) => ({ ...each, joints: each.joints.filter((j) => j.id !== joint.id) }));

/** Joins terminals that should not be. */
export const bridge = (assembly: Assembly, body: string, terminals: readonly Terminal[]): Assembly =>
  editBody(assembly, body, (each) => ({
    ...each,
    joints: [...each.joints, { id: `bridge-${each.joints.length}`, terminals, how: 'air' }],
  }));

/** Exchanges conductors between two joints of a body: those of the one go onto the other, and the other way round. */
export const exchange = (
  assembly: Assembly,
  body: string,
  one: { readonly joint: Joint; readonly conductors: readonly Terminal[] },
  other: { readonly joint: Joint; readonly conductors: readonly Terminal[] },
): Assembly =>
  editBody(assembly, body, (each) => ({
    ...each,
    joints: each.joints.map((joint) => {
      const [out, into] =
        joint.id === one.joint.id
          ? [one.conductors, other.conductors]
          : joint.id === other.joint.id
            ? [other.conductors, one.conductors]
            : [[], []];
      if (out.length === 0 && into.length === 0) return joint;
      return {
        ...joint,
        terminals: [...into, ...joint.terminals.filter((terminal) => !out.includes(terminal))],
      };
    }),
  }));

/** The assembly with terminals of one body in each other's place, pair by pair; joints that have none of them stay as they are. */
export function trade(
  assembly: Assembly,
  body: string,
  pairs: readonly (readonly [Terminal, Terminal])[],
): Assembly {
  const other = new Map(
    pairs.flatMap(([a, b]) => [
      [a, b],
      [b, a],
    ]),
  );
  const traded = (joint: Joint): Joint =>
    joint.terminals.some((each) => other.has(each))
      ? { ...joint, terminals: joint.terminals.map((each) => other.get(each) ?? each) }
      : joint;
  return editBody(assembly, body, (each) => ({
    ...each,
    joints: each.joints.map(traded),
    ...(each.existing ? { existing: each.existing.map(traded) } : {}),
  }));
}

/** The contact of an end that a joint is on, if any. */
export const contactIn = (assembly: Assembly, joint: Joint): Terminal | undefined =>
  joint.terminals.find((terminal) => placeOf(assembly, terminal)?.kind === 'contact');

/** The contact number by itself: “2” of “A.2”. */
export const bare = (terminal: Terminal | undefined): string =>
  terminal === undefined ? 'its joint' : memberOf(terminal);

/** A joint's conductors: the terminals in it that are conductors, except those that run on uncut. */
export const conductorsIn = (assembly: Assembly, joint: Joint): readonly Terminal[] =>
  joint.how === 'continues'
    ? []
    : joint.terminals.filter((terminal) => placeOf(assembly, terminal)?.kind === 'conductor');

/** Whether another conductor of the same cable is on the same joint. */
export const isDoubled = (assembly: Assembly, joint: Joint, terminal: Terminal): boolean =>
  conductorsIn(assembly, joint).some((other) => other !== terminal && ownerOf(other) === ownerOf(terminal));

/** Contacts of one body that lie next to each other: all pairs of a small connector, neighbours of a large one. */
export const neighbours = (
  body: Body,
  contactsOf: (end: End) => readonly string[],
): readonly (readonly [Terminal, Terminal])[] =>
  body.ends.flatMap((end) => {
    const contacts = contactsOf(end).map((contact) => contactTerminal(end.id, contact));
    const span = contacts.length > 6 ? 1 : contacts.length;
    return contacts.flatMap((a, n) => contacts.slice(n + 1, n + 1 + span).map((b) => [a, b] as const));
  });

/** What is made once, when it is first asked for. */
export function lazily<T extends object>(make: () => T): () => T {
  let made: T | undefined;
  return () => (made ??= make());
}
