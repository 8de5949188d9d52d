import { string } from 'yup';

/** The id of a body, end, part, span, joint or dressing. */
export const documentId = string()
  .required()
  .max(40)
  .matches(/^[A-Za-z0-9][A-Za-z0-9_-]*$/, 'may hold letters, digits, - and _ only');
