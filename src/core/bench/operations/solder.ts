import {
  isSoldered,
  memberOf,
  ownerOf,
  connectorOf,
  placeOf,
  sayContact,
  sayContacts,
  wayOf,
  type Assembly,
  type Joint,
  type Part,
  type Terminal,
} from '../../assembly';
import type { ConnectorEntry } from '../../catalogue';
import { capital, sayList } from '../../quantity';
import { sayJoined, sayWhich } from '../hand';
import type { Operation, Workplace } from '../types';
import { sayEnd } from './at';
import { acrossCups } from './across';
import { comesOnWire } from './tin';

const HOT = 'Hot iron, rosin fumes; lead: wash hands afterwards, no food here.';

/** Whether what a connector is said to clamp is strands, under its screws, and no jacket. */
export const holdsStrands = ({ grip, clamp, contacts }: ConnectorEntry): boolean =>
  grip === undefined && clamp !== undefined && contacts.some(({ takes }) => takes === 'screw');

/** What is said where wires go under a screw: by the connector where it says how it holds them. */
const underScrew = ({ clamp = '' }: ConnectorEntry): string =>
  clamp.includes('strand')
    ? `${capital(clamp)}.`
    : 'Bare strands twisted, or a ferrule: never tinned under a screw.';

/** The parts that come to hand at this joint for the first time. */
function newParts(
  { assembly, before: earlier, order }: Workplace,
  { id, terminals }: Joint,
): readonly Part[] {
  const at = order.findIndex((each) => each.id === id);
  const before = [...earlier, ...order.slice(0, Math.max(0, at))];
  const partsOf = (joint: Joint): readonly Part[] =>
    joint.terminals.flatMap((each) => {
      const found = placeOf(assembly, each);
      return found?.kind === 'lead' ? [found.part] : [];
    });
  const known = new Set(before.flatMap(partsOf).map((part) => part.id));
  return [...new Map(partsOf({ terminals } as Joint).map((part) => [part.id, part])).values()].filter(
    (part) => !known.has(part.id),
  );
}

/** Which part each is, and which way round. */
const sayParts = (place: Workplace, parts: readonly Part[]): readonly string[] =>
  parts.flatMap((part) => {
    const way = wayOf(place.assembly, place.body, part);
    const which = sayWhich(part);
    if (way === undefined) return which ?? [];
    return which === undefined ? `${part.id}: ${way}.` : `${which.slice(0, -1)}, ${way}.`;
  });

function solderOne(
  place: Workplace,
  joint: Joint,
  last: readonly Terminal[],
  number: number,
  of: number,
): Operation | undefined {
  const { assembly, body, end, connector } = place;
  const here: Joint = { ...joint, terminals: joint.terminals.filter((each) => !last.includes(each)) };
  const contact = joint.terminals
    .map((each) => placeOf(assembly, each))
    .find((each) => each?.kind === 'contact');
  const joined = sayJoined(place, here);
  if (joined.length === 0) return undefined;
  const onto = contact?.kind === 'contact' ? sayContact(connector, contact.contact) : undefined;
  const base = { id: `solder-${joint.id}`, kind: 'solder' as const, end: end.id, joint: joint.id };
  const because = joint.because ? [joint.because.says] : [];
  const at = `at ${sayEnd(place)}`;
  if (joint.how === 'screw')
    return {
      ...base,
      title: `Screw ${sayList(joined)} under ${onto ?? 'its screw'} ${at}`,
      detail: [`Joint ${number} of ${of}. ${underScrew(connector)} Tug it.`, ...because],
    };
  if (body.kind === 'box' && onto !== undefined)
    return {
      ...base,
      title: `Wire ${sayList(joined)} to ${onto} of socket ${end.id}`,
      detail: [
        `Joint ${number} of ${of}. Stranded hook-up wire, cut to reach with both in their holes, soldered at each; outside the box.`,
        ...sayParts(place, newParts(place, here)),
        ...because,
      ],
      caution: HOT,
    };
  const several = here.terminals.filter((each) => placeOf(assembly, each)?.kind !== 'contact').length > 1;
  return {
    ...base,
    title:
      onto === undefined ? `Join ${sayList(joined)} ${at}` : `Solder ${sayList(joined)} to ${onto} ${at}`,
    detail: [
      `Joint ${number} of ${of}. Heat the joint, not the solder. Keep dead still until it is solid.`,
      ...(onto !== undefined && comesOnWire(connector, place.schools)
        ? [
            `Its cup is empty: ${isOfParts(assembly, here) ? 'tin the legs first, and what is on them' : 'what is on the wire'} fills it. Look that it has run in, not only round the mouth.`,
          ]
        : []),
      ...(onto !== undefined && several ? ['They are twisted together first, and go in as one.'] : []),
      ...(joint.sleeve && joint.how === 'air' ? ['Slide its sleeve on first, well away from the heat.'] : []),
      ...sayParts(place, newParts(place, here)),
      ...because,
    ],
    caution: HOT,
  };
}

