import type { BenchEvent } from '../../src/core/bench';
import type { Database } from '../../src/server/db';
import { appendRecords, type Acknowledged } from '../../src/server/units/records';
import type { StoredReading } from '../../src/server/units/rows';

/** Appends events alone. */
export const appendEvents = (
  db: Database,
  unit: string,
  events: readonly BenchEvent[],
): Promise<Acknowledged> =>
  appendRecords(
    db,
    unit,
    events.map((event) => ({ is: 'event', ...event })),
  );

/** Appends readings alone. */
export const appendReadings = (
  db: Database,
  unit: string,
  readings: readonly StoredReading[],
): Promise<Acknowledged> =>
  appendRecords(
    db,
    unit,
    readings.map((reading) => ({ is: 'reading', ...reading })),
  );
