import { derive, mainUse, type Edit, type Lead } from '../../src/core/lead';
import type { Situation } from '../../src/core/situation';
import { intentFor, type Patch } from './intents';

/** The plainest lead with some of its intent otherwise, and changed by hand; throws with the reason where that cannot be made. */
export function leadFor(patch: Patch = {}, edits: readonly Edit[] = []): Lead {
  const derived = derive(intentFor(patch), edits);
  if (!derived.ok)
    throw new Error(derived.problems.map((problem) => `${problem.path} ${problem.says}`).join('; '));
  return derived.value;
}

/** What the ends of a lead meet in its first use; throws where it has none. */
export function useOf(lead: Lead): Situation {
  const use = mainUse(lead);
  if (!use) throw new Error(`${lead.name} does not say what it meets`);
  return use;
}
