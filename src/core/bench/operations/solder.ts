import {
  connectorOf,
  memberOf,
  ofCable,
  ownerOf,
  placeOf,
  sayTogether,
  wayOf,
  type Assembly,
  type Joint,
} from '../../assembly';
import { COLOURS, type ConnectorEntry } from '../../catalogue';
import { capital, isRow, sayList, sayRow } from '../../quantity';
import type { Operation, Workplace } from '../types';

const contactName = (connector: ConnectorEntry, id: string): string => {
  const contact = connector.contacts.find((each) => each.id === id);
  return contact
    ? contact.name === contact.id
      ? `contact ${contact.id}`
      : `the ${contact.name}`
    : `the ${id}`;
};

/** Whether a colour alone does not say which core is meant: in a multipair every cold is white. */
const isPaired = (cable: string, assembly: Assembly): boolean =>
  assembly.uses.cables.find((each) => each.id === cable)?.kind === 'multipair';

/** Whether what a connector is said to clamp is strands, under its screws, and no jacket. */
export const holdsStrands = ({ grip, clamp, contacts }: ConnectorEntry): boolean =>
  grip === undefined && clamp !== undefined && contacts.some(({ takes }) => takes === 'screw');

/** Where several cables come in, the one that a joint's conductors are of; nothing where they are of several. */
function whose(assembly: Assembly, { terminals }: Joint): string {
  const [one = '', ...others] = new Set(
    terminals
      .filter((each) => placeOf(assembly, each)?.kind === 'conductor')
      .map((each) => ofCable(assembly, each)),
  );
  return others.length > 0 ? '' : one;
}

function solderOne(
  { assembly, body, end, connector }: Workplace,
  joint: Joint,
  number: number,
  of: number,
): Operation {
  const places = joint.terminals.map((terminal) => placeOf(assembly, terminal));
  const conductors = places.flatMap((place) =>
    place?.kind === 'conductor'
      ? [
          `${place.conductor.is !== 'core' ? place.conductor.is : place.conductor.colour === '??' ? `strand ${place.conductor.id}` : COLOURS[place.conductor.colour]}${isPaired(place.span.cable, assembly) ? ` of pair ${place.conductor.pair ?? ''}` : ''}`,
        ]
      : [],
  );
  const leads = places.flatMap((place) => (place?.kind === 'lead' ? [`${place.part.id} ${place.lead}`] : []));
  const ways = [...new Set(places.flatMap((place) => (place?.kind === 'lead' ? [place.part] : [])))].flatMap(
    (part) => {
      const way = wayOf(assembly, body, part);
      return way === undefined ? [] : [`${part.id}: ${way}.`];
    },
  );
  const contact = places.find((place) => place?.kind === 'contact');
  const together = sayTogether(conductors);
  const what = [
    ...together.map((each, n) => each + (n === together.length - 1 ? whose(assembly, joint) : '')),
    ...leads,
  ].join(' and ');
  const onto = contact?.kind === 'contact' ? contactName(connector, contact.contact) : 'each other';
  return {
    id: `solder-${joint.id}`,
    kind: 'solder',
    end: end.id,
    ...(joint.how === 'screw'
      ? {
          title: `Screw ${what} under ${onto} at end ${end.id}`,
          detail: [
            `Joint ${number} of ${of}. ${holdsStrands(connector) ? `${capital(connector.clamp ?? '')}.` : 'Bare strands twisted, or a ferrule: never tinned under a screw.'} Tug it.`,
            ...(joint.because ? [joint.because.says] : []),
          ],
        }
      : {
          title: `Solder ${what} to ${onto} at end ${end.id}`,
          detail: [
            `Joint ${number} of ${of}. Heat the joint, not the solder. Keep dead still until it is solid.`,
            ...(joint.sleeve && joint.how === 'air'
              ? ['Slide its sleeve on first, well away from the heat.']
              : []),
            ...ways,
            ...(joint.because ? [joint.because.says] : []),
          ],
          caution: 'Hot iron, rosin fumes; lead: wash hands afterwards, no food here.',
        }),
    joint: joint.id,
  };
}

/** Each joint of a core to its contact, in its order. */
export const solder = (place: Workplace): readonly Operation[] =>
  place.order.map((joint, n) => solderOne(place, joint, n + 1, place.order.length));

const sayContacts = (connector: ConnectorEntry, contacts: readonly string[]): string =>
  isRow(contacts)
    ? `contacts ${sayRow(contacts)}`
    : sayList(contacts.map((contact) => contactName(connector, contact)));

/** A link in one connector names its contacts; one from end to end the end of each. */
function linkTitle(assembly: Assembly, connector: ConnectorEntry, { terminals }: Joint, end: string): string {
  const ends = [...new Set(terminals.map(ownerOf))];
  if (ends.length < 2) return `Link ${sayContacts(connector, terminals.map(memberOf))} at end ${end}`;
  return `Link ${sayList(
    terminals.map((each) => {
      const place = placeOf(assembly, each);
      const own = place?.kind === 'contact' ? (connectorOf(assembly, place.end) ?? connector) : connector;
      return `${contactName(own, memberOf(each))} of ${ownerOf(each)}`;
    }),
  )}`;
}

/** Each joint between contacts. */
export const link = ({ assembly, body, end, connector, order }: Workplace): readonly Operation[] =>
  body.joints
    .filter((joint) => joint.how === 'link')
    .map((joint) => ({
      id: `solder-${joint.id}`,
      kind: 'link',
      end: end.id,
      title: linkTitle(assembly, connector, joint, end.id),
      detail: [
        order.length > 0
          ? 'A short piece of bare wire, in before the conductors.'
          : 'One piece of bare wire, straight through them all.',
        ...(joint.because ? [joint.because.says] : []),
      ],
      caution: 'Hot iron, rosin fumes.',
      joint: joint.id,
    }));
