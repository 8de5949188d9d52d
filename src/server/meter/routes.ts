import { boolean, object, string } from 'yup';
import { takes, type Route } from '../http';
import { METER_MODES } from './line';
import { liveReading } from './service';

const readingSchema = object({
  /** The window that measures. */
  owner: string().uuid().required(),
  mode: string().oneOf(METER_MODES).required(),
  /** Whether it takes the meter from the window that has it. */
  take: boolean(),
}).noUnknown();

/** The address of the meter that is plugged in. */
export const meterRoutes: readonly Route[] = [
  // It records nothing: nobody is told.
  takes('POST', '/api/meter/reading', readingSchema, ({ db, body }) => liveReading(db, body), {
    tells: false,
  }),
];
