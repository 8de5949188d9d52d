/**
 * What went wrong, as a value: a stable code, a sentence that says what to do about it,
 * and the path of the field it is about (`intent.lengthMm`, or '' for the whole).
 */
export interface Problem {
  readonly code: string;
  readonly says: string;
  readonly path: string;
}

export type Result<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly Problem[] };

/** A result that is well. */
export const good = <T>(value: T): Result<T> => ({ ok: true, value });

/** A result with one problem. */
export const bad = (code: string, says: string, path = ''): { ok: false; problems: Problem[] } => ({
  ok: false,
  problems: [{ code, says, path }],
});

/** A type that only its own room can make: a number that carries its unit, a string that carries its kind. */
export type Brand<T, Name extends string> = T & { readonly [brand]: Name };
declare const brand: unique symbol;
