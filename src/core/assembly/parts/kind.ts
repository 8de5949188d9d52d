import { number, object, string, type ObjectSchema } from 'yup';
import type { DeepReadonly } from '../../quantity';
import { documentId } from '../member';

/** Fields that parts of every kind have. */
export const common = {
  id: documentId,
  /** What it is called beside its kind: “1:1 line transformer”. */
  name: string().max(120),
  /** How far its value may be off, share of it. */
  tolerance: number().min(0).max(1),
  /** The most that it stands: W, V; and between what its current is to lie, mA. */
  ratings: object({
    watts: number().positive().max(1e6),
    volts: number().positive().max(1e6),
    milliamps: object({ from: number().min(0).required(), to: number().positive().max(1e6).required() })
      .noUnknown()
      .default(undefined)
      .optional(),
  })
    .noUnknown()
    .default(undefined)
    .optional(),
  /** What is printed on it, or has to be seen to when it is fitted: “plus toward the input”. */
  marks: string().max(120),
};

/** The field that tells one kind of part from another. */
export const kindOf = <Kind extends string>(kind: Kind) =>
  string()
    .oneOf([kind] as const)
    .required();

/** One kind of part as the document has it: its fields, its leads and its value. */
export interface PartKind<Kind extends string, Part> {
  readonly kind: Kind;
  readonly shape: ObjectSchema<{ kind: Kind; id: string }>;
  /** The names of its leads; each is a terminal `<part>.<lead>`. */
  leads(part: Part): readonly string[];
  /** Groups of leads between which a signal passes; all of them together where nothing is said. */
  carries?(part: Part): readonly (readonly string[])[];
  /** Pairs of leads that can be taken one for the other, where that makes a difference; none where it is the same either way round. */
  turns?(part: Part): readonly (readonly [string, string])[];
  /** Its value in the unit that its field names; undefined where it is not known. */
  value?(part: Part): number | undefined;
  withValue?(part: Part, value: number | undefined): Part;
}

/** Ties a kind's leads and value to its fields. */
export const partKind = <Kind extends string, Fields extends { kind: Kind; id: string }>(
  kind: Omit<PartKind<Kind, DeepReadonly<Fields>>, 'shape' | 'kind'> & {
    readonly kind: Kind;
    readonly shape: ObjectSchema<Fields>;
  },
) => kind;
