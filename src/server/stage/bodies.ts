import { boolean, number, object, string } from 'yup';
import { instant } from '../../core/quantity';
import { inputListSchema, plugSchema, venueLinesSchema } from '../../core/sweep';
import { name, uuid } from '../http/fields';

/** The revision that a change was made on top of. */
const base = number().integer().min(0).required();

export const venueSchema = object({
  id: uuid,
  /** 0 where it is new. */
  base,
  name: name('The venue', 80),
  lines: venueLinesSchema,
}).noUnknown();

export const inputsSchema = object({
  base,
  list: inputListSchema.required('Send the list.'),
}).noUnknown();

export const sweepSchema = object({
  id: uuid,
  jobId: uuid,
  venueId: uuid,
  by: string().trim().required('Say who sweeps.').max(80),
  at: instant(),
}).noUnknown();

/** What a sweep is done with: the plug, the supply, and whether what was good the last time counts as good. */
export const setUpSchema = object({
  plug: plugSchema.required('Say what is plugged in.'),
  trusts: boolean().required().strict(),
}).noUnknown();
