import { string } from 'yup';

/** An id that the client made. */
export const uuid = string().required().uuid('must be a UUID');

/** What a person calls something: `what` is the thing, with its article; at most `max` characters. */
export const name = (what: string, max: number) =>
  string().required(`${what} needs a name.`).trim().max(max, `Keep it under ${max} characters.`);

/** An instant, as JSON writes it. */
export const instant = string()
  .required()
  .test(
    'instant',
    'must be a time like 2026-03-02T10:00:00.000Z',
    (value) => /^\d{4}-\d\d-\d\dT[\d:.]+Z$/.test(value) && !Number.isNaN(Date.parse(value)),
  );
