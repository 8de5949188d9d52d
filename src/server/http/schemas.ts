import { array, mixed, number, object, string } from 'yup';
import { EVENT_KINDS } from '../../core/bench';
import { cableSchema, connectorSchema } from '../../core/catalogue';
import { editSchema } from '../../core/lead';
import { optionalRecord, union, type Shape } from '../../core/quantity';
import { schoolsSchema } from '../../core/wiring';

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

export const jobSchema = object({
  id: uuid,
  name: name('The job', 80),
  note: string().max(400).defined().strict(),
}).noUnknown();

export const newLeadSchema = object({
  id: uuid,
  jobId: uuid,
  name: name('The lead', 80),
  intent: mixed().required(),
  edits: array(editSchema).optional().max(500),
}).noUnknown();

export const savedLeadSchema = object({
  requestId: uuid,
  base: number().required().integer().min(1),
  name: name('The lead', 80),
  intent: mixed(),
  edits: array(editSchema).optional().max(500),
}).noUnknown();

/** Answers to schools by their ids. */
export const houseSchoolsSchema = object({ schools: schoolsSchema.required() }).noUnknown();

export const ownConnectorSchema = object({ entry: connectorSchema.required() }).noUnknown();
export const ownCableSchema = object({ entry: cableSchema.required() }).noUnknown();

export const importSchema = object({
  requestId: uuid,
  document: mixed().required('Choose a file.'),
  mapping: optionalRecord(string().required().max(200), { what: 'What stands for what' }),
}).noUnknown();

export const unitSchema = object({
  id: uuid,
  builder: name('The builder', 60),
}).noUnknown();

const event = object({
  id: uuid,
  kind: string().oneOf(EVENT_KINDS).required(),
  operation: string().max(120),
  text: string().max(2000),
  at,
}).noUnknown();

export const eventsSchema = object({ events: array(event).min(1).max(500).required() }).noUnknown();

const isOhms = (value: unknown): value is number =>
  typeof value === 'number' && value >= 0 && Number.isFinite(value);
const word = <const Kind extends string>(kind: Kind) =>
  object({
    kind: string()
      .oneOf([kind] as const)
      .required(),
  }).noUnknown();

/** What the meter said: ohms, where an open reading is `"OL"`, or a word. */
const answer = union('kind', {
  ohms: object({
    kind: string()
      .oneOf(['ohms'] as const)
      .required(),
    ohms: mixed<number | 'OL'>((value): value is number | 'OL' => value === 'OL' || isOhms(value)).required(
      'must be ohms from 0 up, or "OL"',
    ),
  }).noUnknown(),
  beep: word('beep'),
  silent: word('silent'),
  unsteady: word('unsteady'),
});

const reading = object({
  id: uuid,
  probe: string().required().max(2000),
  answer,
  after: string().uuid('must be a UUID'),
  at,
}).noUnknown();
export type WireReading = Shape<typeof reading>;

/** Readings as they come over the wire. */
export const readingsSchema = object({ readings: array(reading).min(1).max(500).required() }).noUnknown();
