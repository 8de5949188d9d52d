import { answer, jobSchema, readBody } from '../../../server/http';
import { createJob } from '../../../server/services/leads';

export const POST = answer(201, async (db, { request }) => createJob(db, await readBody(request, jobSchema)));
