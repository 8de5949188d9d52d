import { CONNECTORS } from './connectors';
import type { FormatId } from './formats';
import type { ConnectorEntry, Layout, PortKind } from './entries';
import { isMeasured } from './mating';

/** Looked up among the catalogue's own connectors unless others are given: those that a workshop has added. */
const ofFamily = (family: string, among: readonly ConnectorEntry[]): readonly ConnectorEntry[] =>
  among.filter((entry) => entry.family === family);

/** What a family is called in a sentence; its id where no connector of it is in the catalogue. */
export const familyName = (family: string, among: readonly ConnectorEntry[] = CONNECTORS): string =>
  ofFamily(family, among)[0]?.familyName ?? family;

/** The ways in which this family's contacts are used for a format: the usual one first. */
export const layoutsFor = (
  family: string,
  format: FormatId,
  among: readonly ConnectorEntry[] = CONNECTORS,
): readonly Layout[] =>
  ofFamily(family, among)[0]?.layouts?.filter((layout) => layout.format === format) ?? [];

/** Families whose pin list is the equipment's own: the builder types it in. */
export const asksPinout = (family: string, among: readonly ConnectorEntry[] = CONNECTORS): boolean =>
  ofFamily(family, among)[0]?.layouts === undefined;

/** The families of connector that a port comes on: those with a usual layout for it, then those whose pin list is typed. */
export const familiesFor = (
  port: PortKind,
  among: readonly ConnectorEntry[] = CONNECTORS,
): readonly string[] => {
  const usual = among.filter(
    (entry) =>
      (isMeasured(port) ? entry.signals : entry.signals?.includes(port.signal)) &&
      entry.layouts?.some((layout) => layout.format === port.format),
  );
  const typed = among.filter((entry) => entry.layouts === undefined);
  return [...new Set([...usual, ...typed].map((entry) => entry.family))];
};

/** Whether plug or socket is decided by which way the signal goes. */
export const isDirected = (family: string, among: readonly ConnectorEntry[] = CONNECTORS): boolean =>
  ofFamily(family, among).some((entry) => entry.meets !== undefined);

/** The gender of cable connector that usually meets a port of this direction. */
export function usualGender(
  family: string,
  direction: PortKind['direction'],
  among: readonly ConnectorEntry[] = CONNECTORS,
): ConnectorEntry['gender'] {
  const all = ofFamily(family, among);
  return (all.find((entry) => entry.meets === direction) ?? all[0])?.gender ?? 'plug';
}
