import { contactTerminal, netlist, placeOf, type Assembly, type Terminal } from '../assembly';
import { COLOURS, type Role } from '../catalogue';
import type { Situation } from '../situation';

/** One net in words: everything that lights together when any of it is touched. */
export interface LitPath {
  readonly net: string;
  readonly terminals: readonly Terminal[];
  readonly roles: readonly Role[];
  readonly says: string;
}

/** Every net that a contact is on, with what it carries in this situation. */
export function litPaths(assembly: Assembly, situation: Situation | undefined): readonly LitPath[] {
  return netlist(assembly)
    .nets.filter((net) => net.contacts.length > 0)
    .map((net) => {
      const roles = (situation?.channels ?? []).flatMap((channel) =>
        (Object.entries(channel.roles) as [Role, string | undefined][])
          .filter(
            ([, contact]) =>
              contact !== undefined && net.contacts.includes(contactTerminal(channel.end, contact)),
          )
          .map(([role]) => role),
      );
      const distinct = [...new Set(roles)];
      const conductors = [
        ...new Set(
          net.terminals.flatMap((terminal) => {
            const place = placeOf(assembly, terminal);
            return place?.kind === 'conductor'
              ? [place.conductor.is === 'core' ? COLOURS[place.conductor.colour] : place.conductor.is]
              : [];
          }),
        ),
      ];
      const what = distinct.length > 0 ? distinct.join(' and ') : 'nothing';
      const by = conductors.length > 0 ? `, by ${conductors.join(' and ')}` : '';
      return {
        net: net.name,
        terminals: net.terminals,
        roles: distinct,
        says:
          net.contacts.length > 1
            ? `${net.contacts.join(' – ')} carries ${what}${by}`
            : `${net.contacts[0] ?? ''} meets nothing${distinct.length > 0 ? ` (it would be ${what})` : ''}`,
      };
    });
}
