import { answer, idOf } from '../../../../server/http';
import { exportLead } from '../../../../server/services/files';

export const GET = answer(200, (db, context) => exportLead(db, idOf(context)));
