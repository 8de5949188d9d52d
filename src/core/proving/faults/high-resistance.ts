import { sayConductor, sayPlace } from '../../assembly';
import { capital } from '../../quantity';
import { bare, conductorsIn, contactIn, detach, isDoubled, lazily } from './surgery';
import type { FaultModel } from './types';

/** A cold or cracked joint, Ω: from what a meter can just tell from a contact, to a joint that hardly touches
 * (from memory). */
const COLD_JOINT = [1, 2000] as const;

export const highResistance: FaultModel = (assembly) =>
  assembly.bodies.flatMap((body) =>
    body.joints.flatMap((joint) =>
      conductorsIn(assembly, joint).map((terminal) => {
        const contact = contactIn(assembly, joint);
        const rest = joint.terminals.find((other) => other !== terminal) ?? terminal;
        return {
          id: `high:${terminal}`,
          kind: 'high resistance' as const,
          says: `${capital(sayConductor(assembly, terminal))} has a high resistance on the way to ${bare(contact)}`,
          place: body.id,
          look: `Look for a dull or cracked joint on ${sayConductor(assembly, terminal)} in ${sayPlace(body)}; wiggle it and watch.`,
          cause: 'A cold joint, one that moved while it set, or a few strands left.',
          remedy: 'Heat the joint again with fresh solder; hold still until it is solid.',
          weight: 2,
          fromNothing: true,
          blind: isDoubled(assembly, joint, terminal)
            ? 'Another conductor carries the same contact, so little of it shows.'
            : 'A few ohms do not show beside the parts in the same path: pull at the joint, and look at it.',
          near: joint.terminals,
          variants: lazily(() => {
            const apart = detach(assembly, body.id, joint, terminal);
            return COLD_JOINT.map((ohms) => ({ assembly: apart, extra: [{ a: terminal, b: rest, ohms }] }));
          }),
        };
      }),
    ),
  );
