import type { QueryClient } from '@tanstack/react-query';
import type { KeptRecord, Outbox } from './outbox';

/** The outbox of each thing that is worked on, by its id. */
export type Outboxes<Of extends KeptRecord> = (client: QueryClient, id: string) => Outbox<Of>;

/** One outbox a window of each thing: what waits is known on every page of it, and sent wherever one goes from it. */
export function outboxes<Of extends KeptRecord>(
  made: (client: QueryClient, id: string) => Outbox<Of>,
): Outboxes<Of> {
  const ofClient = new WeakMap<QueryClient, Map<string, Outbox<Of>>>();
  return (client, id) => {
    const all = ofClient.get(client) ?? new Map<string, Outbox<Of>>();
    ofClient.set(client, all);
    const outbox = all.get(id) ?? made(client, id);
    all.set(id, outbox);
    return outbox;
  };
}
