import { answer, idOf, readBody, savedLeadSchema } from '../../../../server/http';
import { leadSheet, removeLead, saveLead } from '../../../../server/services/leads';

export const GET = answer(200, (db, context) => leadSheet(db, idOf(context)));
export const PUT = answer(200, async (db, context) =>
  saveLead(db, idOf(context), await readBody(context.request, savedLeadSchema)),
);
export const DELETE = answer(200, (db, context) => removeLead(db, idOf(context)));
