import { string } from 'yup';
import * as fields from '../../core/quantity';

/** An id that the client made. */
export const uuid = fields.uuid();

/** What a person calls something: `what` is the thing, with its article; at most `max` characters. */
export const name = (what: string, max: number) =>
  string().required(`${what} needs a name.`).trim().max(max, `Keep it under ${max} characters.`);
