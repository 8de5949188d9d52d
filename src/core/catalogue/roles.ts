/** What a conductor carries or a contact is for. Roles, not contact numbers, are the truth of a lead. */
export const ROLES = ['hot', 'cold', 'screen', 'return', 'plus', 'minus', 'supply', 'earth'] as const;
export type Role = (typeof ROLES)[number];
