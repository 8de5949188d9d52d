import {
  isSoldered,
  joinedPoints,
  placeOf,
  sayConductor,
  sayMarked,
  sayPlace,
  type Assembly,
  type Body,
  type Joint,
} from '../../assembly';
import { capital, isRow, sayRow } from '../../quantity';
import { isDoubled, bare, bridge, conductorsIn, contactIn, detach, removeJoint, lazily } from './surgery';
import type { Fault, FaultModel } from './types';

const DOUBLED =
  'Another conductor carries the same contact: over this length the meter does not see which of the two is broken.';

/** Whether what a link joins is one metal without it, by the make of what it is in. */
const isNeedless = (assembly: Assembly, body: string, joint: Joint): boolean => {
  const without = joinedPoints(removeJoint(assembly, body, joint));
  return new Set(joint.terminals.map((each) => without.find(each))).size === 1;
};

const SOLDERED = {
  cause: 'The wires took the solder and what they are on did not: it was not tinned, or not hot enough.',
  remedy: 'Heat the contact itself, and let the solder run onto it.',
};
const GRIPPED = {
  cause: 'It grips insulation, or not at all.',
  remedy: 'Open it, lay bare copper in it, and close it tight.',
};

/** Several that hold each other, and not the contact, or the metal of a case, that they are to be on. */
function offContact(assembly: Assembly, body: Body): readonly Fault[] {
  const soldered = body.joints.filter(({ how }) => how !== 'continues');
  const met = new Set(soldered.flatMap(({ terminals }) => terminals));
  return [...met].flatMap((contact): readonly Fault[] => {
    const kind = placeOf(assembly, contact)?.kind;
    if (kind !== 'contact' && kind !== 'case') return [];
    const on = soldered.filter(({ terminals }) => terminals.includes(contact));
    const others = on.flatMap(({ terminals }) => terminals.filter((each) => each !== contact));
    // One alone that is off it is off its joint.
    if (others.length < 2) return [];
    const name = kind === 'case' ? 'The metal of the case' : `Contact ${bare(contact)}`;
    return [
      {
        id: `open:${contact}`,
        kind: 'open',
        says: `${name} is open: what is on it holds together, and not to it`,
        place: body.id,
        look: `Look at ${kind === 'case' ? 'the case' : `contact ${bare(contact)}`} in ${sayPlace(body)}, and pull at what is on it.`,
        ...(on.some((joint) => isSoldered(assembly, joint)) ? SOLDERED : GRIPPED),
        weight: 1,
        near: [contact, ...others],
        variants: lazily(() => [
          {
            assembly: bridge(
              on.reduce((left, joint) => detach(left, body.id, joint, contact), assembly),
              body.id,
              others,
            ),
          },
        ]),
      },
    ];
  });
}

/**
 * A conductor that is off its joint, broken at the strain relief or broken inside the jacket; several that are off their contact together; a link that is
 * missing.
 */
export const open: FaultModel = (assembly) =>
  assembly.bodies.flatMap((body) => [
    ...body.joints.flatMap((joint): Fault[] => {
      const contact = contactIn(assembly, joint);
      if (joint.how === 'link')
        return isNeedless(assembly, body.id, joint)
          ? []
          : [
              {
                id: `open:${joint.id}`,
                kind: joint.terminals.some((t) => t.endsWith('.shell')) ? 'shell' : 'open',
                says: `The link ${isRow(joint.terminals.map(bare)) ? 'through' : 'between'} ${sayRow(joint.terminals.map(bare))} is open`,
                place: body.id,
                look: `Look at the link in ${sayPlace(body)}.`,
                cause: 'The link was left out or has not taken solder.',
                remedy: 'Fit or re-solder the link.',
                weight: 1,
                near: joint.terminals,
                variants: lazily(() => [{ assembly: removeJoint(assembly, body.id, joint) }]),
              },
            ];
      return conductorsIn(assembly, joint).map((terminal): Fault => ({
        id: `open:${terminal}`,
        kind: 'open',
        says: `${capital(sayConductor(assembly, terminal))} is open: it does not carry ${contact === undefined ? 'its joint' : sayMarked(assembly, contact)}`,
        place: body.id,
        look: `Look at ${sayConductor(assembly, terminal)} in ${sayPlace(body)}, first where the clamp grips.`,
        cause: 'Off its contact, a joint that never wetted, or broken at the strain relief.',
        remedy: 'Re-make the joint; if the core is broken, cut back and strip again.',
        weight: 4,
        ...(isDoubled(assembly, joint, terminal) ? { blind: DOUBLED } : {}),
        near: joint.terminals,
        variants: lazily(() => [{ assembly: detach(assembly, body.id, joint, terminal) }]),
      }));
    }),
    ...offContact(assembly, body),
  ]);
