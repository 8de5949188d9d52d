import { asks, takes, type Route } from '../http';
import { recordShelf, shelf, shelfEventsSchema } from './service';

/** The addresses of the shelf. */
export const shelfRoutes: readonly Route[] = [
  asks('GET', '/api/shelf', ({ db }) => shelf(db)),
  takes('POST', '/api/shelf', shelfEventsSchema, ({ db, body }) => recordShelf(db, body.events)),
];
