import { asks, takes, type Route } from '../http';
import { jobCuts } from './job-cuts';
import { recordShelf, shelf, shelfEventsSchema } from './service';

/** The addresses of the shelf. */
export const shelfRoutes: readonly Route[] = [
  asks('GET', '/api/shelf', ({ db }) => shelf(db)),
  asks('GET', '/api/jobs/:id/cuts', ({ db, params }) => jobCuts(db, params.id)),
  takes('POST', '/api/shelf', shelfEventsSchema, ({ db, body }) => recordShelf(db, body.events)),
];
