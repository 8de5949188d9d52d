import { array, number, object, string } from 'yup';
import { assemblySchema, becauseSchema } from '../assembly';
import { ROLES } from '../catalogue';
import { record, type Shape } from '../quantity';
import { situationSchema } from '../situation';
import { intentSchema, schoolsSchema } from '../wiring';
import { editSchema } from './edits';

/** The version of leads written today. */
export const LEAD_VERSION = 3;

const text = (most: number) => string().required().max(most);

/** Why a lead is as it is: what was offered, asked and decided on the way. */
const whySchema = object({
  /** The recipe that made it; none where a lead was described from what is in the hand. */
  recipe: object({ id: text(60), name: text(120), source: text(300), why: text(1000) })
    .noUnknown()
    .default(undefined)
    .optional(),
  /** What the recipe asks, with the answer that was taken. */
  asks: array(
    object({
      id: text(60),
      question: text(300),
      options: record(string().required().max(200), { what: 'The options' }),
      default: text(60),
      because: text(600),
      answer: text(60),
    }).noUnknown(),
  ).required(),
  reasons: array(becauseSchema).required(),
  /** Roles that are not carried, on purpose, and why. */
  leftOut: array(
    object({
      out: text(40),
      in: text(40),
      role: string().oneOf(ROLES).required(),
      says: text(600),
    }).noUnknown(),
  ).required(),
  /** Edits that could not be made when it was last derived: their places among the edits, and why. */
  lapsed: array(
    object({ edit: number().integer().min(0).required(), says: text(600) }).noUnknown(),
  ).required(),
}).noUnknown();

/**
 * A lead as it is kept and as it travels: what it is for, the schools it is built by, what was changed by hand, what it
 * is, what it meets, and why. **The assembly is the truth**: nothing judges it against what would be derived today.
 */
export const leadSchema = object({
  antler: string()
    .oneOf(['lead'] as const)
    .required(),
  version: number()
    .oneOf([LEAD_VERSION] as const)
    .required(),
  name: string().required('The lead has no name: what you would write on its tape.').max(80),
  /** None where a lead was described from what is in the hand. */
  intent: intentSchema.default(undefined).optional(),
  /** The answer to every school that it is built by. */
  schools: schoolsSchema.required(),
  edits: array(editSchema).max(500).required(),
  assembly: assemblySchema.required(),
  situations: array(situationSchema.required()).max(8).required(),
  because: whySchema.required(),
}).noUnknown();
export type Lead = Shape<typeof leadSchema>;
export type Why = Lead['because'];
