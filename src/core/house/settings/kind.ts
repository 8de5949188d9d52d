import type { AnyObject, Flags, Schema } from 'yup';

/** One thing that is settled for the whole house: its name in the document, its shape, and what it is where nothing is said. */
export interface Setting<Id extends string, Of extends Schema<unknown, AnyObject, unknown, Flags>> {
  readonly id: Id;
  readonly shape: Of;
}

/** A setting, its id kept as a type of its own. */
export const setting = <const Id extends string, Of extends Schema<unknown, AnyObject, unknown, Flags>>(
  of: Setting<Id, Of>,
): Setting<Id, Of> => of;
