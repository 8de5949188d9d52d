import { answer, readBody, houseSchoolsSchema } from '../../../server/http';
import { putSchools } from '../../../server/services/workshop';

export const PUT = answer(200, async (db, { request }) =>
  putSchools(db, (await readBody(request, houseSchoolsSchema)).schools),
);
