import { answer, ownCableSchema, readBody } from '../../../../server/http';
import { putCable, removeOwn } from '../../../../server/services/workshop';

export const PUT = answer(200, async (db, { request }) =>
  putCable(db, (await readBody(request, ownCableSchema)).entry),
);
export const DELETE = answer(200, (db, { params }) => removeOwn(db, 'cable', params['entry'] ?? ''));
