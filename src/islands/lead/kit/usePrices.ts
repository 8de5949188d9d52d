import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import type { PriceList } from '../../../server/prices/service';
import { ApiProblem, put, putIn, useGot } from '../../app';

const AT = '/api/prices';
const NONE: PriceList = { currency: 'EUR', prices: {}, sold: {} };

/** A list in which something of one item is another, or is not said any more. */
const withItem = (of: PriceList['prices'], item: string, value: number | null): PriceList['prices'] => {
  const { [item]: _, ...rest } = of;
  return value === null ? rest : { ...rest, [item]: value };
};

/** The house’s price list, and settling a price, by how much something is sold, or the money; `problem`: what was not kept, and why. */
export function usePrices(): PriceList & {
  readonly settle: (item: string, amount: number | null) => void;
  readonly settleSold: (item: string, much: number | null) => Promise<void>;
  readonly settleCurrency: (currency: string) => void;
  readonly problem: string | undefined;
} {
  const client = useQueryClient();
  const known = useGot<PriceList>(AT).data ?? NONE;
  const [problem, setProblem] = useState<string>();
  // One after the other, so that what was typed last is what stands.
  const line = useRef(Promise.resolve());
  const send = async (what: string, path: string, body: unknown): Promise<void> => {
    try {
      putIn(client, AT, await put<PriceList>(path, body));
      setProblem(undefined);
    } catch (error) {
      setProblem(
        `${what} was not kept: ${error instanceof ApiProblem ? error.message : 'the server did not answer.'} Type it again.`,
      );
      await client.invalidateQueries({ queryKey: [AT] });
    }
  };
  const queue = (what: string, path: string, body: unknown, ahead: (now: PriceList) => PriceList): void => {
    putIn<PriceList>(client, AT, (now = NONE) => ahead(now));
    line.current = line.current.then(() => send(what, path, body));
  };
  return {
    ...known,
    settle: (item, amount) =>
      queue('The price', AT, { item, amount }, (now) => ({
        ...now,
        prices: withItem(now.prices, item, amount),
      })),
    settleSold(item, much) {
      queue('By how much it is sold', `${AT}/sold`, { item, much }, (now) => ({
        ...now,
        sold: withItem(now.sold, item, much),
      }));
      return line.current;
    },
    settleCurrency: (currency) =>
      queue('The currency', `${AT}/currency`, { currency }, (now) => ({ ...now, currency })),
    problem,
  };
}
