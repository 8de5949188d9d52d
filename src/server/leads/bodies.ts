import { array, mixed, number, object } from 'yup';
import { editSchema } from '../../core/lead';
import { name, uuid } from '../http/fields';

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
  after: array(uuid).optional().max(500),
  name: name('The lead', 80),
  intent: mixed(),
  edits: array(editSchema).optional().max(500),
}).noUnknown();
