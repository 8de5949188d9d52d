import { answer, eventsSchema, idOf, readBody } from '../../../../server/http';
import { appendEvents } from '../../../../server/services/units';

export const POST = answer(200, async (db, context) => {
  const { events } = await readBody(context.request, eventsSchema);
  return appendEvents(db, idOf(context), events);
});
