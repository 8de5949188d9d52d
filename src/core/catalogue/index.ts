import { CABLES } from './cables';
import { CONNECTORS } from './connectors';
import { PORTS } from './ports';
import type { CableEntry, ConnectorEntry, PortKind } from './entries';

export * from './entries';
export { memberId } from './member';
export * from './colours';
export * from './families';
export * from './formats';
export * from './mating';
export { rearOf, widestOf } from './outline';
export * from './phantom';
export * from './roles';
export { AES59_CHANNELS, isTail, TAIL_FINISHES, TAILS, type TailFinish, type TailKind } from './connectors';
export { CABLES, CONNECTORS, PORTS };

/** The connector of the catalogue of this id. */
export const connectorById = (id: string): ConnectorEntry | undefined =>
  CONNECTORS.find((entry) => entry.id === id);
/** The cable of the catalogue of this id. */
export const cableById = (id: string): CableEntry | undefined => CABLES.find((entry) => entry.id === id);
/** The kind of port of this id. */
export const portById = (id: string): PortKind | undefined => PORTS.find((entry) => entry.id === id);

export { isMeant, plainWords, tradeTerms, type TradeTerm } from './trade-words';
export { viewOf } from './view';
export {
  arrange,
  ownCable,
  ownConnector,
  slug,
  type Arrangement,
  type OwnCable,
  type OwnConnector,
} from './own';
export {
  OWN_MIGRATIONS,
  OWN_VERSION,
  ownEntrySchema,
  storedOwnEntry,
  withBodyParts,
  type OwnEntry,
} from './own-entry';
export { OWN_PROBLEMS } from './problems';
