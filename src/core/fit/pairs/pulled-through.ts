import { connectorOf, endsOf, spansAt, bodyOfEnd, type Assembly, type End } from '../../assembly';
import { bundleMm } from '../bundle';
import { widestOf } from '../../catalogue';
import { enteringMm } from '../sizes';
import { figure, verdictOf, type Fit, type OnItsWay, type Pair } from '../types';

/** How thick what comes to an end is, all its cables together, mm. */
function cablesMm(assembly: Assembly, end: End): number | undefined {
  const body = bodyOfEnd(assembly, end.id);
  const wide = body ? spansAt(assembly, body.id).map((span) => enteringMm(assembly, span, body.id)) : [];
  return wide.length > 0 && wide.every((each): each is number => each !== undefined)
    ? bundleMm(wide)
    : undefined;
}

/** What a hole says of an end: whether its connector goes through with the cable on it, and what follows where it does not. */
function endThrough(assembly: Assembly, end: End, holeMm: number): Fit | undefined {
  const connector = connectorOf(assembly, end);
  const has = connector ? widestOf(connector) : cablesMm(assembly, end);
  if (has === undefined) return undefined;
  const marginMm = holeMm - has;
  const later = end.madeOn === 'site';
  return {
    id: `through-${end.id}`,
    pair: 'pulled-through',
    at: end.id,
    says: `End ${end.id} through the hole on the way`,
    has: figure(has),
    takes: figure(holeMm),
    marginMm,
    verdict: later && marginMm < 0 ? 'measure' : verdictOf(marginMm),
    ...(marginMm >= 0
      ? {}
      : {
          todo: later
            ? 'It is made on site: pull the bare cable through first, the other end finished.'
            : 'It does not go through: this end stays on its side of the hole, and the other is pulled through or made on site.',
        }),
  };
}

/** The narrowest place on the way against the cable, and against the connectors: it decides which end is made where the lead is laid. */
export const pulledThrough: Pair = {
  id: 'pulled-through',
  what: 'Cable and connectors through the hole on their way.',
  source:
    'widest outline of the connector, nominal, and the cable beside the hole; in walls local code decides',
  of: (assembly, { holeMm, inWall }: OnItsWay) => {
    const cables = assembly.spans.filter(({ carries }) => !carries);
    const wide = cables.map((span) => enteringMm(assembly, span, span.from));
    const has = wide.every((each): each is number => each !== undefined) ? bundleMm(wide) : undefined;
    const through = (mm: number): readonly Fit[] => [
      ...(has === undefined || cables.length === 0
        ? []
        : [
            {
              id: 'through-cable',
              pair: 'pulled-through',
              at: cables.map(({ id }) => id).join(', '),
              says: `${cables.length === 1 ? 'The cable' : `${cables.length} cables together`} through the hole on the way`,
              has: figure(has),
              takes: figure(mm),
              marginMm: mm - has,
              verdict: verdictOf(mm - has, 1),
              ...(mm < has
                ? { todo: 'Nothing goes through: a thinner cable, a larger hole or another way.' }
                : {}),
            },
          ]),
      ...endsOf(assembly).flatMap((end) => endThrough(assembly, end, mm) ?? []),
    ];
    return [
      ...(holeMm === undefined ? [] : through(holeMm)),
      ...(inWall && cables.length > 0
        ? [
            {
              id: 'wall',
              pair: 'pulled-through',
              at: cables.map(({ id }) => id).join(', '),
              says: 'Cable that stays in a wall',
              has: [...new Set(cables.map((span) => nameOf(assembly, span.cable)))].join(', '),
              takes: 'the fire rating that local code asks for',
              verdict: 'measure' as const,
              todo: 'Ask what the building asks for before anything is cut: local code and licensed people decide.',
            },
          ]
        : []),
    ];
  },
};

const nameOf = (assembly: Assembly, cable: string): string =>
  assembly.uses.cables.find(({ id }) => id === cable)?.name ?? cable;
