import { caseTerminal, placeOf, type Assembly, type Body, type Joint } from '../assembly';
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

/** Of a phono plug: it gets in the way of the collar. */
const CENTRE = 'C';

/** Whether a link is laid over returns and a chassis, in a device. */
const isStrap = (body: Body, { how, terminals }: Joint): boolean =>
  how === 'link' && body.kind === 'device' && terminals.includes(caseTerminal(body.id));

/**
 * The joints of a body in the school's order. Screen first, or last; or lowest contact first; or away from the hand: left to
 * right for a right-handed builder as seen from the solder side, right to left for a left-handed one. On phono plugs
 * the return goes before the centre whatever the school, because the centre gets in the way (common practice). What is joined
 * to a part away from the connector comes before all that is (common practice: handbook, section 15); in a device the hots come
 * first, then what straps the returns to the chassis, then the screens onto it.
 */
export function solderOrder(
  assembly: Assembly,
  body: Body,
  connector: ConnectorEntry,
  schools: Schools,
): readonly Joint[] {
  const places = viewOf(connector, 'solder');
  const listed = connector.contacts.map((contact) => contact.id);
  const school = schools['solder-order'] ?? 'screen-first';
  const inDevice = body.kind === 'device';
  const straps = body.joints.some((joint) => isStrap(body, joint));
  const key = (joint: Joint): readonly number[] => {
    if (inDevice && straps) {
      const turn = joint.how === 'link' ? 1 : holdsScreen(assembly, joint) ? 2 : 0;
      return [turn, listed.indexOf(contactOf(assembly, joint) ?? '')];
    }
    return [joint.how === 'air' ? 0 : 1, ...usual(joint)];
  };
  const usual = (joint: Joint): readonly number[] => {
    const contact = contactOf(assembly, joint) ?? '';
    const lowest = listed.indexOf(contact);
    if (connector.family === 'phono') return [contact === CENTRE ? 1 : 0, lowest];
    if (school === 'screen-first') return [holdsScreen(assembly, joint) ? 0 : 1, lowest];
    if (school === 'screen-last') return [holdsScreen(assembly, joint) ? 1 : 0, lowest];
    if (school === 'lowest-first') return [lowest];
    const x = places.find((place) => place.contact === contact)?.x ?? 0;
    return [schools['hand'] === 'left' ? -x : x, lowest];
  };
  return body.joints
    .filter((joint) => joint.how !== 'continues' && (joint.how !== 'link' || isStrap(body, joint)))
    .map((joint) => ({ joint, key: key(joint) }))
    .sort((a, b) => a.key.map((k, n) => k - (b.key[n] ?? 0)).find((difference) => difference !== 0) ?? 0)
    .map(({ joint }) => joint);
}
