import { asks, takes, type Route } from '../http';
import { jobCuts } from './cuts';
import { jobPaper } from './paper';
import { jobKit, jobShort, makingSchema, settleMaking } from './service';

/** The addresses of what a job asks for, and of what that takes. */
export const makingRoutes: readonly Route[] = [
  asks('GET', '/api/jobs/:id/kit', ({ db, params }) => jobKit(db, params.id)),
  asks('GET', '/api/jobs/:id/kit.pdf', ({ db, params, query }) => jobPaper(db, params.id, query)),
  asks('GET', '/api/jobs/:id/cuts', ({ db, params }) => jobCuts(db, params.id)),
  asks('GET', '/api/jobs/:id/short', ({ db, params }) => jobShort(db, params.id)),
  takes('PUT', '/api/jobs/:id/making', makingSchema, ({ db, params, body }) =>
    settleMaking(db, params.id, body),
  ),
];
