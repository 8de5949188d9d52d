import type { Assembly, Dressing } from '../assembly';
import { strips } from '../cutting';
import { mainUse, schoolsOf, type Lead } from '../lead';
import { DRESSING_RULES } from './rules';
import { sized } from './sized';

/** An assembly with everything that is put on it; it is worked out, and never kept. */
export interface Dressed extends Assembly {
  readonly dressed: true;
}

const DRESSED = new WeakMap<Assembly, { readonly schools: string; readonly dressed: Dressed }>();

/** Of two dressings for one thing, what is written in the lead has it: somebody said so. */
const isSame = (own: Dressing, made: Dressing): boolean =>
  own.id === made.id ||
  (own.what === made.what && own.over === made.over && (own.at ?? made.at) === (made.at ?? own.at));

/**
 * A lead’s assembly with everything that is put on it: what is written in it, with the sizes and lengths that what lies
 * under it asks for, and what follows from how it is made. The kit’s lines, the gate before the first joint, the closing
 * steps and the drawing read this one list.
 *
 *     dressed(lead).dressings.filter(({ what }) => what === 'joint-sleeve').length; // of a sum lead → 3
 */
export function dressed(lead: Pick<Lead, 'assembly' | 'situations' | 'schools'>): Dressed {
  const { assembly } = lead;
  const schools = schoolsOf(lead);
  const key = JSON.stringify(schools);
  const known = DRESSED.get(assembly);
  if (known?.schools === key) return known.dressed;
  const bare = { assembly, use: mainUse(lead), schools, strips: strips(assembly, schools) };
  const own = assembly.dressings.map((each) => sized(assembly, each));
  const came = new Set(
    assembly.bodies
      .filter((body) => body.asItCame)
      .flatMap(({ id, ends }) => [id, ...ends.map((end) => end.id)]),
  );
  const follows = DRESSING_RULES.flatMap((rule) => rule.dress(bare)).filter(
    (each) => !came.has(each.over) && !came.has(each.at ?? '') && !own.some((said) => isSame(said, each)),
  );
  const made: Dressed = { ...assembly, dressed: true, dressings: [...own, ...follows] };
  DRESSED.set(assembly, { schools: key, dressed: made });
  return made;
}
