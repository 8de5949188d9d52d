import { CONNECTORS, type ConnectorEntry } from '../catalogue';
import type { IntentEnd } from '../wiring';

/** One end of a lead in the hand: its letter, its connector, and the contacts that it has. */
export interface HeldEnd {
  readonly id: string;
  readonly family: string;
  readonly gender?: NonNullable<IntentEnd['gender']>;
  readonly contacts: readonly string[];
}

/** What a meter says of a lead: which contacts meet, each group sorted; the others meet nothing. */
export interface Held {
  readonly ends: readonly HeldEnd[];
  readonly nets: readonly (readonly string[])[];
}

/** A connector of a family, of that gender where one is said. */
export const connectorOf = (family: string, gender: HeldEnd['gender']): ConnectorEntry | undefined =>
  CONNECTORS.find((each) => each.family === family && (gender === undefined || each.gender === gender)) ??
  CONNECTORS.find((each) => each.family === family);
