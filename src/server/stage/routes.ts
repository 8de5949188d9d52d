import { looksSchema } from '../../core/sweep';
import { asks, takes, type Route } from '../http';
import { inputsSchema, setUpSchema, sweepSchema, venueSchema } from './bodies';
import { patchPaper, sweepPlan } from './planned';
import { recordLooks } from './records';
import { beginSweep, keepInputs, keepVenue, setUpSweep, stageOf, sweepOf } from './service';

/** The addresses of stages: by the id of a job its inputs; venues with their lines; sweeps. */
export const stageRoutes: readonly Route[] = [
  asks('GET', '/api/stage/:id', ({ db, params }) => stageOf(db, params.id)),
  takes('PUT', '/api/stage/:id/inputs', inputsSchema, ({ db, params, body }) =>
    keepInputs(db, params.id, body),
  ),
  takes('PUT', '/api/venues', venueSchema, ({ db, body }) => keepVenue(db, body)),
  takes('POST', '/api/sweeps', sweepSchema, ({ db, body }) => beginSweep(db, body), { status: 201 }),
  asks('GET', '/api/sweeps/:id', ({ db, params }) => sweepOf(db, params.id)),
  takes('PUT', '/api/sweeps/:id', setUpSchema, ({ db, params, body }) => setUpSweep(db, params.id, body)),
  takes('POST', '/api/sweeps/:id/looks', looksSchema, ({ db, params, body }) =>
    recordLooks(db, params.id, body.records, body.now),
  ),
  asks('GET', '/api/sweeps/:id/patch', ({ db, params }) => sweepPlan(db, params.id)),
  asks('GET', '/api/sweeps/:id/patch.pdf', ({ db, params, query }) => patchPaper(db, params.id, query)),
];
