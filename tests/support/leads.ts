import { derive, type Intent, type Lead } from '../../src/core/wiring';
import { PLAIN_INTENT } from './intents';

/** The plainest lead with some of its intent otherwise; throws with the reason where that cannot be made. */
export function leadFor(patch: Partial<Intent> = {}): Lead {
  const derived = derive({ ...PLAIN_INTENT, ...patch });
  if (!derived.ok)
    throw new Error(derived.problems.map((problem) => `${problem.path} ${problem.says}`).join('; '));
  return derived.value;
}
