import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  currencySchema,
  priceList,
  priceSchema,
  putCurrency,
  putPrice,
  putSold,
  soldSchema,
} from '../../src/server/prices/service';
import { leaveDemo } from '../../src/server/demo/service';
import { loadWorld } from '../../demo/load';
import { PRICES, SHELF } from '../../demo/world';
import { recordShelf, shelf } from '../../src/server/shelf/service';
import { inTransaction } from '../../src/server/db';
import { throwawayDatabase } from '../support/database';

let database: Awaited<ReturnType<typeof throwawayDatabase>>;
beforeAll(async () => {
  database = await throwawayDatabase();
});
afterAll(() => database.drop());

describe('the price list', () => {
  it('is empty at first, and keeps a price to its last cent, changed and taken out', async () => {
    expect(await priceList(database.db)).toEqual({ currency: 'EUR', prices: {}, sold: {} });
    await putPrice(database.db, { item: 'label', amount: 0.1 });
    await putPrice(database.db, { item: 'pair-braid', amount: 1.1525 });
    expect(await putPrice(database.db, { item: 'label', amount: 0.3 })).toEqual({
      currency: 'EUR',
      prices: { label: 0.3, 'pair-braid': 1.1525 },
      sold: {},
    });
    await putSold(database.db, { item: 'label', much: 100 });
    expect((await putSold(database.db, { item: 'label', much: 250 })).sold).toEqual({ label: 250 });
    expect((await putSold(database.db, { item: 'label', much: null })).sold).toEqual({});
    expect((await putPrice(database.db, { item: 'label', amount: null })).prices).toEqual({
      'pair-braid': 1.1525,
    });
    expect((await putCurrency(database.db, { currency: 'GBP' })).currency).toBe('GBP');
  });

  it('twenty people at once, each with another thing: no price is lost', async () => {
    const items = Array.from({ length: 20 }, (_, n) => `thing ${n}`);
    await Promise.all(items.map((item, amount) => putPrice(database.db, { item, amount })));
    const { prices } = await priceList(database.db);
    expect(items.map((item) => prices[item])).toEqual(items.map((_, n) => n));
  });

  it.each([
    [priceSchema, { item: '', amount: 1 }, 'item'],
    [priceSchema, { item: 'x', amount: -1 }, 'amount'],
    [priceSchema, { item: 'x', amount: 'much' }, 'amount'],
    [priceSchema, { item: 'x' }, 'amount'],
    [soldSchema, { item: 'x', much: 0 }, 'much'],
    [soldSchema, { item: 'x', much: 1.5 }, 'much'],
    [currencySchema, { currency: 'COIN' }, 'currency'],
  ])('%# is refused at its field', async (schema, body, path) => {
    const refused: unknown = await schema.validate(body, { abortEarly: false }).then(
      () => undefined,
      (error: { inner: { path: string }[] }) => error.inner.map((each) => each.path),
    );
    expect(refused).toContain(path);
  });

  it('leaving the demo takes its prices and its shelf out, and not what was settled or cut since', async () => {
    const demo = await throwawayDatabase();
    await inTransaction(demo.db, loadWorld);
    expect((await priceList(demo.db)).prices).toEqual(PRICES);
    await putPrice(demo.db, { item: 'label', amount: 0.25 });
    const [first, ...others] = (await shelf(demo.db)).pieces;
    expect(others).toHaveLength(SHELF.length - 1);
    const at = '2026-03-03T10:00:00.000Z';
    await recordShelf(demo.db, [{ id: randomUUID(), piece: first?.id ?? '', at, kind: 'cut', amount: 500 }]);
    await leaveDemo(demo.db);
    expect((await shelf(demo.db)).pieces.map(({ id, left }) => [id, left])).toEqual([
      [first?.id, (first?.left ?? 0) - 500],
    ]);
    expect((await priceList(demo.db)).prices).toEqual({ label: 0.25 });
    await demo.drop();
  });
});
