import { isScrew, isSoldered, jointsOf, sayTerminal } from '../../assembly';
import type { Finding, Rule } from '../types';

type Found = Omit<Finding, 'rule'>;

const CREEPS =
  'Solder creeps under pressure: the clamp loosens, the contact heats, and strands break where the solder ends.';

export const solderUnderScrew: Rule = {
  id: 'solder-under-screw',
  what: 'Strands that are soldered where a screw clamps them.',
  source: 'common practice',
  find: (used) => [...soldered(used), ...tinned(used)],
};

/** A joint that is made by soldering, on a contact that is a screw. */
function soldered({ assembly }: Parameters<Rule['find']>[0]): readonly Found[] {
  return assembly.bodies.flatMap((body) =>
    jointsOf(body).flatMap((joint): readonly Found[] => {
      // A bare wire from a screw to a cup is soldered at the one and clamped bare by the other.
      if (joint.how === 'link' || !isSoldered(assembly, joint)) return [];
      const screw = joint.terminals.find((terminal) => isScrew(assembly, terminal));
      return screw === undefined
        ? []
        : [
            {
              severity: 'caution',
              says: `${sayTerminal(assembly, screw)} is a screw, and what is joined there is soldered.`,
              because: CREEPS,
              hear: 'Nothing at first; crackle, then nothing, months later; warm screws on a loudspeaker line.',
              about: screw,
              at: [screw],
              remedies: [],
            },
          ];
    }),
  );
}

/** Ends that are tinned, on site: what they go under there nobody knows here. */
function tinned({ assembly, slot }: Parameters<Rule['find']>[0]): readonly Found[] {
  return assembly.bodies
    .flatMap((body) => body.ends)
    .flatMap((end): readonly Found[] => {
      if (!end.loose?.some((wire) => wire.finish === 'tinned')) return [];
      return [
        {
          severity: 'note',
          says: `End ${end.id} is tinned: it is for soldering, and not for a screw.`,
          because: `${CREEPS} Under a screw go bare strands, or ferrules.`,
          hear: 'Nothing at first; crackle, then nothing, months later.',
          about: end.id,
          at: [],
          remedies: [
            {
              says: 'Finish it with ferrules',
              change: { kind: 'set', path: `${slot(end.id)}.family`, value: 'tail-ferrule' },
            },
          ],
        },
      ];
    });
}
