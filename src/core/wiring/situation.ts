import { contactTerminal, type Terminal } from '../assembly';
import type { PortKind, RoleMap } from '../catalogue';
import type { Surroundings } from './intent';

/** What one end of a lead is plugged into. */
export interface Channel {
  readonly end: string;
  readonly port: PortKind;
  readonly roles: RoleMap;
}

/** What the ends meet in use, and where. */
export interface Situation {
  readonly surroundings: Surroundings;
  readonly channels: readonly Channel[];
}

/** The terminal of a role at a channel's end. */
export function roleTerminal(channel: Channel, role: keyof RoleMap): Terminal | undefined {
  const contact = channel.roles[role];
  return contact === undefined ? undefined : contactTerminal(channel.end, contact);
}
