import { bodyOfEnd, contactTerminal, sayPlace, type Terminal } from '../../assembly';
import { ROLES } from '../../catalogue';
import { capital } from '../../quantity';
import type { Channel } from '../../situation';
import { lazily, trade } from './surgery';
import type { Fault, FaultModel } from './types';

/** Channels next to each other at an end are taken one for the other; of a few, any two. */
const FEW = 4;

/** Contacts of two channels of one end, role for role, where they differ. */
const pairsOf = (one: Channel, other: Channel): readonly (readonly [Terminal, Terminal])[] =>
  ROLES.flatMap((role) => {
    const [a, b] = [one.roles[role], other.roles[role]];
    return a === undefined || b === undefined || a === b
      ? []
      : [[contactTerminal(one.end, a), contactTerminal(other.end, b)] as const];
  });

/** Two channels of one end exchanged there, with all that belongs to each. */
export const channels: FaultModel = (assembly, situation) => {
  const all = situation?.channels ?? [];
  return all.flatMap((one, n) => {
    const beside = all.filter((each) => each.end === one.end);
    return all.slice(n + 1).flatMap((other): readonly Fault[] => {
      const body = bodyOfEnd(assembly, one.end);
      if (other.end !== one.end || !body) return [];
      if (beside.length > FEW && beside.indexOf(other) !== beside.indexOf(one) + 1) return [];
      const pairs = pairsOf(one, other);
      const joined = new Set(body.joints.flatMap(({ terminals }) => terminals));
      if (!pairs.flat().some((contact) => joined.has(contact))) return [];
      const [first, second] = [one.label || one.name, other.label || other.name];
      return [
        {
          id: `channels:${one.name}~${other.name}`,
          kind: 'channels',
          says: `${capital(first)} and ${second} are exchanged at end ${one.end}`,
          place: body.id,
          look: `Look for what belongs to ${first} on ${second} in ${sayPlace(body)}.`,
          cause: 'One channel was taken for the other.',
          remedy: `Exchange the two in ${sayPlace(body)}.`,
          eye: {
            conductors: body.joints
              .filter(({ terminals }) => pairs.flat().some((contact) => terminals.includes(contact)))
              .flatMap(({ terminals }) => terminals.filter((each) => each.includes('@'))),
          },
          weight: 1,
          near: [
            ...pairs.flat(),
            ...body.joints
              .filter(({ terminals }) => pairs.flat().some((contact) => terminals.includes(contact)))
              .flatMap(({ terminals }) => terminals),
          ],
          variants: lazily(() => [{ assembly: trade(assembly, body.id, pairs) }]),
        },
      ];
    });
  });
};
