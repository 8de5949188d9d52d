import { asks, takes, type Route } from '../http';
import {
  currencySchema,
  priceList,
  priceSchema,
  putCurrency,
  putPrice,
  putSold,
  soldSchema,
} from './service';

/** The addresses of the price list. */
export const priceRoutes: readonly Route[] = [
  asks('GET', '/api/prices', ({ db }) => priceList(db)),
  takes('PUT', '/api/prices', priceSchema, ({ db, body }) => putPrice(db, body)),
  takes('PUT', '/api/prices/sold', soldSchema, ({ db, body }) => putSold(db, body)),
  takes('PUT', '/api/prices/currency', currencySchema, ({ db, body }) => putCurrency(db, body)),
];
