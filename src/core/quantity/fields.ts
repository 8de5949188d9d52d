import { string } from 'yup';

/** An id that whoever made the thing gave it. */
export const uuid = () => string().required().uuid('must be a UUID');

/** An instant, as JSON writes it. */
export const instant = () =>
  string()
    .required()
    .test(
      'instant',
      'must be a time like 2026-03-02T10:00:00.000Z',
      (value) => /^\d{4}-\d\d-\d\dT[\d:.]+Z$/.test(value) && !Number.isNaN(Date.parse(value)),
    );
