import {
  connectorOf,
  dress,
  memberOf,
  placeOf,
  sayAnyLeg,
  sayContact,
  sayPlace,
  spansAt,
  type Assembly,
  type Joint,
} from '../../assembly';
import { shrinkFor, sizeOf } from '../../fit';
import type { DressingRule } from '../types';

/** From the part to its contact, mm (nominal). */
const LONG = 10;

/** The contact that a joint is on, in words; nothing where it is on none. */
function sayOn(assembly: Assembly, { terminals }: Joint): string | undefined {
  for (const terminal of terminals) {
    const place = placeOf(assembly, terminal);
    const connector = place?.kind === 'contact' ? connectorOf(assembly, place.end) : undefined;
    if (place?.kind === 'contact' && connector)
      return `to ${sayContact(connector, memberOf(terminal))} at end ${place.end.id}`;
  }
  return undefined;
}

/** Where no cable comes in, parts hang between contacts by their own bare legs: each is insulated. */
export const legSleeve: DressingRule = {
  id: 'leg-sleeve',
  source: 'common practice: insulate every leg',
  dress: ({ assembly }) =>
    assembly.bodies.flatMap((body) =>
      spansAt(assembly, body.id).length > 0
        ? []
        : body.joints.flatMap((joint) =>
            joint.how === 'air'
              ? []
              : joint.terminals.flatMap((terminal) => {
                  const place = placeOf(assembly, terminal);
                  const part = place?.kind === 'lead' ? place.part : undefined;
                  const leg = part && sizeOf(part)?.legMm;
                  if (place?.kind !== 'lead' || leg === undefined) return [];
                  const on = sayOn(assembly, joint);
                  const size = shrinkFor({ passesMm: leg });
                  return [
                    dress({
                      id: `sleeve-${place.part.id}-${place.lead}`,
                      what: 'joint-sleeve',
                      over: terminal,
                      at: body.id,
                      ...(size ? { size } : {}),
                      lengthMm: LONG,
                      // It lies between the part and its contact, and has nothing to grip.
                      closed: 'never',
                      says: `over ${sayAnyLeg(place.part, place.lead)} ${on ?? `in ${sayPlace(body)}`}`,
                    }),
                  ];
                }),
          ),
    ),
};
