import { boolean, mixed, object, string } from 'yup';
import { optionalRecord } from '../../core/quantity';
import { name, uuid } from '../http/fields';

export const jobSchema = object({
  id: uuid,
  name: name('The job', 80),
  note: string().max(400).defined().strict(),
}).noUnknown();

export const importSchema = object({
  requestId: uuid,
  document: mixed().required('Choose a file.'),
  mapping: optionalRecord(string().required().max(200), { what: 'What stands for what' }),
}).noUnknown();

/** Whether something is put away. */
export const awaySchema = object({ away: boolean().required().strict() }).noUnknown();
