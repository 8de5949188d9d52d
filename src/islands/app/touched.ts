import type { Query, QueryClient } from '@tanstack/react-query';

/** The addresses of which something that changed is told. */
const SHOWN_IN: Readonly<Record<string, readonly string[]>> = {
  units: ['/api/units', '/api/leads', '/api/board', '/api/jobs'],
  leads: ['/api/leads', '/api/board', '/api/jobs'],
  jobs: ['/api/leads', '/api/board', '/api/jobs'],
  demo: ['/api/leads', '/api/units', '/api/board'],
  workshop: ['/api/workshop', '/api/start'],
  prices: ['/api/prices'],
  shelf: ['/api/shelf', '/api/jobs'],
  stage: ['/api/stage', '/api/sweeps'],
  venues: ['/api/stage', '/api/sweeps'],
  sweeps: ['/api/sweeps', '/api/stage'],
};

/** Whether what is known of an address may be another, now that this changed: `units 3f…`, `all`. */
export function touches(topic: string, at: string): boolean {
  const [kind = '', id] = topic.split(' ');
  const shown = SHOWN_IN[kind];
  if (!shown) return true;
  if (!shown.some((prefix) => at.startsWith(prefix))) return false;
  // What lies on the bench together is of several units.
  if (kind === 'units' && at.endsWith('/together')) return true;
  // Of another lead or unit nothing changed.
  const own = `/api/${kind}/`;
  return !id || !at.startsWith(own) || at.startsWith(own + id);
}

/** What is taken out in this window: nothing is asked after it any more, nor after what belongs to it. */
const gone = new Set<string>();
export const forget = (at: string): void => void gone.add(at);
/** It could not be taken out after all. */
export const remember = (at: string): void => void gone.delete(at);
const isGone = (at: string): boolean => [...gone].some((each) => at === each || at.startsWith(`${each}/`));

/** Whether what a query knows may be another, now that these changed. */
export const isTouched =
  (topics: readonly string[]) =>
  ({ queryKey }: Query): boolean =>
    !isGone(String(queryKey[0])) && topics.some((topic) => touches(topic, String(queryKey[0])));

/**
 * These changed: what is shown of them is asked for again, and the rest when it is shown. What is just being asked for the first time may
 * have been answered before the change, and would pass for new: that answer is let go.
 */
export async function changed(client: QueryClient, topics: readonly string[]): Promise<void> {
  const touched = isTouched(topics);
  const first = client
    .getQueryCache()
    .findAll({ fetchStatus: 'fetching', predicate: touched })
    .filter(({ state }) => state.data === undefined);
  void client.invalidateQueries({ predicate: touched });
  await Promise.all(
    first.map(async ({ queryKey }) => {
      await client.cancelQueries({ queryKey, exact: true });
      await client.refetchQueries({ queryKey, exact: true, type: 'active' });
    }),
  );
}
