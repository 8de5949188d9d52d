import type { Problem } from '../../src/core/quantity';

/** The value of a result that has to be good; throws with what it says where it is not. */
export function value<T>(result: { ok: true; value: T } | { ok: false; problems: readonly Problem[] }): T {
  if (!result.ok) throw new Error(result.problems.map((each) => each.says).join('; '));
  return result.value;
}
