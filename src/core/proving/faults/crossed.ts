import { placeOf, type Assembly, type Body, type Terminal } from '../../assembly';
import { bare, capital, conductorsIn, contactIn, exchange, sayConductor, sayPlace } from './surgery';
import type { Fault, FaultModel } from './types';

interface Crossing {
  readonly one: Terminal;
  readonly other: Terminal;
  readonly onto: readonly [string, string];
  readonly cores: boolean;
}

/** Pairs of conductors of one body that sit on different joints, so that exchanging them changes something. */
function crossings(assembly: Assembly, body: Body): readonly Crossing[] {
  const sits = body.joints.flatMap((joint) =>
    conductorsIn(assembly, joint).map((terminal) => ({ terminal, joint })),
  );
  return sits.flatMap((a, n) =>
    sits
      .slice(n + 1)
      .filter((b) => b.joint.id !== a.joint.id)
      .map((b) => ({
        one: a.terminal,
        other: b.terminal,
        onto: [bare(contactIn(assembly, a.joint)), bare(contactIn(assembly, b.joint))] as const,
        cores: [a, b].every(({ terminal }) => {
          const place = placeOf(assembly, terminal);
          return place?.kind === 'conductor' && place.conductor.is === 'core';
        }),
      })),
  );
}

const otherSide = (
  assembly: Assembly,
  terminal: Terminal,
): { body: string; terminal: Terminal } | undefined => {
  const place = placeOf(assembly, terminal);
  if (place?.kind !== 'conductor') return undefined;
  const body = place.span.from === place.body.id ? place.span.to : place.span.from;
  return { body, terminal: terminal.replace(/@.*$/, `@${body}`) };
};

/** Two conductors on each other's contacts, at one end or alike at both. */
export const crossed: FaultModel = (assembly) =>
  assembly.bodies.flatMap((body) =>
    crossings(assembly, body).flatMap(({ one, other, onto, cores }): Fault[] => {
      const kind = cores ? 'reversed' : 'crossed';
      const once = exchange(assembly, body.id, one, other);
      const [first, second] = [sayConductor(assembly, one), sayConductor(assembly, other)];
      const facts = {
        kind,
        cause: cores
          ? 'The colours were taken the other way round.'
          : 'The solder side was read as the mating face: numbers swap sides.',
        remedy: `Put ${first} on ${onto[0]} and ${second} on ${onto[1]}.`,
      } as const;
      const far = [otherSide(assembly, one), otherSide(assembly, other)] as const;
      const both =
        far[0] && far[1] && far[0].body === far[1].body && body.id < far[0].body
          ? [
              {
                ...facts,
                id: `${kind} twice:${one}~${other}`,
                says: `${capital(first)} and ${second} are swapped alike at both ends`,
                place: `${body.id}+${far[0].body}`,
                look: 'Look at the colours at both ends.',
                weight: 0.5,
                variants: [{ assembly: exchange(once, far[0].body, far[0].terminal, far[1].terminal) }],
              },
            ]
          : [];
      return [
        {
          ...facts,
          id: `${kind}:${one}~${other}`,
          says: `${onto[0]} and ${onto[1]} are ${kind} at one end`,
          place: body.id,
          look: `Look for ${first} on ${onto[1]} in ${sayPlace(body)}.`,
          weight: 2,
          variants: [{ assembly: once }],
        },
        ...both,
      ];
    }),
  );
