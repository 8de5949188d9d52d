import { placeOf, type Assembly } from '../../assembly';
import { formatLength, sayList } from '../../quantity';
import { lengthSystem } from '../../wiring';
import { sayLegs } from '../hand';
import type { Operation, Workplace } from '../types';
import { acrossCups } from './across';
import { hasCable } from './at';

const isScreen = (assembly: Assembly, terminal: string): boolean => {
  const place = placeOf(assembly, terminal);
  return place?.kind === 'conductor' && place.conductor.is !== 'core';
};

/** Where parts were joined to cores away from the connector: their far legs made ready for the cups. */
export const twistLegs = (place: Workplace): readonly Operation[] => {
  const { assembly, body, end, connector, schools } = place;
  if (body.kind !== 'shell' || !hasCable(place)) return [];
  const last = acrossCups(place).flatMap(({ legs }) => legs);
  const isLeg = (terminal: string): boolean => placeOf(assembly, terminal)?.kind === 'lead';
  const joined = body.joints.filter(({ how }) => how === 'air');
  const far = body.joints
    .filter(({ how }) => how !== 'air' && how !== 'link')
    .map(({ terminals }) => terminals.filter((each) => isLeg(each) && !last.includes(each)))
    .filter((legs) => legs.length > 0);
  if (joined.length === 0 || far.length === 0) return [];
  const together = far.filter((legs) => legs.length > 1);
  const { innerMm } = connector;
  const withScreen = body.joints.some(
    ({ how, terminals }) => how !== 'air' && terminals.some((each) => isScreen(assembly, each)),
  );
  return [
    {
      id: `twist-${end.id}`,
      kind: 'twist',
      end: end.id,
      title:
        together.length > 0
          ? `Twist ${together.map((legs) => sayList(sayLegs(place, legs))).join('; ')} together, and trim at end ${end.id}`
          : `Trim ${sayList(sayLegs(place, far.flat()))} at end ${end.id}`,
      detail: [
        `${withScreen ? 'Legs and screen' : 'Legs'} to one length, as they reach their cups${innerMm ? `: the shell has ${formatLength(innerMm.long, lengthSystem(schools))} behind them` : ''}.`,
        'Points blunt: a spike pierces the sleeve.',
      ],
      caution: 'Clippings fly: eye protection.',
    },
  ];
};
