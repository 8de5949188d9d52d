import { asks, FILE_LIMIT, takes, type Route } from '../http';
import { awaySchema, importSchema, jobSchema } from './bodies';
import { createJob, exportJob, importInto, jobNames, putJobAway, removeJob } from './service';

/** The addresses of jobs. */
export const jobRoutes: readonly Route[] = [
  asks('GET', '/api/jobs', ({ db }) => jobNames(db)),
  takes('POST', '/api/jobs', jobSchema, ({ db, body }) => createJob(db, body), { status: 201 }),
  takes('PUT', '/api/jobs/:id/away', awaySchema, ({ db, params, body }) =>
    putJobAway(db, params.id, body.away),
  ),
  asks('DELETE', '/api/jobs/:id', ({ db, params }) => removeJob(db, params.id)),
  asks('GET', '/api/jobs/:id/export', ({ db, params }) => exportJob(db, params.id)),
  takes(
    'POST',
    '/api/jobs/:id/import',
    importSchema,
    ({ db, params, body }) => importInto(db, params.id, body),
    { status: 201, limit: FILE_LIMIT },
  ),
];
