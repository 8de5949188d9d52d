import { array, mixed, number, object, string } from 'yup';
import { PLAN_MIGRATIONS, planSchema, recordSchema, type RecordFile, type WorkPlan } from '../bench';
import { readLead, type Lead } from '../lead';
import { instant, isObject, migrated, readShape, type Problem, type Result } from '../quantity';

/** A unit in a job file: which of its leads it was built to and as what, by whom, by which plan, and what happened to it. */
export interface UnitFile {
  /** Which of the file's leads, from 0. */
  readonly lead: number;
  /** The lead as it was when the unit was started; nothing where it is the same today. */
  readonly pinned?: Lead;
  /** The number on its label. */
  readonly number: number;
  readonly builder: string;
  /** When it was started, ISO 8601. */
  readonly startedAt: string;
  readonly plan: WorkPlan;
  /** In the order in which they were recorded. */
  readonly records: readonly RecordFile[];
}

/** No workshop numbers further: a damaged file must not use all numbers up. */
const MOST_NUMBER = 999_999;

const unitSchema = object({
  lead: number().required().integer().min(0),
  pinned: mixed(),
  number: number().required().integer().min(1).max(MOST_NUMBER),
  builder: string().required().max(60),
  startedAt: instant(),
  plan: mixed().required(),
  records: array(recordSchema).required(),
}).noUnknown();

function readUnit(document: unknown, leads: number): Result<UnitFile> {
  const read = readShape(unitSchema, document);
  if (!read.ok) return read;
  const { pinned, plan, lead, records, ...rest } = read.value;
  const refused = (path: string, problems: readonly Problem[]): Result<never> => ({
    ok: false,
    problems: problems.map((each) => ({ ...each, path: `${path}.${each.path}` })),
  });
  if (lead >= leads)
    return {
      ok: false,
      problems: [
        { code: 'file.unit', says: 'This unit is of a lead that the file does not have.', path: 'lead' },
      ],
    };
  const built = readShape(planSchema, migrated(plan, PLAN_MIGRATIONS));
  if (!built.ok) return refused('plan', built.problems);
  const whole = { ...rest, lead, plan: built.value, records: records as readonly RecordFile[] };
  if (!isObject(pinned)) return { ok: true, value: whole };
  const was = readLead(pinned);
  return was.ok ? { ok: true, value: { ...whole, pinned: was.value } } : refused('pinned', was.problems);
}

/** Reads the units of a job file that has so many leads: all are good, or the problems of those that are not. */
export function readUnits(documents: readonly unknown[], leads: number): Result<readonly UnitFile[]> {
  const read = documents.map((each) => readUnit(each, leads));
  const problems = read.flatMap((each, n) =>
    each.ok ? [] : each.problems.map((problem) => ({ ...problem, path: `units[${n}].${problem.path}` })),
  );
  return problems.length > 0
    ? { ok: false, problems }
    : { ok: true, value: read.flatMap((each) => (each.ok ? [each.value] : [])) };
}
