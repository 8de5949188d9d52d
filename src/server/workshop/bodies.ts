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

export const ownConnectorSchema = object({ entry: connectorSchema.required() }).noUnknown();
export const ownCableSchema = object({ entry: cableSchema.required() }).noUnknown();
