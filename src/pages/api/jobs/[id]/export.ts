import { answer, idOf } from '../../../../server/http';
import { exportJob } from '../../../../server/services/files';

export const GET = answer(200, (db, context) => exportJob(db, idOf(context)));
