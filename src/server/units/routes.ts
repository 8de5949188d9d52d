import { fromPlain } from '../../core/proving';
import { asks, takes, type Route } from '../http';
import { eventsSchema, readingsSchema, unitSchema } from './bodies';
import { appendEvents, appendReadings, startUnit, unitSheet } from './service';
import { unitToWire } from './wire';

/** The addresses of units, and of what happens to them. */
export const unitRoutes: readonly Route[] = [
  takes(
    'POST',
    '/api/leads/:id/units',
    unitSchema,
    async ({ db, params, body }) => unitToWire(await startUnit(db, params.id, body)),
    { status: 201 },
  ),
  asks('GET', '/api/units/:id', async ({ db, params }) => unitToWire(await unitSheet(db, params.id))),
  takes('POST', '/api/units/:id/events', eventsSchema, ({ db, params, body }) =>
    appendEvents(db, params.id, body.events),
  ),
  takes('POST', '/api/units/:id/readings', readingsSchema, ({ db, params, body }) =>
    appendReadings(
      db,
      params.id,
      body.readings.map((reading) => ({ ...reading, answer: fromPlain(reading.answer) })),
    ),
  ),
];
