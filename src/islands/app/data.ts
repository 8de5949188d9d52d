import { QueryClient, useQuery } from '@tanstack/react-query';
import { ApiProblem, ask } from './api';
import { isLive } from './live';

/** What the server sent with the page: addresses with what they answer, or why they do not. */
export type Sent = readonly {
  readonly at: string;
  readonly value?: unknown;
  readonly failed?: { readonly status: number; readonly body: Record<string, unknown> };
}[];

/** How often an address is asked again: soon where it failed, so that a database that was away is noticed coming back, ms. */
const AGAIN_MS = 3_000;
/** Where nobody tells what changes, and where somebody does, ms. */
const DEAF_MS = 4_000;
const LIVE_MS = 120_000;

/** What is known in this window, by its address: what was sent with the page is there from the beginning. */
export function clientWith(sent: Sent): QueryClient {
  const client = new QueryClient({
    defaultOptions: {
      queries: {
        refetchInterval: ({ state }) => (state.error ? AGAIN_MS : isLive() ? LIVE_MS : DEAF_MS),
        refetchOnWindowFocus: true,
        retry: false,
        // What the server said that it has not stands until it says otherwise: nothing blinks.
        retryOnMount: false,
        staleTime: 2_000,
        networkMode: 'always',
      },
      mutations: { networkMode: 'always', retry: false },
    },
  });
  for (const { at, value, failed } of sent)
    if (failed)
      client
        .getQueryCache()
        .build(client, { queryKey: [at] })
        .setState({
          status: 'error',
          error: new ApiProblem(failed.status, (failed.body['problems'] as []) ?? [], failed.body),
          errorUpdatedAt: Date.now(),
        });
    else client.setQueryData([at], value);
  return client;
}

/** How an address is asked, and what it answers is known by. */
export const got = <T>(at: string) => ({
  queryKey: [at] as const,
  queryFn: () => ask<T>('GET', at),
});

/** What an address answers, as it is known here. */
export const useGot = <T>(at: string) => useQuery(got<T>(at));

/** What an address answers, as it is known here and never asked for by this: another part of the page does. */
export const useKnown = <T>(at: string): T | undefined => useQuery({ ...got<T>(at), enabled: false }).data;

/**
 * Puts in what an address answers now, by what the server said to a change. What was asked of it before and is still on its way
 * knows nothing of the change and would take it back on the screen: it is dropped, and asked again.
 */
export function putIn<T>(
  client: QueryClient,
  at: string,
  now: T | ((before: T | undefined) => T | undefined),
): void {
  const asked = client.isFetching({ queryKey: [at] }) > 0;
  if (asked) void client.cancelQueries({ queryKey: [at] });
  client.setQueryData<T>([at], now);
  if (asked) void client.invalidateQueries({ queryKey: [at] });
}
