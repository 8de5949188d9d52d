import { SCHOOLS, type SchoolId } from '../wiring';
import { derive } from './derive';
import type { Lead } from './document';
import { schoolsOf } from './schools-of';
import { settledIntent } from './settled';

/**
 * The schools that something in a lead hangs on: of those that decide about the wiring, each whose other answers, put to the very
 * same intent with the same edits, make another lead. Nothing that a recipe says of itself counts, and reasons are not looked at:
 * where other reasons lead to the same joints nothing hangs on them. Of a lead without an intent, which is derived from nothing,
 * none.
 */
export function hangingOn(lead: Lead): readonly SchoolId[] {
  const { edits } = lead;
  const intent = settledIntent(lead);
  if (!intent) return [];
  const schools = schoolsOf(lead);
  // As it is derived today, and not as it is stored: that may have been worked out otherwise, and comes back in another order.
  const own = derive(intent, edits);
  if (!own.ok) return [];
  const is = made(own.value);
  return SCHOOLS.filter(
    (school) =>
      school.decides === 'wiring' &&
      school.choices.some(({ id }) => {
        if (id === schools[school.id]) return false;
        const other = derive({ ...intent, schools: { ...intent.schools, [school.id]: id } }, edits);
        // An answer by which the lead cannot be made is as different as can be.
        return !other.ok || made(other.value) !== is;
      }),
  ).map(({ id }) => id);
}

/** What a lead is, without the reasons. */
const made = ({ assembly }: Lead): string =>
  JSON.stringify(assembly, (key, value: unknown) => (key === 'because' ? undefined : value));
