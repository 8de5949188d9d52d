import { CONNECTORS, type ConnectorEntry } from '../catalogue';
import type { IntentEnd } from '../wiring';

/** One end of a lead in the hand: its letter, its connector, and the contacts that it has. */
export interface HeldEnd {
  readonly id: string;
  readonly family: string;
  readonly gender?: NonNullable<IntentEnd['gender']>;
  readonly contacts: readonly string[];
}

/** What a meter reads between two contacts that do not beep to each other, Ω. */
export interface HeldReading {
  readonly contacts: readonly [string, string];
  readonly ohms: number;
}

/** What a meter says of a lead: which contacts meet, each group sorted; what is read between others. What is in neither meets nothing. */
export interface Held {
  readonly ends: readonly HeldEnd[];
  readonly nets: readonly (readonly string[])[];
  readonly readings: readonly HeldReading[];
}

/** A connector of a family, of that gender where one is said. */
export const connectorOf = (family: string, gender: HeldEnd['gender']): ConnectorEntry | undefined =>
  CONNECTORS.find((each) => each.family === family && (gender === undefined || each.gender === gender)) ??
  CONNECTORS.find((each) => each.family === family);
