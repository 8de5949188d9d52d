import { answer } from '../../../server/http';
import { workshop } from '../../../server/services/workshop';

export const GET = answer(200, (db) => workshop(db));
