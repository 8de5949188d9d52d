import {
  contactsOf,
  contactTerminal,
  joinedPoints,
  leadsOf,
  leadTerminal,
  memberOf,
  placeOf,
  sayConductor,
  sayPlace,
  type Assembly,
  type Body,
  type Joint,
  type Terminal,
} from '../../assembly';
import { bridge, detach, lazily } from './surgery';
import type { Fault, FaultModel } from './types';

/** What a place in a body is called by: its contact, else what else is joined there. */
function sayAt(assembly: Assembly, terminals: readonly Terminal[]): string {
  const contact = terminals.find((each) => placeOf(assembly, each)?.kind === 'contact');
  if (contact !== undefined) return memberOf(contact);
  const [first = ''] = terminals;
  const place = placeOf(assembly, first);
  return place?.kind === 'conductor'
    ? sayConductor(assembly, first)
    : place?.kind === 'lead'
      ? `the leg of ${place.part.id}`
      : 'the case';
}

/** Where else in a body a leg may have been put: its other joints, and contacts that nothing is on. */
function placesIn(assembly: Assembly, body: Body): readonly (readonly Terminal[])[] {
  const joined = new Set(body.joints.flatMap(({ terminals }) => terminals));
  const free = body.ends
    .flatMap((end) => contactsOf(assembly, end).map((contact) => contactTerminal(end.id, contact)))
    .filter((each) => !joined.has(each));
  return [
    ...body.joints.filter(({ how }) => how !== 'link').map(({ terminals }) => terminals),
    ...free.map((each) => [each]),
  ];
}

/** A leg of a part on another place of its body. */
export const misplaced: FaultModel = (assembly) =>
  assembly.bodies.flatMap((body) => {
    if (body.parts.length === 0) return [];
    const metal = joinedPoints(assembly);
    const places = placesIn(assembly, body);
    return body.parts.flatMap((part) =>
      leadsOf(part).flatMap((lead) => {
        const leg = leadTerminal(part.id, lead);
        const joint = body.joints.find(({ terminals }) => terminals.includes(leg));
        if (!joint) return [];
        return places
          .filter(([first = '']) => metal.find(first) !== metal.find(leg))
          .map((to) => misplacedTo(assembly, body, joint, leg, to));
      }),
    );
  });

function misplacedTo(
  assembly: Assembly,
  body: Body,
  joint: Joint,
  leg: Terminal,
  to: readonly Terminal[],
): Fault {
  const [id = ''] = leg.split('.');
  const [target = ''] = to;
  return {
    id: `misplaced:${leg}~${target}`,
    kind: 'part',
    says: `A leg of ${id} is on ${sayAt(assembly, to)} instead of ${sayAt(
      assembly,
      joint.terminals.filter((each) => each !== leg),
    )}`,
    place: body.id,
    look: `Look at ${id} in ${sayPlace(body)}.`,
    cause: 'It was soldered to what lay beside.',
    remedy: `Put that leg of ${id} where it belongs.`,
    eye: { part: id },
    weight: 0.5,
    near: [leg, ...joint.terminals, ...to],
    variants: lazily(() => [
      { assembly: bridge(detach(assembly, body.id, joint, leg), body.id, [target, leg]) },
    ]),
  };
}
