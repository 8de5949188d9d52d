import type { Assembly, Because } from '../assembly';
import { familyName, isDirected, usualGender } from '../catalogue';
import { bad, good, type Problem, type Result } from '../quantity';
import { readIntent, type Ask, type Intent } from './intent';
import { assemble, SIDES } from './plan';
import { RECIPES, type Recipe } from './recipes';
import type { Schools } from './schools';
import type { Situation } from './situation';

/** A lead worked out from its intent: what it is, what it meets, and why it is so. */
export interface Lead {
  readonly intent: Intent;
  readonly assembly: Assembly;
  readonly situation: Situation;
  readonly recipe: Pick<Recipe, 'id' | 'name' | 'source'> & { readonly why: string };
  readonly reasons: readonly Because[];
  /** Every school with its answer. */
  readonly schools: Schools;
}

/**
 * Works out the wiring of an intent: the first recipe that fits, its assembly, and the reason of each choice.
 * The problems say which field to change when the intent is incomplete or no recipe can make it.
 */
export function derive(document: unknown): Result<Lead> {
  const read = readIntent(document);
  if (!read.ok) return read;
  const ask = read.value;
  const fits = RECIPES.map((recipe) => ({ recipe, fit: recipe.fit(ask) }));
  const chosen = fits.find(({ fit }) => fit.fits);
  if (!chosen) {
    const problems: Problem[] = fits.flatMap(({ fit }) =>
      'problem' in fit && fit.problem ? [fit.problem] : [],
    );
    return problems.length > 0
      ? { ok: false, problems }
      : bad(
          'wiring.none',
          `No way of wiring this is known: ${fits.map(({ fit }) => fit.why).join(' ')}`,
          'intent',
        );
  }
  const { plan, reasons } = chosen.recipe.plan(ask);
  return good({
    intent: ask.intent,
    assembly: assemble(ask, plan),
    situation: situationOf(ask),
    recipe: {
      id: chosen.recipe.id,
      name: chosen.recipe.name,
      source: chosen.recipe.source,
      why: chosen.fit.why,
    },
    reasons: [...genderReasons(ask), ...reasons],
    schools: ask.schools,
  });
}

function situationOf(ask: Ask): Situation {
  return {
    surroundings: ask.intent.surroundings,
    channels: (['from', 'to'] as const).map((side) => ({
      end: SIDES[side].end,
      port: ask[side].port,
      roles: ask[side].roles,
    })),
  };
}

function genderReasons(ask: Ask): Because[] {
  return (['from', 'to'] as const).flatMap((side): Because[] => {
    const { family, gender } = ask.intent[side];
    if (!isDirected(family)) return [];
    const usual = usualGender(family, side === 'from' ? 'out' : 'in');
    const name = familyName(family);
    return gender !== undefined && gender !== usual
      ? [
          {
            says: `A ${gender} at the ${side === 'from' ? 'source' : 'receiving'} end, as the builder asked.`,
          },
        ]
      : [
          {
            says:
              side === 'from'
                ? `${name} outputs are on pins, so the lead starts with a socket.`
                : `${name} inputs are on holes, so the lead ends with a plug.`,
            source: 'AES14 (cited, from memory)',
          },
        ];
  });
}
