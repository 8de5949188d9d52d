import type { ConnectorEntry, Turned } from '../catalogue';

/** The outline of a connector; a plain barrel where its entry has none. */
export const profileOf = (connector: ConnectorEntry): readonly Turned[] =>
  connector.outline ?? [{ length: 40, from: 14, to: 14, of: 'metal' }];

/** How long turned pieces are together, mm. */
export const profileLength = (profile: readonly Turned[]): number =>
  profile.reduce((sum, piece) => sum + piece.length, 0);

/** What of an outline goes into the socket: up to the last piece that is a contact. */
export const fingerOf = (connector: ConnectorEntry): readonly Turned[] => {
  const profile = profileOf(connector);
  return profile.slice(0, profile.findLastIndex((piece) => piece.contact !== undefined) + 1);
};

/**
 * The part of an outline that goes into the socket, for connectors whose contacts lie behind each other and are told
 * apart from the side and not from the front. Undefined for those whose face shows them.
 */
export function sideFace(connector: ConnectorEntry): readonly Turned[] | undefined {
  const finger = fingerOf(connector);
  return finger.length === 0 ? undefined : finger;
}
