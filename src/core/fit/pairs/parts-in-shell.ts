import { connectorOf, ownerOf, spansAt, type Body } from '../../assembly';
import { bundleMm } from '../bundle';
import { sizeOf, type PartSize } from '../sizes';
import { figure, verdictOf, type Fit, type Pair } from '../types';

/** A leg bent or joined at either end of a part, mm (nominal). */
const LEG = 3;

/** Parts that follow each other by joints in the air, each chain by itself. */
function chainsOf({ parts, joints }: Body): readonly (readonly string[])[] {
  const names = new Set<string>(parts.map(({ id }) => id));
  const chains = new Map<string, Set<string>>(parts.map(({ id }) => [id, new Set([id])]));
  for (const { how, terminals } of joints) {
    const inJoint = [...new Set(terminals.map(ownerOf).filter((id) => names.has(id)))];
    // Three parts on one point go three ways: only what is on two follows one the other.
    if (how !== 'air' || inJoint.length !== 2) continue;
    const joined = new Set(inJoint.flatMap((id) => [...(chains.get(id) ?? [])]));
    for (const id of joined) chains.set(id, joined);
  }
  return [...new Set(chains.values())].map((chain) => [...chain]);
}

/** The parts of a sum, a pad or a tell-tale in the room that the closed shell leaves. */
export const partsInShell: Pair = {
  id: 'parts-in-shell',
  what: 'Parts in the room inside a shell.',
  source: 'sizes typical of the kind, from memory; room by the connector’s entry, nominal',
  of: (assembly) =>
    assembly.bodies.flatMap((body): Fit[] => {
      const [end] = body.ends;
      const room = end && connectorOf(assembly, end)?.innerMm;
      const sizes = new Map<string, PartSize | undefined>(body.parts.map((part) => [part.id, sizeOf(part)]));
      if (body.kind !== 'shell' || !end || !room || body.parts.length === 0) return [];
      const unknown = body.parts.filter(({ id }) => !sizes.get(id));
      if (unknown.length > 0)
        return [
          {
            id: `parts-${body.id}`,
            pair: 'parts-in-shell',
            at: end.id,
            says: `Parts in the shell of end ${end.id}`,
            has: `${unknown.map(({ id }) => id).join(', ')}: by its own sheet`,
            takes: `${room.long} × ${room.wide} mm`,
            verdict: 'measure',
            todo: `Measure ${unknown.map(({ id }) => id).join(', ')}: no size of it is known here.`,
          },
        ];
      const chains = chainsOf(body).map((ids) => ids.flatMap((id) => sizes.get(id) ?? []));
      const long = Math.max(
        ...chains.map((chain) => chain.reduce((sum, { longMm }) => sum + longMm + LEG, LEG)),
      );
      const wide = bundleMm(chains.map((chain) => Math.max(...chain.map(({ wideMm }) => wideMm))));
      const marginMm = Math.min(room.long - long, room.wide - wide);
      const looksOut =
        spansAt(assembly, body.id).length === 0 && body.parts.some(({ kind }) => kind === 'led');
      return [
        {
          id: `parts-${body.id}`,
          pair: 'parts-in-shell',
          at: end.id,
          says: `Parts in the shell of end ${end.id}`,
          has: `${figure(long)} long, ${figure(wide)} across${looksOut ? ', the lamps at the rear opening' : ''}`,
          takes: `${room.long} × ${room.wide} mm`,
          marginMm,
          verdict: verdictOf(marginMm),
          ...(marginMm < 0
            ? {
                todo: 'Take smaller parts, a longer body, or build them into a barrel or a box of their own.',
              }
            : {}),
        },
      ];
    }),
};
