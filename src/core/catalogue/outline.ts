import type { ConnectorEntry, Turned } from './entries';

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

/** The widest that a connector is, mm; undefined where its outline is not known. */
export const widestOf = ({ outline }: Pick<ConnectorEntry, 'outline'>): number | undefined =>
  outline && Math.max(...outline.map(({ from, to }) => Math.max(from, to)));

/** The widest of a connector’s last piece, where the cable comes out of it: what shrink from there to the jacket passes over, mm. */
export function rearOf({ outline }: Pick<ConnectorEntry, 'outline'>): number | undefined {
  const last = outline?.at(-1);
  return last && Math.max(last.from, last.to);
}
