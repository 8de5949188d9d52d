import { CONNECTORS } from './connectors';
import type { ConnectorEntry, PortKind, RoleMap } from './types';

const ofFamily = (family: string): readonly ConnectorEntry[] =>
  CONNECTORS.filter((entry) => entry.family === family);

/** What a family is called in a sentence; its id where no connector of it is in the catalogue. */
export const familyName = (family: string): string => ofFamily(family)[0]?.familyName ?? family;

/** The contacts for a signal on this family of connector, or undefined where it does not go on it. */
export const roleContacts = (family: string, balanced: boolean): RoleMap | undefined =>
  ofFamily(family)[0]?.roles?.[balanced ? 'balanced' : 'unbalanced'];

/** The families of connector that a port comes on. */
export const familiesFor = (port: PortKind): readonly string[] => [
  ...new Set(
    CONNECTORS.filter(
      (entry) => entry.signals?.includes(port.signal) && roleContacts(entry.family, port.balanced),
    ).map((entry) => entry.family),
  ),
];

/** Whether plug or socket is decided by which way the signal goes. */
export const isDirected = (family: string): boolean =>
  ofFamily(family).some((entry) => entry.meets !== undefined);

/** The gender of cable connector that usually meets a port of this direction. */
export function usualGender(family: string, direction: PortKind['direction']): 'plug' | 'socket' {
  const usual = ofFamily(family).find((entry) => entry.meets === direction) ?? ofFamily(family)[0];
  return usual?.gender === 'socket' ? 'socket' : 'plug';
}
