import { CABLES, CONNECTORS, type CableEntry, type ConnectorEntry } from '../../core/catalogue';
import { NEW_HOUSE } from '../../core/house';
import type { Intent } from '../../core/wiring';
import type { Workshop } from '../../server/workshop/service';
import { useGot } from './data';

const NOTHING: Workshop = { ...NEW_HOUSE, connectors: [], cables: [], sockets: [] };

/** Where the workshop is asked for. */
export const WORKSHOP = '/api/workshop';

/** The workshop's own: house schools, connectors and cables. Empty until the server has answered. */
export function useWorkshop(): Workshop {
  const { data } = useGot<Workshop>(WORKSHOP);
  return data ?? NOTHING;
}

export interface Palette {
  readonly connectors: readonly ConnectorEntry[];
  readonly cables: readonly CableEntry[];
}

/** What can be chosen from: the workshop's own, what the lead carries already, and the catalogue. */
export function paletteOf({ connectors, cables }: Workshop, intent: Intent): Palette {
  const first = <T extends { readonly id: string }>(entries: readonly T[]): readonly T[] =>
    entries.filter((entry, n) => entries.findIndex((each) => each.id === entry.id) === n);
  return {
    connectors: first([...(intent.own?.connectors ?? []), ...connectors, ...CONNECTORS]),
    cables: first([...(intent.own?.cables ?? []), ...cables, ...CABLES]),
  };
}

/** The intent with those of the workshop's own that it names embedded in it, and no others. */
export function embedded(intent: Intent, { connectors, cables }: Palette): Intent {
  const families = new Set([...intent.from, ...intent.to].map((end) => end.family));
  const own = {
    connectors: connectors.filter(
      (entry) => families.has(entry.family) && !CONNECTORS.some((each) => each.id === entry.id),
    ),
    cables: cables.filter(
      (entry) => entry.id === intent.cable && !CABLES.some((each) => each.id === entry.id),
    ),
  };
  const { own: _, ...rest } = intent;
  const kept = {
    ...(own.connectors.length > 0 ? { connectors: own.connectors } : {}),
    ...(own.cables.length > 0 ? { cables: own.cables } : {}),
  };
  return Object.keys(kept).length === 0 ? rest : { ...rest, own: kept };
}
