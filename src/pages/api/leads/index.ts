import { answer, newLeadSchema, readBody } from '../../../server/http';
import { createLead } from '../../../server/services/leads';

export const POST = answer(201, async (db, { request }) =>
  createLead(db, await readBody(request, newLeadSchema)),
);
