import type { Role } from '../../catalogue';
import { sayChannel, type Channel, type ChannelPair, type RolePlace } from '../../situation';

const ROLE_WORDS: Readonly<Record<Role, string>> = {
  hot: 'hot',
  cold: 'cold',
  screen: 'screen',
  return: 'return',
  plus: '+',
  minus: '−',
  supply: 'supply',
  earth: 'earth',
};

/** A role as it is said at the bench: “hot”, “+”. */
export const sayRole = (role: Role): string => ROLE_WORDS[role];
/** A role of a channel: “the hot of A left”. */
export const sayOf = ({ channel, role }: Pick<RolePlace, 'channel' | 'role'>): string =>
  `the ${sayRole(role)} of ${sayChannel(channel)}`;
/** A link by its two sides: “A left and B”. */
export const sayBetween = ({ out, in: into }: ChannelPair): string =>
  `${sayChannel(out)} and ${sayChannel(into)}`;
/** Roles in a row: “hot and cold”. */
export const sayRoles = (roles: readonly Role[]): string =>
  new Intl.ListFormat('en').format(roles.map(sayRole));

/** Whether a channel is of a loudspeaker line. */
export const isLoudspeaker = ({ roles }: Channel): boolean => roles.plus !== undefined;
