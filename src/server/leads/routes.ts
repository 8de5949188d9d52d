import { asks, takes, type Route } from '../http';
import { awaySchema } from '../jobs/bodies';
import { newLeadSchema, savedLeadSchema } from './bodies';
import { cardPaper } from './card';
import { leadDrawing } from './drawing';
import { drillingPaper, leadDrilling } from './drilling';
import { kitPaper } from './kit-paper';
import { pick, pickSchema } from './picks';
import { leadPlan } from './plan';
import { leadStart } from './start';
import { createLead, exportLead, leadSheet, putLeadAway, removeLead, saveLead } from './service';

/** The addresses of leads. */
export const leadRoutes: readonly Route[] = [
  takes('POST', '/api/leads', newLeadSchema, ({ db, body }) => createLead(db, body), { status: 201 }),
  asks('GET', '/api/leads/:id', ({ db, params }) => leadSheet(db, params.id)),
  takes('PUT', '/api/leads/:id', savedLeadSchema, ({ db, params, body }) => saveLead(db, params.id, body)),
  takes('PUT', '/api/leads/:id/away', awaySchema, ({ db, params, body }) =>
    putLeadAway(db, params.id, body.away),
  ),
  takes('PUT', '/api/leads/:id/picks', pickSchema, ({ db, params, body }) => pick(db, params.id, body)),
  asks('DELETE', '/api/leads/:id', ({ db, params }) => removeLead(db, params.id)),
  asks('GET', '/api/leads/:id/plan', ({ db, params }) => leadPlan(db, params.id)),
  asks('GET', '/api/leads/:id/drawing.pdf', ({ db, params, query }) =>
    leadDrawing(db, params.id, 'pdf', query),
  ),
  asks('GET', '/api/leads/:id/kit.pdf', ({ db, params, query }) => kitPaper(db, params.id, query)),
  asks('GET', '/api/leads/:id/card.pdf', ({ db, params, query }) => cardPaper(db, params.id, query)),
  asks('GET', '/api/leads/:id/drilling', ({ db, params, query }) => leadDrilling(db, params.id, query)),
  asks('GET', '/api/leads/:id/drilling.pdf', ({ db, params, query }) => drillingPaper(db, params.id, query)),
  asks('GET', '/api/leads/:id/drawing.svg', ({ db, params, query }) =>
    leadDrawing(db, params.id, 'svg', query),
  ),
  asks('GET', '/api/start', ({ db }) => leadStart(db)),
  asks('GET', '/api/leads/:id/export', ({ db, params }) => exportLead(db, params.id)),
];
