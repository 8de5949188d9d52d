import { string, type ObjectSchema } from 'yup';
import { sayTerminal, type Assembly, type Terminal } from '../../assembly';
import { bad, capital, type DeepReadonly, type Result } from '../../quantity';

/** The field that tells one kind of edit from another. */
export const kindOf = <Kind extends string>(kind: Kind) =>
  string()
    .oneOf([kind] as const)
    .required();

/**
 * One kind of change made to a lead by hand: its fields, what it does to an assembly, and what it is called. `apply` gives
 * the changed assembly, or why it no longer can be done; it is judged afterwards by the same rules as any assembly.
 */
export interface EditKind<Kind extends string, Edit> {
  readonly kind: Kind;
  apply(assembly: Assembly, edit: Edit): Result<Assembly>;
  /** What was done, in words, of the lead as it is now. */
  says(edit: Edit, assembly: Assembly): string;
}

/** Ties what a kind of edit does to its fields. */
export const editKind = <Kind extends string, Fields extends { kind: Kind }>(
  kind: EditKind<Kind, DeepReadonly<Fields>> & { readonly shape: ObjectSchema<Fields> },
) => kind;

/** What an edit is about is no longer there. */
export const noMore = (what: string): Result<never> =>
  bad('edit.gone', `There is no ${what} in this lead any more.`);
/** A terminal that an edit is about is no longer there. */
export const gone = (assembly: Assembly, terminal: Terminal): Result<never> =>
  bad('edit.gone', `${capital(sayTerminal(assembly, terminal))} is not in this lead any more.`);
