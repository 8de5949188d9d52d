import { answer, idOf } from '../../../../server/http';
import { unitSheet } from '../../../../server/services/units';
import { unitToWire } from '../../../../server/services/wire';

export const GET = answer(200, async (db, context) => unitToWire(await unitSheet(db, idOf(context))));
