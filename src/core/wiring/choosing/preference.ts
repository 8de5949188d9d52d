import { array, number, object, string } from 'yup';
import { optionalRecord, readShape, type Result, type Shape } from '../../quantity';

/** The version of what a workshop prefers and pays, as it is written today. */
export const PREFERENCE_VERSION = 1;

/** What the workshop has, likes and pays. */
export const preferenceSchema = object({
  version: number()
    .oneOf([PREFERENCE_VERSION] as const, 'Written by another version of Antler.')
    .required(),
  /** Cables and connectors, by id, that are taken where nothing speaks against them, the likeliest first. */
  prefers: array(string().required().max(60)).max(400).optional(),
  /** What they cost, by id: a metre of cable or tubing, or a piece; in whatever money. */
  prices: optionalRecord(number().required('Give each price as a number.').min(0).max(1e6), {
    what: 'The prices',
  }),
}).noUnknown();

/** What a workshop has, likes and pays: nothing of it has to be said. */
export type Preference = Partial<Omit<Shape<typeof preferenceSchema>, 'version'>>;

/** Reads what a workshop prefers. Errors: each at its field. */
export const readPreference = (document: unknown): Result<Preference> =>
  readShape(preferenceSchema, document);
