import type { Because, Unjoined } from '../../assembly';
import type { Role } from '../../catalogue';
import type { Problem } from '../../quantity';
import { coresOf, pairOf, screenOf, type Pair } from '../cores';
import type { Ask } from '../intent';
import type { Landing, Line, Link } from '../plan';

export const on = (contact: string | undefined, because: Because): Landing =>
  contact === undefined
    ? { left: 'cut back', because: { says: 'There is no contact for it here.' } }
    : { contact, because };

export const left = (is: Unjoined['is'], says: string, school?: string): Landing => ({
  left: is,
  because: school ? { says, school } : { says },
});

/** A pair for a recipe whose fit has already asked for one. */
export function pairFor(ask: Ask): Pair {
  const pair = pairOf(ask.cable, ask.schools['colour'] ?? '');
  if (!pair) throw new Error(`${ask.cable.id} has no pair: the recipe's fit must ask for one`);
  return pair;
}

export const needsTwoCores = (ask: Ask): Problem | undefined =>
  pairOf(ask.cable, ask.schools['colour'] ?? '')
    ? undefined
    : {
        code: 'wiring.two-cores',
        says: `${ask.cable.name} has ${coresOf(ask.cable).length} core: this lead needs two and a screen. Choose a pair or star quad.`,
        path: 'intent.cable',
      };

/** The contact for the screen or, where the signal has none of its own, the return. */
export const groundContact = (ask: Ask, side: 'from' | 'to'): string | undefined =>
  ask[side].roles.screen ?? ask[side].roles.return;

/** The line of the screen: joined where its school says, except that a recipe may have to have it at both ends. */
export function screenLine(ask: Ask, required?: string): readonly Line[] {
  const screen = screenOf(ask.cable);
  if (!screen) return [];
  const school = required === undefined ? (ask.schools['screen'] ?? 'both') : 'both';
  const land = (side: 'from' | 'to', elsewhere: string): Landing =>
    school === elsewhere
      ? left(
          'cut back',
          `The screen is joined at the ${side === 'from' ? 'receiving' : 'source'} end only.`,
          'screen',
        )
      : on(groundContact(ask, side), {
          says:
            required ??
            (ask.schools['screen'] === 'both'
              ? 'Screen at both ends: full screening and a return.'
              : 'The screen is joined here and not at the other end.'),
          ...(required === undefined ? { school: 'screen' } : {}),
        });
  return [
    { role: 'screen', conductors: [screen.id], from: land('from', 'destination'), to: land('to', 'source') },
  ];
}

/** Shell links by the shell's school, for connectors whose shell is not one metal with a contact already. */
export function shellLinks(ask: Ask): readonly Link[] {
  const school = ask.schools['shell'] ?? 'open';
  return (['from', 'to'] as const).flatMap((side): Link[] => {
    const { connector } = ask[side];
    const ground = groundContact(ask, side);
    const chosen = school === 'both' || school === (side === 'from' ? 'source' : 'destination');
    return chosen &&
      ground !== undefined &&
      connector.shell &&
      !connector.bonded?.some((bond) => bond.includes('shell'))
      ? [
          {
            side,
            contacts: [ground, 'shell'],
            because: { says: `Shell joined to ${ground} by choice.`, school: 'shell' },
          },
        ]
      : [];
  });
}

/** One line from a role's contact at one end to another's at the other. */
export function straight(
  ask: Ask,
  role: Role,
  conductors: readonly string[],
  toRole: Role,
  because: Because,
): Line {
  return { role, conductors, from: on(ask.from.roles[role], because), to: on(ask.to.roles[toRole], because) };
}
