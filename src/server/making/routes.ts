import { asks, takes, type Route } from '../http';
import { jobCuts } from './cuts';
import { heldSchema, heldOnShelf, holdForJob } from './held';
import { cutPaper, jobPaper } from './paper';
import { keepPlan, planSchema } from './plans';
import { jobKit, jobShort, makingSchema, settleMaking } from './service';

/** The addresses of what a job asks for, and of what that takes. */
export const makingRoutes: readonly Route[] = [
  asks('GET', '/api/jobs/:id/kit', ({ db, params }) => jobKit(db, params.id)),
  asks('GET', '/api/jobs/:id/kit.pdf', ({ db, params, query }) => jobPaper(db, params.id, query)),
  asks('GET', '/api/jobs/:id/cuts.pdf', ({ db, params, query }) => cutPaper(db, params.id, query)),
  asks('GET', '/api/jobs/:id/cuts', ({ db, params }) => jobCuts(db, params.id)),
  asks('GET', '/api/jobs/:id/short', ({ db, params }) => jobShort(db, params.id)),
  takes('PUT', '/api/jobs/:id/making', makingSchema, ({ db, params, body }) =>
    settleMaking(db, params.id, body),
  ),
  takes('PUT', '/api/jobs/:id/held', heldSchema, ({ db, params, body }) =>
    holdForJob(db, params.id, body.held),
  ),
  takes('PUT', '/api/jobs/:id/plans', planSchema, ({ db, params, body }) => keepPlan(db, params.id, body)),
  asks('GET', '/api/shelf/held', ({ db }) => heldOnShelf(db)),
];
