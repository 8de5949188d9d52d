import { answer, idOf, readBody, unitSchema } from '../../../../server/http';
import { startUnit } from '../../../../server/services/units';
import { unitToWire } from '../../../../server/services/wire';

export const POST = answer(201, async (db, context) =>
  unitToWire(await startUnit(db, idOf(context), await readBody(context.request, unitSchema))),
);
