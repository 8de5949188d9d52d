import { boolean, number, object, string } from 'yup';
import { planSchema, recordSchema } from '../bench';
import { ownEntrySchema } from '../catalogue';
import { houseSchema } from '../house';
import { leadSchema } from '../lead';
import { instant, uuid, type Shape } from '../quantity';
import { schemaOf } from './json-schema';

/** The version of exports written today. */
export const EXPORT_VERSION = 1;

const line = <const Is extends string>(is: Is) =>
  string()
    .oneOf([is] as const)
    .required();
const at = { place: number().required().integer(), takenAt: instant() };

/** The lines of a plain export: one for each thing that is kept, by the word in `is`. Those that others refer to come first. */
export const EXPORT_LINES = {
  house: object({ is: line('house'), document: houseSchema.required() }).noUnknown(),
  own: object({ is: line('own'), document: ownEntrySchema }).noUnknown(),
  job: object({
    is: line('job'),
    id: uuid(),
    name: string().required(),
    note: string().defined(),
    away: boolean().required(),
    takenAt: instant(),
  }).noUnknown(),
  lead: object({
    is: line('lead'),
    id: uuid(),
    job: uuid(),
    revision: number().required().integer().min(1),
    away: boolean().required(),
    takenAt: instant(),
  }).noUnknown(),
  revision: object({
    is: line('revision'),
    lead: uuid(),
    revision: number().required().integer().min(1),
    takenAt: instant(),
    document: leadSchema.required(),
  }).noUnknown(),
  unit: object({
    is: line('unit'),
    id: uuid(),
    lead: uuid(),
    revision: number().required().integer().min(1),
    number: number().required().integer().min(1),
    builder: string().required(),
    plan: planSchema.required(),
    takenAt: instant(),
  }).noUnknown(),
  record: object({ is: line('record'), unit: uuid(), ...at, record: recordSchema }).noUnknown(),
} as const;

export type ExportLine = Shape<(typeof EXPORT_LINES)[keyof typeof EXPORT_LINES]>;

/** The first line of an export: what it is, and the JSON Schema of every kind of line in it. */
export const exportHead = (app: string, takenAt: string): Readonly<Record<string, unknown>> => ({
  antler: 'export',
  version: EXPORT_VERSION,
  app,
  takenAt,
  schemas: Object.fromEntries(Object.entries(EXPORT_LINES).map(([is, shape]) => [is, schemaOf(shape)])),
});
export type RecordLine = Shape<typeof recordSchema>;
