import type { Turned } from './entries';

/** One turned piece of an outline: length, diameter where it begins and where it ends, mm; and the contact it is. */
export const turned = (
  length: number,
  from: number,
  to: number,
  of: Turned['of'],
  contact?: string,
): Turned => ({
  length,
  from,
  to,
  of,
  ...(contact ? { contact } : {}),
});
