import { dequal } from 'dequal';
import { bad, good, type Result } from '../quantity';
import { meeting } from './derive';
import type { Lead } from './document';
import { applyEdits, type Edit } from './edits';

/**
 * A lead that has no intent, changed by hand: edits that were made are in it, and new ones are made to it as it is. Errors:
 * `lead.edits` where one that was made is missing or other, or a new one cannot be made.
 */
export function changedByHand(now: Lead, name: string, edits: readonly Edit[]): Result<Lead> {
  if (!dequal(edits.slice(0, now.edits.length), now.edits))
    return bad(
      'lead.edits',
      'This lead has no intent to be derived from: edits that were made stay made, and new ones come after them.',
      'edits',
    );
  const { assembly, lapsed } = applyEdits(now.assembly, edits.slice(now.edits.length));
  return lapsed[0]
    ? bad('lead.edits', lapsed[0].says, 'edits')
    : good({
        ...now,
        name,
        edits,
        assembly: edits.length > now.edits.length ? assembly : now.assembly,
        situations: meeting(now.situations, assembly),
      });
}
