import { answer, readBody, schoolsSchema } from '../../../server/http';
import { putSchools } from '../../../server/services/workshop';

export const PUT = answer(200, async (db, { request }) =>
  putSchools(db, (await readBody(request, schoolsSchema)).schools),
);
