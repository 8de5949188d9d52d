import {
  contactsOf,
  contactTerminal,
  joinedPoints,
  placeOf,
  sayTerminal,
  type Terminal,
} from '../../assembly';
import { capital } from '../../quantity';
import { bare, bridge, lazily } from './surgery';
import type { Fault, FaultModel } from './types';

/** What was left unjoined touches a contact, or another that was left, where it lies. */
export const touching: FaultModel = (assembly) => {
  const metal = joinedPoints(assembly);
  return assembly.unjoined.flatMap(({ at }, n) => {
    const body = placeOf(assembly, at)?.body;
    if (!body) return [];
    const contacts = body.ends.flatMap((end) =>
      contactsOf(assembly, end).map((contact) => contactTerminal(end.id, contact)),
    );
    const others = assembly.unjoined
      .slice(n + 1)
      .map((each) => each.at)
      .filter((each) => placeOf(assembly, each)?.body === body);
    return (
      [...contacts, ...others]
        // Of the same net it is a fault too: what was left unjoined here was so on purpose.
        .filter((other) => metal.find(other) !== metal.find(at))
        .map((other: Terminal): Fault => ({
          id: `touch:${at}~${other}`,
          kind: 'touching',
          says: `${capital(sayTerminal(assembly, at))} touches ${other.includes('@') ? sayTerminal(assembly, other) : bare(other)}`,
          place: body.id,
          look: `Look at the end of ${sayTerminal(assembly, at)}.`,
          eye: { conductors: [at] },
          cause: 'It was cut too long or lies bare.',
          remedy: 'Cut it back, sleeve it, and lay it away from the contacts.',
          weight: 1,
          blind: 'What is closed over it can be pushed onto it: it was clear before the lead was closed.',
          near: [at, other],
          variants: lazily(() => [{ assembly: bridge(assembly, body.id, [at, other]) }]),
        }))
    );
  });
};
