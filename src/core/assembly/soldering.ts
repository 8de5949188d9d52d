import type { Assembly, How, Joint } from './assembly';
import { connectorOf, placeOf } from './references';

const SOLDERED: ReadonlySet<How> = new Set(['cup', 'tab', 'lug', 'pad', 'air', 'link']);

/** Whether a contact clamps what it is given under a screw; nothing of what is no contact of a connector. */
export function isScrew(assembly: Assembly, terminal: string): boolean {
  const place = placeOf(assembly, terminal);
  if (place?.kind !== 'contact') return false;
  const connector = connectorOf(assembly, place.end);
  return connector?.contacts.find((each) => each.id === place.contact)?.takes === 'screw';
}

/** Whether a joint is made with solder: a bare wire between contacts that are all screws is not. */
export function isSoldered(assembly: Assembly, { how, terminals }: Joint): boolean {
  return SOLDERED.has(how) && (how !== 'link' || !terminals.every((each) => isScrew(assembly, each)));
}

/** Whether anything of a lead is soldered: a joint that is ours to make, or a loose wire that is tinned or gets a pin. */
export const needsSolder = (assembly: Assembly): boolean =>
  assembly.bodies.some(
    (body) =>
      body.joints.some((joint) => isSoldered(assembly, joint)) ||
      body.ends.some((end) =>
        end.loose?.some(({ finish }) => finish === undefined || finish === 'tinned' || finish === 'pin'),
      ),
  );
