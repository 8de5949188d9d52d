import { fromPlain } from '../../../../core/proving';
import { answer, idOf, readBody, readingsSchema } from '../../../../server/http';
import { appendReadings } from '../../../../server/services/units';

export const POST = answer(200, async (db, context) => {
  const { readings } = await readBody(context.request, readingsSchema);
  return appendReadings(
    db,
    idOf(context),
    readings.map((reading) => ({ ...reading, answer: fromPlain(reading.answer) })),
  );
});