/** Whether only legs of parts go in, which nobody tinned. */
const isOfParts = (assembly: Assembly, { terminals }: Joint): boolean =>
  terminals.every((each) => placeOf(assembly, each)?.kind !== 'conductor');

/** Each joint to its contact or in the air, in its order; then what goes over the cups. */
export const solder = (place: Workplace): readonly Operation[] => {
  const { end, connector } = place;
  const joints = place.order.filter(({ how }) => how !== 'link');
  const over = acrossCups(place);
  const last = over.flatMap(({ legs }) => legs);
  return [
    ...place.order.flatMap((joint) =>
      joint.how === 'link'
        ? [strap(place, joint)]
        : (solderOne(place, joint, last, joints.indexOf(joint) + 1, joints.length) ?? []),
    ),
    ...over.map(({ part, contacts: [one, other], link }): Operation => ({
      id: `solder-over-${part.id}`,
      kind: 'solder',
      end: end.id,
      title: `Last, ${part.id} over ${sayContact(connector, one)} and ${sayContact(connector, other)} at end ${end.id}`,
      detail: [
        link
          ? `One leg round ${sayContact(connector, link.turns)}, the other past ${sayContact(connector, link.past)} and round ${sayContact(connector, link.round)}: that leg is the link between them.`
          : 'A leg to each, on what is soldered there already: be quick, so that it does not let go.',
        ...sayParts(place, [part]),
        ...(link ? [link.because].filter(Boolean) : []),
        'Clip what is over, and leave no point.',
      ],
      caution: 'Clippings fly: eye protection. Hot iron, rosin fumes.',
      ...(link ? { joint: link.joint } : {}),
    })),
  ];
};

/** In a device returns and chassis are strapped with a leg that was clipped off a part. */
const strap = (place: Workplace, joint: Joint): Operation => ({
  id: `solder-${joint.id}`,
  kind: 'solder',
  end: place.end.id,
  title: `Strap ${sayLinked(place.assembly, place.connector, joint)}`,
  detail: [
    'A leg clipped off a part, laid across them. The hots are on already: tug each before this goes over.',
    ...(joint.because ? [joint.because.says] : []),
  ],
  caution: HOT,
  joint: joint.id,
});

/** What a link joins: contacts of one connector by name, otherwise each with its end; a case as what it is the case of. */
function sayLinked(assembly: Assembly, connector: ConnectorEntry, { terminals }: Joint): string {
  const places = terminals.map((each) => placeOf(assembly, each));
  const ends = new Set(places.flatMap((place) => (place?.kind === 'contact' ? [place.end.id] : [])));
  if (ends.size === 1 && places.every((place) => place?.kind === 'contact'))
    return sayContacts(connector, terminals.map(memberOf));
  return sayList(
    terminals.map((each, n) => {
      const place = places[n];
      if (place?.kind === 'case')
        return place.body.kind === 'device' ? `the chassis of the ${place.body.name}` : 'the case';
      const own = place?.kind === 'contact' ? (connectorOf(assembly, place.end) ?? connector) : connector;
      const of = ends.size > 1 ? ` of ${ownerOf(each)}` : '';
      return `${sayContact(own, memberOf(each))}${of}`;
    }),
  );
}

/** Each joint between contacts that lies under the conductors. */
export const link = (place: Workplace): readonly Operation[] => {
  const { assembly, body, end, connector, order } = place;
  const last = new Set(acrossCups(place).flatMap(({ link: by }) => (by ? [by.joint] : [])));
  return body.joints
    .filter((joint) => joint.how === 'link' && !order.includes(joint) && !last.has(joint.id))
    .map((joint) => ({
      id: `solder-${joint.id}`,
      kind: 'link',
      end: end.id,
      title: `Link ${sayLinked(assembly, connector, joint)}${body.kind === 'box' || body.kind === 'barrel' ? '' : ` at end ${end.id}`}`,
      detail: [
        ...(isSoldered(assembly, joint)
          ? [
              body.kind === 'box'
                ? 'A piece of stranded wire, long enough to reach with the sockets in their holes.'
                : order.length > 0
                  ? 'A short piece of bare wire, in before the conductors.'
                  : 'One piece of bare wire, straight through them all.',
            ]
          : ['A short piece of bare wire under the screws, in with the conductors.']),
        ...(joint.because ? [joint.because.says] : []),
      ],
      ...(isSoldered(assembly, joint) ? { caution: 'Hot iron, rosin fumes.' } : {}),
      joint: joint.id,
    }));
};
