import {
  connectorOf,
  dressingKind,
  dressingsAt,
  type Assembly,
  type Body,
  type Dressing,
} from '../../assembly';
import type { BodyPart } from '../../catalogue';
import { capital, formatLength, sayList } from '../../quantity';
import { lengthSystem, type Schools } from '../../wiring';
import type { Operation } from '../types';
import { sayDressing } from './dressing';

const isBox = ({ kind }: Body): boolean => kind === 'box';
const isControl = ({ kind }: Body['parts'][number]): boolean => kind === 'potentiometer';

/** Marking and drilling each box; nothing goes into it before. */
export const drillBoxes = (assembly: Assembly, schools: Schools): readonly Operation[] =>
  assembly.bodies.filter(isBox).map((body): Operation => {
    const system = lengthSystem(schools);
    const sockets = body.ends.map((end) => {
      const hole = connectorOf(assembly, end)?.holeMm;
      return `${end.id} ${hole === undefined ? 'by its thread: measure it' : formatLength(hole, system)}`;
    });
    const controls = body.parts.filter(isControl).map(({ id }) => id);
    return {
      id: `drill-${body.id}`,
      kind: 'drill',
      title: `Mark and drill the ${body.name}`,
      detail: [
        'Mark from outside, and look inside before you drill: ribs, bosses, depth, how far the thread reaches, which side faces which.',
        `Sockets: ${sockets.join('; ')}.`,
        ...(controls.length > 0
          ? [
              `${sayList(controls)}: by its thread: measure it; ${
                schools['locating-nub'] === 'ground-off'
                  ? 'grind its locating nub off: no hole for it, and the nut alone keeps it from turning.'
                  : 'and a small hole beside it for its locating nub.'
              }`,
            ]
          : []),
        'Pilot first, then up in steps. Deburr both sides; filings out.',
      ],
      caution: 'Chips fly: eye protection. Hold the box in a vice, not in the hand.',
    };
  });

const hardwareOf = (assembly: Assembly, body: Body): readonly Dressing[] =>
  dressingsAt(assembly, body.id).filter(({ what }) => dressingKind(what)?.is === 'hardware');

/** A barrel is closed over both its ends at once. */
const closedBarrels = (assembly: Assembly): readonly Operation[] =>
  assembly.bodies
    .filter(({ kind }) => kind === 'barrel')
    .map((body): Operation => {
      const parts = body.ends.flatMap((end) => connectorOf(assembly, end)?.bodyParts ?? []);
      const named = (from: (part: BodyPart) => boolean): readonly string[] => [
        ...new Set(parts.filter(from).map(({ name }) => name)),
      ];
      const front = named(({ from }) => from === 'front');
      const spared = named(({ from }) => from !== 'front');
      return {
        id: `clamp-${body.id}`,
        kind: 'clamp',
        title: `Close the barrel over both ends`,
        detail: [
          ...(front.length > 0 ? [`Put on the ${sayList(front)} at each end, from the front.`] : []),
          ...(spared.length > 0 ? [`No cable comes in: leave off the ${sayList(spared)}.`] : []),
          'Nothing inside may be bent against its neighbour.',
        ],
      };
    });

/** Everything that is closed as a whole: boxes and barrels. */
export const closeBodies = (assembly: Assembly, schools: Schools): readonly Operation[] => [
  ...closedBoxes(assembly, schools),
  ...closedBarrels(assembly),
];

/** Sockets and control into their holes once the circuit is proven loose, then the lid. */
const closedBoxes = (assembly: Assembly, schools: Schools): readonly Operation[] =>
  assembly.bodies.filter(isBox).flatMap((body): readonly Operation[] => {
    const hardware = hardwareOf(assembly, body);
    const turned = hardware.filter(({ what }) => what !== 'box');
    const controls = body.parts.filter(isControl).map(({ id }) => id);
    return [
      {
        id: `mount-${body.id}`,
        kind: 'mount',
        title: `Mount ${[...(body.ends.length > 0 ? [`socket${body.ends.length === 1 ? '' : 's'} ${sayList(body.ends.map(({ id }) => id))}`] : []), ...controls].join(' and ')} in the ${body.name}`,
        detail: [
          'From inside, washer and nut from outside; hold the body so that it does not turn on its wires.',
          ...turned.map((each) => `${capital(sayDressing(each, schools))}.`),
          ...(controls.length > 0
            ? ['Turn the shaft fully down, then set the knob’s mark to that end.']
            : []),
          'Fold the wires in; nothing bare touches the box or another joint.',
        ],
        ...(controls.length > 0
          ? { confirm: ['tried loose: silent at the bottom, both channels alike on the way up, no crackle'] }
          : {}),
        ...(turned.length > 0 ? { dressings: turned.map(({ id }) => id) } : {}),
      },
      {
        id: `clamp-${body.id}`,
        kind: 'clamp',
        title: `Close the ${body.name}`,
        detail: ['By hand: bosses strip. Nothing may be caught under the lid.'],
        ...(hardware.some(({ what }) => what === 'box')
          ? { dressings: hardware.filter(({ what }) => what === 'box').map(({ id }) => id) }
          : {}),
      },
    ];
  });
