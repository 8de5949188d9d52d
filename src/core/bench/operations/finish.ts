import { dressingKind, dressingsAt, type Dressing } from '../../assembly';
import { putOnAfter, type BodyPart } from '../../catalogue';
import { capital, sayList } from '../../quantity';
import { deviceWork } from '../devices';
import type { Operation, Workplace } from '../types';
import { hasCable, hasJacket, isHot, looksOut, sayEnd } from './at';
import { sayDressing } from './dressing';
import { holdsStrands } from './solder';

/** What goes on once everything is soldered, and from where. */
const sayPutOn = ({ name, from }: BodyPart): string =>
  `the ${name}, from the ${from === 'cable' ? 'cable’s side' : from}`;

/** Looking at the joints before they are closed in. */
export const inspect = (place: Workplace): readonly Operation[] =>
  place.body.joints.length === 0
    ? []
    : [
        {
          id: `inspect-${place.end.id}`,
          kind: 'inspect',
          end: place.end.id,
          title: `Inspect ${sayEnd(place)} and tug each ${hasCable(place) || place.body.kind === 'box' ? 'wire' : place.body.parts.length > 0 ? 'leg' : 'link'}`,
          detail: [
            ...(isHot(place)
              ? [
                  'Smooth and wetted to both is good. Dull or grainy moved or was too cold; balled is dirty; brown was too hot.',
                  ...(place.schools['flux'] === 'extra' ? ['Wash the flux off before you look.'] : []),
                ]
              : []),
            ...(place.body.joints.some(({ how }) => how === 'screw')
              ? ['Under each screw: copper, no insulation, no solder, and every strand of it; it is tight.']
              : []),
            ...(place.body.joints.some(({ how }) => how === 'crimp')
              ? ['A crimp holds every strand and does not move when it is pulled.']
              : []),
            'Look for strands with a loupe. Check for shorts before closing.',
          ],
        },
      ];

/** Long enough that a jacket softened by the iron will not let a core through, s (from memory). */
const COOLING_SECONDS = 45;

/** Waiting until nothing is hot. */
export const cool = (place: Workplace): readonly Operation[] =>
  (isHot(place) ? [place] : []).map(() => ({
    id: `cool-${place.end.id}`,
    kind: 'cool',
    end: place.end.id,
    title: `Let ${sayEnd(place)} cool`,
    detail: [
      hasJacket(place)
        ? 'A hot core can be pushed through its insulation into what lies beside it.'
        : 'What is warm gives way, and burns the hand.',
    ],
    seconds: COOLING_SECONDS,
  }));

/** What holds the cable: strands under screws are held already, and wires without a jacket are not gripped as they are. */
function sayHolding(place: Workplace): readonly string[] {
  const { connector, body } = place;
  const { clamp } = connector;
  if (!hasCable(place) || clamp === undefined) return [];
  if (holdsStrands(connector))
    return clamp.includes('strand')
      ? ['What was threaded on goes home; nothing may turn the wires.']
      : [`${capital(clamp)}.`];
  if (hasJacket(place))
    return [
      `${capital(clamp)}.`,
      ...(clamp.includes('jacket') ? [] : ['The clamp grips jacket, not cores.']),
    ];
  if (connector.grip === 'tab')
    return [
      'There is no jacket: the tab is pinched on sleeve or shrink over the wires, not on their insulation.',
    ];
  return [
    `${capital(clamp)}.`,
    ...(body.kind === 'shell' && connector.grip !== undefined
      ? ['There is no jacket: a turn of shrink over the wires gives it something to hold.']
      : []),
  ];
}

/** The cable held, and all closed. A box is closed as a whole. */
export const clamp = (place: Workplace): readonly Operation[] => {
  const { body, connector, end } = place;
  if (body.kind === 'box' || body.kind === 'barrel') return [];
  const bare = !hasCable(place);
  const isDevice = body.kind === 'device';
  const clamps = !bare && !isDevice && hasJacket(place) && !holdsStrands(connector);
  const hardware = hardwareAt(place);
  const after = putOnAfter(connector).filter(({ from }) => !bare || from === 'front');
  const spared = bare
    ? (connector.bodyParts ?? []).filter(({ from }) => from !== 'front').map(({ name }) => name)
    : [];
  const how = [
    ...(after.length > 0 ? [`Now put on ${after.map(sayPutOn).join(', then ')}.`] : []),
    ...(spared.length > 0 ? [`No cable comes in: leave off the ${sayList(spared)}.`] : []),
    ...(looksOut(place)
      ? ['The lamps look out at the rear, in line with the opening: mark which is for 2 and which for 3.']
      : []),
    ...(isDevice ? deviceWork(connector.family, body.name).close : sayHolding(place)),
  ];
  return [
    {
      id: `clamp-${end.id}`,
      kind: 'clamp',
      end: end.id,
      title: isDevice ? `Close the ${body.name}` : `${clamps ? 'Clamp and close' : 'Close'} ${sayEnd(place)}`,
      detail: [
        ...(how.length > 0 ? how : ['By the connector’s own instructions.']),
        ...hardware.map((each) => `${capital(sayDressing(each, place.schools))}.`),
      ],
      ...(hardware.length > 0 ? { dressings: hardware.map(({ id }) => id) } : {}),
    },
  ];
};

/** Ties and the like: those of this end, and at the first end of a body those of the body. */
const hardwareAt = ({ assembly, body, end }: Workplace): readonly Dressing[] =>
  dressingsAt(assembly, body.id).filter(
    ({ what, over }) =>
      dressingKind(what)?.is === 'hardware' &&
      (over === end.id || (over === body.id && body.ends[0]?.id === end.id)),
  );
