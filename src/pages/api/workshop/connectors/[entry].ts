import { answer, ownConnectorSchema, readBody } from '../../../../server/http';
import { putConnector, removeOwn } from '../../../../server/services/workshop';

export const PUT = answer(200, async (db, { request }) =>
  putConnector(db, (await readBody(request, ownConnectorSchema)).entry),
);
export const DELETE = answer(200, (db, { params }) => removeOwn(db, 'connector', params['entry'] ?? ''));
