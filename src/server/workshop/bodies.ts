import { object } from 'yup';
import { cableSchema, connectorSchema } from '../../core/catalogue';
import { schoolsSchema } from '../../core/wiring';

/** Answers to schools by their ids. */
export const houseSchoolsSchema = object({ schools: schoolsSchema.required() }).noUnknown();

export const ownConnectorSchema = object({ entry: connectorSchema.required() }).noUnknown();
export const ownCableSchema = object({ entry: cableSchema.required() }).noUnknown();
