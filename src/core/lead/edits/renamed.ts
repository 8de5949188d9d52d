import type { Assembly, Body, Joint, Terminal } from '../../assembly';
import { eachBody } from './surgery';

/** Joints with terminals renamed, and without those that are gone; a joint of one terminal is none. */
const joints = (all: readonly Joint[], to: (terminal: Terminal) => Terminal | undefined): readonly Joint[] =>
  all.flatMap((joint) => {
    const terminals = joint.terminals.flatMap((each) => to(each) ?? []);
    return terminals.length < 2 ? [] : [{ ...joint, terminals }];
  });

/** The assembly with terminals renamed wherever they stand, and without those that are gone. */
export const renamed = (assembly: Assembly, to: (terminal: Terminal) => Terminal | undefined): Assembly => ({
  ...eachBody(assembly, (body): Body => ({
    ...body,
    joints: joints(body.joints, to),
    ...(body.existing ? { existing: joints(body.existing, to) } : {}),
  })),
  unjoined: assembly.unjoined.flatMap((each) => {
    const at = to(each.at);
    return at === undefined ? [] : [{ ...each, at }];
  }),
});

/** The assembly with the catalogue entries that something in it is of, and no others. */
export const tidied = (assembly: Assembly): Assembly => {
  const connectors = new Set(
    assembly.bodies.flatMap(({ ends }) => ends.flatMap((end) => end.connector ?? [])),
  );
  const cables = new Set(assembly.spans.map(({ cable }) => cable));
  return {
    ...assembly,
    uses: {
      connectors: assembly.uses.connectors.filter(({ id }) => connectors.has(id)),
      cables: assembly.uses.cables.filter(({ id }) => cables.has(id)),
    },
  };
};

/** The entries with one among them: as it is known here already, where it is. */
export const withEntry = <Entry extends { readonly id: string }>(
  entries: readonly Entry[],
  entry: Entry,
): readonly Entry[] => (entries.some(({ id }) => id === entry.id) ? entries : [...entries, entry]);
