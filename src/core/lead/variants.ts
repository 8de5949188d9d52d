import { atOnce, type InSteps } from '../quantity';
import { SCHOOLS, type Intent, type Offer } from '../wiring';
import { derive } from './derive';
import type { Lead } from './document';
import { schoolsOf } from './schools-of';
import { settledIntent } from './settled';

/** Another way of building a lead, by the name that it has beside it. */
export interface Variant {
  readonly id: string;
  readonly name: string;
  readonly lead: Lead;
  /** Another answer of a school, and so the same wiring but for that. */
  readonly school: boolean;
}

/** What else it could be: the other answers of every school that the wiring hangs on, and the other ways of wiring. */
export const variantsOf = (lead: Lead, offers: readonly Offer[]): readonly Variant[] =>
  atOnce(variantsInSteps(lead, offers));

/** The same where it may be interrupted: one step is one other way. */
export function* variantsInSteps(lead: Lead, offers: readonly Offer[]): InSteps<readonly Variant[]> {
  const { because } = lead;
  const intent = settledIntent(lead);
  if (!intent) return [];
  const schools = schoolsOf(lead);
  const bySchool = SCHOOLS.filter((school) => school.decides === 'wiring' && school.id !== 'colour').flatMap(
    (school) =>
      school.choices
        .filter((answer) => answer.id !== schools[school.id])
        .map((answer) => ({
          id: `${school.id}:${answer.id}`,
          name: `${school.id.replace(/-/g, ' ')}: ${answer.name}`,
          intent: { ...intent, schools: { ...intent.schools, [school.id]: answer.id } },
          school: true,
        })),
  );
  const { wiring: _, choices: __, ...plain } = intent;
  const byRecipe = offers
    .filter((offer) => offer.recipe !== because.recipe?.id && offer.is !== 'wrong' && !offer.lacks)
    .map((offer) => ({
      id: offer.recipe,
      name: offer.name,
      intent: { ...plain, wiring: offer.recipe },
      school: false,
    }));
  // What comes to the same wires is nothing to compare.
  const own = stripped(derivedOf(intent));
  const bySchools = new Set<string>();
  const variants: Variant[] = [];
  for (const each of [...bySchool, ...byRecipe]) {
    yield;
    const other = derivedOf(each.intent);
    const wires = stripped(other);
    if (!other || wires === own || (each.school && bySchools.has(wires))) continue;
    if (each.school) bySchools.add(wires);
    variants.push({ ...each, lead: other });
  }
  return variants;
}

const derivedOf = (intent: Intent): Lead | undefined => {
  const derived = derive(intent);
  return derived.ok ? derived.value : undefined;
};

/** What of a lead makes a difference to a signal: what is joined to what, and the parts. */
const stripped = (lead: Lead | undefined): string =>
  JSON.stringify(
    lead?.assembly.bodies.map((body) => [
      body.parts,
      body.joints.map((joint) => [...joint.terminals].sort()),
    ]),
  );
