import { placeOf, type Assembly, type Body, type Joint } from '../assembly';
import { viewOf, type ConnectorEntry } from '../catalogue';
import type { Schools } from '../wiring';

const contactOf = (assembly: Assembly, joint: Joint): string | undefined => {
  for (const terminal of joint.terminals) {
    const place = placeOf(assembly, terminal);
    if (place?.kind === 'contact') return place.contact;
  }
  return undefined;
};

const holdsScreen = (assembly: Assembly, joint: Joint): boolean =>
  joint.terminals.some((terminal) => {
    const place = placeOf(assembly, terminal);
    return place?.kind === 'conductor' && place.conductor.is !== 'core';
  });

/**
 * The joints of a body in the school's order. Screen first; or lowest contact first; or away from the hand: left to
 * right for a right-handed builder as seen from the solder side, right to left for a left-handed one. On phono plugs
 * the return goes before the centre whatever the school, because the centre gets in the way (common practice).
 */
export function solderOrder(
  assembly: Assembly,
  body: Body,
  connector: ConnectorEntry,
  schools: Schools,
): readonly Joint[] {
  const places = viewOf(connector, 'solder');
  const listed = connector.contacts.map((contact) => contact.id);
  const school = connector.family === 'phono' ? 'screen-first' : (schools['solder-order'] ?? 'screen-first');
  const key = (joint: Joint): readonly number[] => {
    const contact = contactOf(assembly, joint) ?? '';
    const lowest = listed.indexOf(contact);
    if (school === 'screen-first') return [holdsScreen(assembly, joint) ? 0 : 1, lowest];
    if (school === 'lowest-first') return [lowest];
    const x = places.find((place) => place.contact === contact)?.x ?? 0;
    return [schools['hand'] === 'left' ? -x : x, lowest];
  };
  return body.joints
    .filter((joint) => joint.how !== 'continues' && joint.how !== 'link')
    .map((joint) => ({ joint, key: key(joint) }))
    .sort((a, b) => a.key.map((k, n) => k - (b.key[n] ?? 0)).find((difference) => difference !== 0) ?? 0)
    .map(({ joint }) => joint);
}
