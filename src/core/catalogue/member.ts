import { number, string } from 'yup';

/** The id of an entry of the catalogue. */
export const entryId = string()
  .required()
  .matches(/^[a-z0-9][a-z0-9-]*$/, 'must be lower-case letters, digits and dashes');
/** What an entry or a contact is called. */
export const entryName = string().required().max(120);
/** Contact and conductor ids stand in terminal names, so they may not hold the signs that those are split at. */
export const memberId = string()
  .required()
  .matches(/^[A-Za-z0-9+_-][A-Za-z0-9+._-]*$/, 'may hold letters, digits, + . _ and - only')
  .max(40);
/** A size, a resistance, a temperature: more than nothing. */
export const positive = number().positive().max(1e9);
/** Where a figure comes from: a published source, common practice, from memory, nominal (to be measured), or the user. */
export const source = string().required().max(300);
