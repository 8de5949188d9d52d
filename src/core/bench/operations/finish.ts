import { dressingKind, isSoldered, spansAt, type Dressing } from '../../assembly';
import { putOnAfter, type BodyPart } from '../../catalogue';
import { capital } from '../../quantity';
import type { Operation, Workplace } from '../types';
import { sayDressing } from './dressing';
import { holdsStrands } from './solder';

/** What goes on once everything is soldered, and from where. */
const sayPutOn = ({ name, from }: BodyPart): string =>
  `the ${name}, from the ${from === 'cable' ? 'cable’s side' : from}`;

/** Whether a cable comes in here. */
const hasCable = ({ assembly, body }: Workplace): boolean => spansAt(assembly, body.id).length > 0;

/** Whether anything is soldered here. */
const isHot = ({ assembly, body }: Workplace): boolean =>
  body.joints.some((joint) => isSoldered(assembly, joint));

/** Looking at the joints before they are closed in. */
export const inspect = (place: Workplace): readonly Operation[] => [
  {
    id: `inspect-${place.end.id}`,
    kind: 'inspect',
    end: place.end.id,
    title: `Inspect end ${place.end.id} and tug each wire`,
    detail: [
      ...(isHot(place)
        ? [
            'Smooth and wetted to both is good. Dull or grainy moved or was too cold; balled is dirty; brown was too hot.',
          ]
        : []),
      ...(place.body.joints.some(({ how }) => how === 'screw')
        ? ['Under each screw: copper, no insulation, no solder, and every strand of it; it is tight.']
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
    title: `Let end ${place.end.id} cool`,
    detail: [
      hasCable(place)
        ? 'A hot core can be pushed through its insulation into the screen.'
        : 'What is warm gives way, and burns the hand.',
    ],
    seconds: COOLING_SECONDS,
  }));

/** The cable held by its jacket. */
export const clamp = (place: Workplace): readonly Operation[] => {
  const { end, connector } = place;
  const clamps = hasCable(place) && !holdsStrands(connector);
  const hardware = hardwareAt(place);
  return [
    {
      id: `clamp-${end.id}`,
      kind: 'clamp',
      end: end.id,
      title: `${clamps ? 'Clamp and close' : 'Close'} end ${end.id}`,
      detail: [
        ...(putOnAfter(connector).length > 0
          ? [`Now put on ${putOnAfter(connector).map(sayPutOn).join(', then ')}.`]
          : []),
        ...(holdsStrands(connector)
          ? ['What was threaded on goes home; nothing may turn the wires.']
          : [`${capital(connector.clamp ?? 'by the connector’s own instructions')}.`]),
        ...(clamps ? ['The clamp grips jacket, not cores.'] : []),
        ...hardware.map((each) => `${capital(sayDressing(each, place.schools))}.`),
      ],
      ...(hardware.length > 0 ? { dressings: hardware.map(({ id }) => id) } : {}),
    },
  ];
};

/** Nuts, washers, knobs and ties: those of this end, and at the first end of a body those of the body. */
const hardwareAt = ({ assembly, body, end }: Workplace): readonly Dressing[] =>
  assembly.dressings.filter(
    ({ what, over, at }) =>
      dressingKind(what)?.is === 'hardware' &&
      at === body.id &&
      (over === end.id || (over === body.id && body.ends[0]?.id === end.id)),
  );
