import { object, string } from 'yup';
import { cableSchema, connectorSchema } from '../../core/catalogue';
import { instrumentSchema } from '../../core/proving';
import { schoolsSchema } from '../../core/wiring';

/** Answers to schools by their ids. */
export const houseSchoolsSchema = object({ schools: schoolsSchema.required() }).noUnknown();

/** The house's meter, and where it is plugged in; what is not said is not so any more. */
export const houseMeterSchema = object({
  meter: instrumentSchema.optional().default(undefined),
  plug: string().max(300),
}).noUnknown();

/** What the house has for a tool; nothing forgets it. */
export const houseToolSchema = object({
  id: string().required('Say which tool.').max(60),
  ours: string()
    .trim()
    .max(80, 'Say it in 80 letters at the most.')
    .nullable()
    .defined('Say what the house has for it, or null to forget it.'),
}).noUnknown();

export const ownConnectorSchema = object({ entry: connectorSchema.required() }).noUnknown();
export const ownCableSchema = object({ entry: cableSchema.required() }).noUnknown();
