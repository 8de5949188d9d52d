import type { ConnectorEntry, ContactPlace } from './entries';

/**
 * Where each contact is, mm from the centre, seen from the mating face or from the solder side, key up.
 * The solder side is the mirror image of the mating face of the same connector unless the entry gives its own.
 */
export function viewOf(connector: ConnectorEntry, side: 'mating' | 'solder'): readonly ContactPlace[] {
  const views = connector.views;
  if (!views) return [];
  if (side === 'mating') return views.mating;
  return views.solder ?? views.mating.map((place) => ({ ...place, x: place.x === 0 ? 0 : -place.x }));
}
