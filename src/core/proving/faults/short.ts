import { contactsOf, netlist, sayPlace } from '../../assembly';
import { bare, bridge, lazily, neighbours } from './surgery';
import type { Fault, FaultModel } from './types';

/** A strand or a blob between two contacts of a connector, its shell among them. */
export const short: FaultModel = (assembly) => {
  const { netOf } = netlist(assembly);
  return assembly.bodies.flatMap((body) =>
    neighbours(body, (end) => contactsOf(assembly, end))
      .filter(([a, b]) => netOf.get(a) !== netOf.get(b))
      .map(([a, b]): Fault => {
        const shell = [a, b].some((t) => t.endsWith('.shell'));
        return {
          id: `short:${a}~${b}`,
          kind: shell ? 'shell' : 'short',
          says: shell
            ? `The shell touches ${bare(a)}, against the school chosen`
            : `${bare(a)} and ${bare(b)} are shorted`,
          place: body.id,
          look: `Look between ${bare(a)} and ${bare(b)} in ${sayPlace(body)} with a loupe.`,
          cause: 'A stray strand, too much solder, or bare screen wire lying across.',
          remedy: 'Remove the strand or blob; sleeve the screen wire.',
          weight: 1.5,
          near: [a, b],
          variants: lazily(() => [{ assembly: bridge(assembly, body.id, [a, b]) }]),
        };
      }),
  );
};
