import { fromPlain, type PlainAnswer } from '../../core/proving';
import { asks, takes, type Route } from '../http';
import { Refused } from '../refused';
import { eventsSchema, giveUpSchema, readingsSchema, recordsSchema, unitSchema } from './bodies';
import { leadEntries, unitEntry } from './entries';
import { knownGood } from './known-good';
import { leadPace, unitPace } from './pace';
import { appendRecords, type UnitRecord } from './records';
import { giveUp, startUnit, unitSheet, unitSince, unitStock } from './service';
import { leadBatch, togetherWith } from './together';
import { sinceToWire, unitToWire } from './wire';

const heard = <T extends { readonly answer: PlainAnswer }>(reading: T) => ({
  ...reading,
  is: 'reading' as const,
  answer: fromPlain(reading.answer),
});

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
  asks('GET', '/api/units/:id/stock', ({ db, params }) => unitStock(db, params.id)),
  takes('POST', '/api/units/:id/give-up', giveUpSchema, ({ db, params, body }) =>
    giveUp(db, params.id, body),
  ),
  asks('GET', '/api/units/:id/entry', ({ db, params }) => unitEntry(db, params.id)),
  asks('GET', '/api/known-good/:id', ({ db, params }) => knownGood(db, params.id)),
  asks('GET', '/api/leads/:id/entries', ({ db, params }) => leadEntries(db, params.id)),
  asks('GET', '/api/leads/:id/pace', ({ db, params }) => leadPace(db, params.id)),
  asks('GET', '/api/leads/:id/batch', ({ db, params, query }) => leadBatch(db, params.id, query)),
  asks('GET', '/api/units/:id/pace', ({ db, params }) => unitPace(db, params.id)),
  asks('GET', '/api/units/:id/together', ({ db, params }) => togetherWith(db, params.id)),
  asks('GET', '/api/units/:id/records', async ({ db, params, query }) =>
    sinceToWire(await unitSince(db, params.id, placeIn(query))),
  ),
  takes('POST', '/api/units/:id/records', recordsSchema, ({ db, params, body }) =>
    appendRecords(
      db,
      params.id,
      body.records.map((record): UnitRecord => (record.is === 'reading' ? heard(record) : record)),
    ),
  ),
  takes('POST', '/api/units/:id/events', eventsSchema, ({ db, params, body }) =>
    appendRecords(
      db,
      params.id,
      body.events.map((event) => ({ is: 'event', ...event })),
    ),
  ),
  takes('POST', '/api/units/:id/readings', readingsSchema, ({ db, params, body }) =>
    appendRecords(db, params.id, body.readings.map(heard)),
  ),
];

/** The place after which what happened is asked for. Errors: 422. */
function placeIn(query: URLSearchParams): number {
  const place = Number(query.get('after') ?? 0);
  if (!Number.isSafeInteger(place) || place < 0)
    throw new Refused(422, [
      { code: 'query.after', says: 'after must be a place: a whole number from 0 up.', path: 'after' },
    ]);
  return place;
}
