import type { Role } from './types';

export type RoleMap = Readonly<Partial<Record<Role, string>>>;

/**
 * Which contact carries which role, by connector family and kind of signal.
 * XLR: AES14 (1 screen, 2 hot, 3 cold). TRS balanced and unbalanced plugs: common practice.
 */
const ROLE_CONTACTS: Readonly<
  Record<string, { readonly balanced?: RoleMap; readonly unbalanced?: RoleMap }>
> = {
  xlr3: { balanced: { screen: '1', hot: '2', cold: '3' } },
  trs635: { balanced: { hot: 'T', cold: 'R', screen: 'S' } },
  ts635: { unbalanced: { hot: 'T', return: 'S' } },
  phono: { unbalanced: { hot: 'C', return: 'K' } },
};

/** The contacts for a signal on this family of connector, or undefined where it does not go on it. */
export const roleContacts = (family: string, balanced: boolean): RoleMap | undefined =>
  ROLE_CONTACTS[family]?.[balanced ? 'balanced' : 'unbalanced'];

/** Names of the families the intent sentence offers. */
export const FAMILY_NAMES: Readonly<Record<string, string>> = {
  xlr3: 'XLR',
  trs635: '6.35 TRS',
  ts635: '6.35 TS',
  phono: 'phono',
};
