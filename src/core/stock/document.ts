import { array, boolean, number, object, string } from 'yup';
import { bad, good, readShape, type Result, type Shape } from '../quantity';

/** The version of cutting problems, and of plans, written today. */
export const CUT_VERSION = 1;

const [MOST_STOCK, MOST_KINDS, MOST_CUTS] = [500, 300, 5000] as const;
const MOST_MM = 1e7;

const id = string().required('Give it an id.').max(120);
const length = number()
  .typeError('Give the length in mm.')
  .required('Give the length in mm.')
  .moreThan(0, 'A length is more than 0 mm.')
  .max(MOST_MM, 'Longer than 10 km is no cable: check the unit.');
const none = (what: string) =>
  number().typeError(`Give ${what} in mm.`).min(0, `${what} is 0 mm or more.`).max(MOST_MM);

/** What there is to cut from, what is to be cut, and by which rules. */
export const cutProblemSchema = object({
  version: number()
    .oneOf([CUT_VERSION] as const, 'Written by another version of Antler.')
    .required(),
  /** What each cut costs beside its length. */
  kerfMm: none('The kerf'),
  /** A shorter rest is waste. */
  leastOffcutMm: none('The least offcut'),
  stock: array(
    object({
      id,
      mm: length,
      kind: string()
        .oneOf(['reel', 'opened', 'offcut'] as const, 'It is a reel, an opened one, or an offcut.')
        .required('Say whether it is a reel, an opened one, or an offcut.'),
      /** It stays as it is. */
      doNotCut: boolean(),
    }).noUnknown(),
  )
    .max(MOST_STOCK)
    .required('Say what there is to cut from.'),
  cuts: array(
    object({
      id,
      mm: length,
      count: number()
        .integer('Count in whole numbers.')
        .min(1, 'Count from 1.')
        .max(MOST_CUTS)
        .required('Say how many.'),
      /** All of them from one piece. */
      together: boolean(),
    }).noUnknown(),
  )
    .min(1, 'Name one cut at least.')
    .max(MOST_KINDS)
    .required('Say what is to be cut.'),
}).noUnknown();
export type CutProblem = Shape<typeof cutProblemSchema>;

/** What is cut from one piece of stock, in cutting order. */
export interface CutPiece {
  readonly stock: string;
  readonly cuts: readonly string[];
  readonly restMm: number;
}

/** A cutting plan. */
export interface CutPlan {
  readonly version: typeof CUT_VERSION;
  readonly pieces: readonly CutPiece[];
  /** How many reels are cut into that were whole. */
  readonly reelsOpened: number;
  /** Of pieces that are cut from, the rests that are too short to keep. */
  readonly wasteMm: number;
  /** The longest rest of a piece that is cut from. */
  readonly longestRestMm: number;
  /** What could not be made; nothing where all of it is. */
  readonly short?: readonly { readonly id: string; readonly count: number; readonly missingMm: number }[];
  /** Whether no plan is better, in any of its levels. */
  readonly optimal: boolean;
  /** What no plan can be below. */
  readonly bound: { readonly reelsOpened: number; readonly wasteMm: number };
}

/** Reads a cutting problem. Errors: each at its field; `stock.twice` where an id stands for two things. */
export function readCutProblem(document: unknown): Result<CutProblem> {
  const read = readShape(cutProblemSchema, document);
  if (!read.ok) return read;
  for (const list of ['stock', 'cuts'] as const) {
    const all = read.value[list];
    const twice = all.findIndex((each, n) => all.some((other, m) => m < n && other.id === each.id));
    if (twice >= 0)
      return bad(
        'stock.twice',
        `Two are called “${all[twice]?.id}”: give each an id of its own.`,
        `${list}[${twice}].id`,
      );
  }
  if (read.value.cuts.reduce((sum, { count }) => sum + count, 0) > MOST_CUTS)
    return bad(
      'stock.many',
      `More than ${MOST_CUTS} pieces are no one’s afternoon: plan them in two goes.`,
      'cuts',
    );
  return good(read.value);
}
