import { derive, type Lead } from '../../src/core/wiring';
import { intentFor, type Patch } from './intents';

/** The plainest lead with some of its intent otherwise; throws with the reason where that cannot be made. */
export function leadFor(patch: Patch = {}): Lead {
  const derived = derive(intentFor(patch));
  if (!derived.ok)
    throw new Error(derived.problems.map((problem) => `${problem.path} ${problem.says}`).join('; '));
  return derived.value;
}
