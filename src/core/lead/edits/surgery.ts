import { jointsOf, type Assembly, type Body, type Joint, type Terminal } from '../../assembly';

/** The assembly with each body changed. */
export const eachBody = (assembly: Assembly, change: (body: Body) => Body): Assembly => ({
  ...assembly,
  bodies: assembly.bodies.map(change),
});

/** The joint that a terminal is in, among those that are ours to make. */
export const jointOf = (assembly: Assembly, terminal: Terminal): Joint | undefined =>
  assembly.bodies.flatMap((body) => body.joints).find((joint) => joint.terminals.includes(terminal));

/** Whether a terminal is in a joint that was there before, and is not ours to undo. */
export const isExisting = (assembly: Assembly, terminal: Terminal): boolean =>
  assembly.bodies.some((body) => body.existing?.some((joint) => joint.terminals.includes(terminal)));

/** The assembly with a terminal in no joint of ours; a joint of one terminal is none. */
export const takenOut = (assembly: Assembly, terminal: Terminal): Assembly =>
  eachBody(assembly, (body) => ({
    ...body,
    joints: body.joints.flatMap((joint) => {
      const terminals = joint.terminals.filter((each) => each !== terminal);
      return terminals.length === joint.terminals.length
        ? [joint]
        : terminals.length < 2
          ? []
          : [{ ...joint, terminals }];
    }),
  }));

/** The assembly with nothing said of how these terminals were left. */
export const noLongerLeft = (assembly: Assembly, terminals: readonly Terminal[]): Assembly => ({
  ...assembly,
  unjoined: assembly.unjoined.filter((each) => !terminals.includes(each.at)),
});

/** A name for a new joint that no other has. */
export function freeJoint(assembly: Assembly, wanted: string): string {
  const taken = new Set(assembly.bodies.flatMap((body) => jointsOf(body).map((joint) => joint.id)));
  const base = wanted
    .replace(/\+/g, 'p')
    .replace(/[^A-Za-z0-9_-]+/g, '-')
    .slice(0, 34);
  let name = base;
  for (let n = 2; taken.has(name); n++) name = `${base}-${n}`;
  return name;
}

export const BY_HAND = { says: 'Changed by hand.' } as const;
