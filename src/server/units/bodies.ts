import { array, mixed, object, string } from 'yup';
import { EVENT_KINDS } from '../../core/bench';
import { union } from '../../core/quantity';
import { instant, name, uuid } from '../http/fields';

export const unitSchema = object({
  id: uuid,
  builder: name('The builder', 60),
}).noUnknown();

const eventFields = {
  id: uuid,
  kind: string().oneOf(EVENT_KINDS).required(),
  operation: string().max(120),
  text: string().max(2000),
  at: instant,
};

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

const readingFields = {
  id: uuid,
  probe: string().required().max(2000),
  answer,
  after: string().uuid('must be a UUID'),
  at: instant,
};

const tag = <const Is extends string>(is: Is) =>
  string()
    .oneOf([is] as const)
    .required();
const record = union('is', {
  event: object({ is: tag('event'), ...eventFields }).noUnknown(),
  reading: object({ is: tag('reading'), ...readingFields }).noUnknown(),
});

/** What happened to a unit, at the bench and at the meter, in its order. */
export const recordsSchema = object({ records: array(record).min(1).max(500).required() }).noUnknown();

/** Events alone, as pages of before send them. */
export const eventsSchema = object({
  events: array(object(eventFields).noUnknown()).min(1).max(500).required(),
}).noUnknown();

/** Readings alone, as pages of before send them. */
export const readingsSchema = object({
  readings: array(object(readingFields).noUnknown()).min(1).max(500).required(),
}).noUnknown();
