import { array, mixed, number, object, string, type ObjectSchema } from 'yup';
import { EVENT_KINDS, type BenchEvent } from '../../core/bench';
import { cableSchema, connectorSchema, type CableEntry, type ConnectorEntry } from '../../core/catalogue';
import type { Mapping } from '../../core/formats';
import type { Schools } from '../../core/wiring';
import type { ImportWanted } from '../services/files';
import type { StoredReading } from '../repositories/units';
import type { PlainAnswer } from '../../core/proving';
import type { NewLead, SavedLead } from '../services/leads';

const uuid = string().required().uuid('must be a UUID');
const name = (what: string, max: number) =>
  string().required(`${what} needs a name.`).trim().max(max, `Keep it under ${max} characters.`);
const at = string()
  .required()
  .test(
    'instant',
    'must be a time like 2026-03-02T10:00:00.000Z',
    (value) => /^\d{4}-\d\d-\d\dT[\d:.]+Z$/.test(value) && !Number.isNaN(Date.parse(value)),
  );

export const jobSchema: ObjectSchema<{ id: string; name: string; note: string }> = object({
  id: uuid,
  name: name('The job', 80),
  note: string().max(400).defined().strict(),
}).noUnknown();

export const newLeadSchema = object({
  id: uuid,
  jobId: uuid,
  name: name('The lead', 80),
  intent: mixed().required(),
}).noUnknown() as unknown as ObjectSchema<NewLead>;

export const savedLeadSchema = object({
  requestId: uuid,
  base: number().required().integer().min(1),
  name: name('The lead', 80),
  intent: mixed().required(),
}).noUnknown() as unknown as ObjectSchema<SavedLead>;

/** Answers to schools by their ids. */
export const schoolsSchema = object({
  schools: mixed<Schools>().required(),
}).noUnknown() as unknown as ObjectSchema<{
  schools: Schools;
}>;

export const ownConnectorSchema = object({
  entry: connectorSchema.required(),
}).noUnknown() as unknown as ObjectSchema<{
  entry: ConnectorEntry;
}>;
export const ownCableSchema = object({
  entry: cableSchema.required(),
}).noUnknown() as unknown as ObjectSchema<{
  entry: CableEntry;
}>;

export const importSchema = object({
  requestId: uuid,
  document: mixed().required('Choose a file.'),
  mapping: mixed<Mapping>(),
}).noUnknown() as unknown as ObjectSchema<ImportWanted>;

export const unitSchema: ObjectSchema<{ id: string; builder: string }> = object({
  id: uuid,
  builder: name('The builder', 60),
}).noUnknown();

export const eventsSchema = object({
  events: array(
    object({
      id: uuid,
      kind: string().oneOf(EVENT_KINDS).required(),
      operation: string().max(120),
      text: string().max(2000),
      at,
    }).noUnknown(),
  )
    .min(1)
    .max(500)
    .required(),
}).noUnknown() as unknown as ObjectSchema<{ events: BenchEvent[] }>;

const answer = object({
  kind: string().oneOf(['ohms', 'beep', 'silent', 'unsteady']).required(),
  ohms: mixed().when('kind', {
    is: 'ohms',
    then: (schema) =>
      schema
        .required()
        .test(
          'ohms',
          'must be ohms from 0 up, or "OL"',
          (value) => value === 'OL' || (typeof value === 'number' && value >= 0 && Number.isFinite(value)),
        ),
    otherwise: (schema) => schema.test('none', 'goes with ohms only', (value) => value === undefined),
  }),
}).noUnknown();

/** Readings as they come over the wire, where an open one is `"OL"`. */
export const readingsSchema = object({
  readings: array(
    object({ id: uuid, probe: string().required().max(2000), answer: answer.required(), at }).noUnknown(),
  )
    .min(1)
    .max(500)
    .required(),
}).noUnknown() as unknown as ObjectSchema<{ readings: WireReading[] }>;

export interface WireReading extends Omit<StoredReading, 'answer'> {
  readonly answer: PlainAnswer;
}
