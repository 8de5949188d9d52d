import { array, object } from 'yup';
import { eventFields, readingFields, recordSchema } from '../../core/bench';
import { instant } from '../../core/quantity';
import { name, uuid } from '../http/fields';

export const unitSchema = object({
  id: uuid,
  builder: name('The builder', 60),
}).noUnknown();

/** Giving a unit up: why, and what of what it took goes back to the shelf. */
export const giveUpSchema = object({
  event: uuid,
  why: name('Why', 200),
  back: array(uuid).max(200).required('Say what goes back; an empty list is nothing.'),
  at: instant(),
}).noUnknown();

/** What happened to a unit, at the bench and at the meter, in its order. */
export const recordsSchema = object({ records: array(recordSchema).min(1).max(500).required() }).noUnknown();

/** Events alone, as pages of before send them. */
export const eventsSchema = object({
  events: array(object(eventFields).noUnknown()).min(1).max(500).required(),
}).noUnknown();

/** Readings alone, as pages of before send them. */
export const readingsSchema = object({
  readings: array(object(readingFields).noUnknown()).min(1).max(500).required(),
}).noUnknown();
