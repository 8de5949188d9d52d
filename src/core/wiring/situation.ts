import { contactTerminal, type Terminal } from '../assembly';
import type { Facts } from '../circuit';
import type { PortKind, Role, RoleMap } from '../catalogue';
import type { Surroundings } from './intent';

/** One channel of what one end of a lead is plugged into. */
export interface Channel {
  readonly end: string;
  /** Where it is in the intent: `from[0]`. */
  readonly path: string;
  /** What the channel is called among the lead's others; nothing where there is one only. */
  readonly label: string;
  /** Whether the equipment at this end sends it. */
  readonly sends: boolean;
  readonly port: PortKind;
  readonly roles: RoleMap;
}

/** What the ends meet in use, and where. */
export interface Situation {
  readonly surroundings: Surroundings;
  readonly channels: readonly Channel[];
  /** Which channel is meant to reach which, by their places in `channels`. */
  readonly links: readonly { readonly out: number; readonly in: number }[];
  /** What is known better of cable and equipment than from memory. */
  readonly facts?: Partial<Facts>;
  /** What was refused and is done anyway. */
  readonly overruled: readonly { readonly id: string; readonly says: string; readonly hear: string }[];
}

/** The terminal of a role at a channel's end. */
export function roleTerminal(channel: Channel, role: Role): Terminal | undefined {
  const contact = channel.roles[role];
  return contact === undefined ? undefined : contactTerminal(channel.end, contact);
}

/** The pairs of channels that are meant to reach each other. */
export const pairsOf = ({
  channels,
  links,
}: Situation): readonly { readonly out: Channel; readonly in: Channel }[] =>
  links.flatMap((link) => {
    const [out, to] = [channels[link.out], channels[link.in]];
    return out && to ? [{ out, in: to }] : [];
  });
