import type { Terminal } from '../assembly';
import type { Role } from '../catalogue';
import type { LeftOut, Partner } from './carried';
import { roleTerminal, type Channel, type ChannelPair, type Situation } from './situation';

/** A role of a channel, where it is. */
export interface RolePlace {
  readonly channel: Channel;
  readonly role: Role;
  readonly at: Terminal;
}

/** One role of a link, on its way. */
export interface OfLink extends Partner {
  readonly pair: ChannelPair;
}

/** One way in which the nets of a lead are not what its situation asks of them. */
export type Miswiring =
  /** A role that gets nowhere, or elsewhere: then `lands` is where. */
  | ({ readonly is: 'open'; readonly lands?: RolePlace } & OfLink)
  /** Two roles of one link that arrive in each other’s place. */
  | { readonly is: 'crossed'; readonly pair: ChannelPair; readonly legs: readonly [Partner, Partner] }
  /** Two links whose roles arrive in each other’s place: all of them, or some. */
  | {
      readonly is: 'exchanged';
      readonly pairs: readonly [ChannelPair, ChannelPair];
      readonly legs: readonly (readonly [Partner, Partner])[];
      /** Whether every role of both is. */
      readonly whole: boolean;
    }
  /** Two roles on one net that are not meant to meet. */
  | { readonly is: 'joined'; readonly one: RolePlace; readonly other: RolePlace }
  /** The signals of two outputs on one net. */
  | { readonly is: 'outputs'; readonly one: RolePlace; readonly other: RolePlace }
  /** A contact that nothing is meant to be on, on the net of a role, or with a part or a core on it. */
  | { readonly is: 'stray'; readonly contact: Terminal; readonly with?: RolePlace }
  /** One contact for two signals. */
  | { readonly is: 'twice'; readonly one: RolePlace; readonly other: RolePlace }
  /** A screen that was to be left open, and is not. */
  | ({ readonly is: 'closed'; readonly left: LeftOut } & OfLink);

const GROUNDS: ReadonlySet<Role> = new Set(['screen', 'return', 'earth']);
/** Whether a role is of the signal, and not what it is measured against. */
export const isLive = (role: Role): boolean => !GROUNDS.has(role);

const ROLE_ORDER: readonly Role[] = ['hot', 'plus', 'cold', 'minus', 'supply', 'return', 'screen', 'earth'];
/** In which order roles on one net are told: the livest first. */
export const rank = ({ role }: RolePlace): number => ROLE_ORDER.indexOf(role);

/**
 * The role that a net is to whoever touches it: a signal before a ground, and a ground before a cold leg, which is ground
 * where it is joined to one.
 */
export const foremostOn = (places: readonly RolePlace[]): RolePlace | undefined =>
  places.find(({ role }) => isLive(role) && role !== 'cold') ??
  places.find(({ role }) => !isLive(role)) ??
  places[0];

/** Every role of every channel, where it is. */
export const rolePlaces = (situation: Situation): readonly RolePlace[] =>
  situation.channels.flatMap((channel) =>
    ROLE_ORDER.flatMap((role): readonly RolePlace[] => {
      const at = roleTerminal(channel, role);
      return at === undefined ? [] : [{ channel, role, at }];
    }),
  );
