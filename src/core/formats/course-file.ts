import { array, boolean, number, object, string } from 'yup';
import { COURSE_VERSION, OPERATION_KINDS, TOOL_NAMES } from '../bench';
import type { Shape } from '../quantity';

const words = () => string().required();

/** A course of work as it is printed: the steps of one lead in their order, each with what it waits for. */
export const courseFileSchema = object({
  version: number()
    .oneOf([COURSE_VERSION] as const)
    .required(),
  lead: words(),
  /** How several are made together: runs with one tool each, through all of them. */
  batch: object({
    count: number().integer().min(2).required(),
    runs: array(
      object({ tool: words(), steps: array(words()).required() })
        .noUnknown()
        .required(),
    ).required(),
    changes: number().integer().min(0).required(),
    setUpSeconds: number().min(0).required(),
    oneByOne: object({
      changes: number().integer().min(0).required(),
      setUpSeconds: number().min(0).required(),
    })
      .noUnknown()
      .required(),
    savesSeconds: number().required(),
    optimal: boolean().required(),
  })
    .noUnknown()
    .default(undefined)
    .optional(),
  steps: array(
    object({
      id: words(),
      kind: string().oneOf(OPERATION_KINDS).required(),
      end: string(),
      joint: string(),
      title: words(),
      detail: array(words()).required(),
      caution: string(),
      /** What is confirmed, each by itself, before it counts as done. */
      gate: array(words()),
      mayPass: boolean(),
      /** Time to wait, s. */
      seconds: number().min(0),
      site: boolean(),
      /** Left until every joint of the lead is made. */
      waits: boolean(),
      /** What it is done with, where that hangs on more than its kind. */
      tool: string().oneOf(TOOL_NAMES),
      dressings: array(words()),
      checks: array(words()),
      after: array(
        object({ step: words(), constraint: words(), because: words() }).noUnknown().required(),
      ).required(),
    })
      .noUnknown()
      .required(),
  ).required(),
}).noUnknown();
export type CourseFile = Shape<typeof courseFileSchema>;
