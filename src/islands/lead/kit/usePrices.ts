import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import type { PriceList } from '../../../server/prices/service';
import { ApiProblem, put, useGot } from '../../app';

const AT = '/api/prices';
const NONE: PriceList = { currency: 'EUR', prices: {} };

const withPrice = ({ currency, prices }: PriceList, item: string, amount: number | null): PriceList => {
  const { [item]: _, ...rest } = prices;
  return { currency, prices: amount === null ? rest : { ...rest, [item]: amount } };
};

/** The house’s price list, and settling a price or the money; `problem`: what was not kept, and why. */
export function usePrices(): PriceList & {
  readonly settle: (item: string, amount: number | null) => void;
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
      client.setQueryData<PriceList>([AT], await put<PriceList>(path, body));
      setProblem(undefined);
    } catch (error) {
      setProblem(
        `${what} was not kept: ${error instanceof ApiProblem ? error.message : 'the server did not answer.'} Type it again.`,
      );
      await client.invalidateQueries({ queryKey: [AT] });
    }
  };
  const queue = (what: string, path: string, body: unknown, ahead: (now: PriceList) => PriceList): void => {
    client.setQueryData<PriceList>([AT], (now = NONE) => ahead(now));
    line.current = line.current.then(() => send(what, path, body));
  };
  return {
    ...known,
    settle: (item, amount) => queue('The price', AT, { item, amount }, (now) => withPrice(now, item, amount)),
    settleCurrency: (currency) =>
      queue('The currency', `${AT}/currency`, { currency }, (now) => ({ ...now, currency })),
    problem,
  };
}
