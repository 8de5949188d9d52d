import { array, boolean, number, object, string } from 'yup';
import { bad, good, readShape, type Result, type Shape } from '../quantity';

/** The version of lines with their inputs, and of patch lists, written today. */
export const PATCH_VERSION = 1;

/** So many lines and inputs at the most: what can be done with them is written out whole. */
const MOST = 128;
const id = string().required('Give it an id.').max(120);
const way = number().integer('A way is a whole number.').min(0).max(100_000);
const cost = (what: string) =>
  number().required(`Say what ${what} costs.`).min(0, 'A cost is 0 or more.').max(1e6);

/** The lines of a stage with what was found of them, and the inputs that want one. */
export const linesSchema = object({
  version: number()
    .oneOf([PATCH_VERSION] as const, 'Written by another version of Antler.')
    .required(),
  lines: array(
    object({
      way: way.required('Say which way it is.'),
      state: string()
        .oneOf(['good', 'bad', 'unknown'] as const, 'It is good, bad or unknown.')
        .required('Say whether it is good, bad or unknown.'),
      /** Its phantom supply cannot be switched off. */
      phantom: boolean(),
    }).noUnknown(),
  )
    .max(MOST)
    .required('Say which lines there are.'),
  inputs: array(
    object({
      id,
      /** The way on the printed list; none where it has none yet. */
      way,
      /** How much harm it does where it is on an unproven line or on none. */
      weight: number().min(0).max(1e6),
      /** Two of one name want adjacent ways: left and right. */
      pair: string().min(1).max(120),
      /** True: it wants phantom. False: phantom harms it. */
      phantom: boolean(),
    }).noUnknown(),
  )
    .max(MOST)
    .required('Say which inputs there are.'),
  costs: object({
    move: cost('a move'),
    onUnknown: cost('an unproven line'),
    pairApart: cost('a pair that is parted'),
  })
    .noUnknown()
    .default(undefined)
    .required('Say what a move, an unproven line and a parted pair cost.'),
}).noUnknown();
export type Lines = Shape<typeof linesSchema>;

/** One input on the way that it gets. */
export interface Placed {
  readonly id: string;
  readonly way: number;
  /** Whether that is another than the printed one; one without a printed way was not moved. */
  readonly moved: boolean;
}

/** Where every input goes, and what that costs. */
export interface PatchList {
  readonly version: typeof PATCH_VERSION;
  readonly inputs: readonly Placed[];
  /** Those for which there is no way. */
  readonly left: readonly string[];
  readonly cost: number;
  /** Whether nothing costs less: all else was ruled out. */
  readonly optimal: boolean;
}

/** Lines and inputs out of a file. Errors: the shape’s, `patch.twice`, `patch.pair`. */
export function readLines(document: unknown): Result<Lines> {
  const read = readShape(linesSchema, document);
  if (!read.ok) return read;
  const { lines, inputs } = read.value;
  const twice = (all: readonly (string | number)[]): number =>
    all.findIndex((each, n) => all.indexOf(each) !== n);
  const line = twice(lines.map((each) => each.way));
  if (line >= 0)
    return bad('patch.twice', `Way ${lines[line]?.way ?? ''} stands there twice.`, `lines[${line}].way`);
  const input = twice(inputs.map((each) => each.id));
  if (input >= 0)
    return bad(
      'patch.twice',
      `“${inputs[input]?.id ?? ''}” stands there twice: give each input an id of its own.`,
      `inputs[${input}].id`,
    );
  for (const [n, { pair }] of inputs.entries())
    if (pair !== undefined && inputs.filter((each) => each.pair === pair).length !== 2)
      return bad(
        'patch.pair',
        `A pair is two inputs: “${pair}” is ${inputs.filter((each) => each.pair === pair).length}.`,
        `inputs[${n}].pair`,
      );
  return good(read.value);
}
