import { array, number, object, string } from 'yup';
import { setUpSchema } from '../../core/bench';
import { cuttingSchema } from '../../core/house';
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

/** How long it takes to lay hands on each tool that was timed: all of them at once. */
export const houseSetUpsSchema = object({
  setUps: array(setUpSchema.required()).max(40).required('Say what was timed; an empty list is nothing.'),
}).noUnknown();

/** How the house cuts. */
export const houseCuttingSchema = object({ cutting: cuttingSchema.required() }).noUnknown();

/** Below how much of an item it is to be bought; nothing forgets it. */
export const houseLevelSchema = object({
  item: string().required('Say which item.').max(120),
  name: string().required('Say what it is called.').max(120),
  unit: string()
    .oneOf(['mm', 'pieces'] as const, 'It is counted in mm or pieces.')
    .required('Say how it is counted.'),
  least: number()
    .typeError('Give how much.')
    .moreThan(0, 'A level is more than 0.')
    .max(1e8, 'That is more than any shelf holds: check the unit.')
    .nullable()
    .defined('Say how much, or null to forget it.'),
}).noUnknown();
