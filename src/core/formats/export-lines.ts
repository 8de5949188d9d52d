import { boolean, number, object, string } from 'yup';
import { planSchema, recordSchema } from '../bench';
import { ownEntrySchema } from '../catalogue';
import { houseSchema } from '../house';
import { leadSchema } from '../lead';
import { instant, uuid, type Shape } from '../quantity';
import { shelfEventSchema } from '../stock';
import { inputListSchema, lookSchema, plugSchema, venueLinesSchema } from '../sweep';
import { schemaOf } from './json-schema';

/** The version of exports written today. */
export const EXPORT_VERSION = 1;

const line = <const Is extends string>(is: Is) =>
  string()
    .oneOf([is] as const)
    .required();
const count = () => number().required().integer().min(0);
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
  /** How many of a lead its job asks for. */
  asked: object({ is: line('asked'), lead: uuid(), count: count(), pairs: boolean().required() }).noUnknown(),
  /** A line of a lead’s kit: laid out, had already, or left out. */
  pick: object({
    is: line('pick'),
    lead: uuid(),
    line: string().required(),
    state: string().required(),
  }).noUnknown(),
  /** What a metre, or one, costs; and by how much it is sold at once, mm or pieces. */
  price: object({ is: line('price'), item: string().required(), amount: number().required() }).noUnknown(),
  sold: object({ is: line('sold'), item: string().required(), much: count() }).noUnknown(),
  currency: object({ is: line('currency'), currency: string().required() }).noUnknown(),
  /** What happened to a piece of the shelf, in its order. */
  shelf: object({ is: line('shelf'), takenAt: instant(), event: shelfEventSchema.required() }).noUnknown(),
  venue: object({
    is: line('venue'),
    id: uuid(),
    name: string().required(),
    lines: venueLinesSchema,
  }).noUnknown(),
  inputs: object({ is: line('inputs'), job: uuid(), list: inputListSchema.required() }).noUnknown(),
  sweep: object({
    is: line('sweep'),
    id: uuid(),
    venue: uuid(),
    job: uuid().optional(),
    by: string().required(),
    at: instant(),
    plug: plugSchema.required(),
    trusts: boolean().required(),
  }).noUnknown(),
  look: object({
    is: line('look'),
    sweep: uuid(),
    takenAt: instant(),
    look: lookSchema.required(),
  }).noUnknown(),
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
