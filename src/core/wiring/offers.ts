import { bad, good, type Problem, type Result } from '../quantity';
import { kindOf, RECIPES, wrongAnyway, type Recipe, type Refusal } from './recipes';
import type { Ask } from './types';

/** A recipe beside what was asked: whether it suits, why, and what stands in its way. */
export interface Offer {
  readonly recipe: string;
  readonly name: string;
  readonly is: 'right' | 'possible' | 'wrong';
  readonly why: string;
  /** One thing that has to be mended before it can be made. */
  readonly lacks?: Problem;
  readonly refusal?: Refusal;
  /** Refused, and overruled in the intent. */
  readonly overruled: boolean;
}

/** A recipe, what there is to say of it, and how well it suits beside others that do. */
export interface Considered {
  readonly recipe: Recipe;
  readonly offer: Offer;
  readonly rank: number;
}

/** Every recipe that has to do with what is asked, best first: right ones by rank, then possible, then wrong. */
export function consider(ask: Ask): readonly Considered[] {
  // A loudspeaker's plus goes to no input, and no output to a loudspeaker: no wiring mends that.
  if (ask.links.some((link) => kindOf(link) === 'mismatched')) return [];
  const order = { right: 0, possible: 1, wrong: 2 };
  return RECIPES.flatMap((recipe): Considered[] => {
    const suits = wrongAnyway(ask, recipe.suits(ask));
    if (suits.is === 'other') return [];
    const refusal = suits.is === 'wrong' ? suits.refusal : undefined;
    const overruled =
      refusal !== undefined && refusal.anyway && (ask.intent.anyway ?? []).includes(refusal.id);
    const lacks = refusal && !overruled ? undefined : recipe.lacks?.(ask);
    return [
      {
        recipe,
        rank: suits.is === 'right' ? (suits.rank ?? 0) : 0,
        offer: {
          recipe: recipe.id,
          name: recipe.name,
          is: overruled ? 'possible' : suits.is,
          why: suits.why,
          ...(lacks ? { lacks } : {}),
          ...(refusal ? { refusal } : {}),
          overruled,
        },
      },
    ];
  }).sort((a, b) => order[a.offer.is] - order[b.offer.is] || b.rank - a.rank);
}

/** The one that is meant: chosen in the intent, else the best; or why there is none. */
export function choose(ask: Ask): Result<Considered> {
  const all = consider(ask);
  const { wiring } = ask.intent;
  if (wiring !== undefined) {
    const wanted = all.find(({ recipe }) => recipe.id === wiring);
    if (!wanted)
      return bad(
        'wiring.unsuited',
        RECIPES.some((recipe) => recipe.id === wiring)
          ? `“${RECIPES.find((recipe) => recipe.id === wiring)?.name}” does not suit these ends: leave it out, or change them.`
          : `“${wiring}” is no way of wiring that Antler knows: choose one of those offered.`,
        'intent.wiring',
      );
    if (wanted.offer.is === 'wrong') return refused([wanted]);
    return wanted.offer.lacks ? { ok: false, problems: [wanted.offer.lacks] } : good(wanted);
  }
  const ofKind = (is: Offer['is']): readonly Considered[] => all.filter(({ offer }) => offer.is === is);
  const [right, possible, wrong] = [ofKind('right'), ofKind('possible'), ofKind('wrong')];
  // What is merely possible is not taken of itself in the place of something that was refused.
  const pool =
    right.length > 0
      ? right
      : wrong.length > 0 && !possible.some(({ offer }) => offer.overruled)
        ? []
        : possible;
  const whole = pool.find(({ offer }) => !offer.lacks);
  if (whole) return good(whole);
  const lacking = pool.flatMap(({ offer }) => offer.lacks ?? []);
  const [first] = lacking;
  if (first) return { ok: false, problems: [first] };
  return wrong.length > 0 ? refused(wrong) : bad('wiring.none', whyNone(ask), 'intent');
}

const refused = (wrong: readonly Considered[]): Result<never> => ({
  ok: false,
  problems: wrong.flatMap(({ offer }) =>
    offer.refusal
      ? [
          {
            code: 'wiring.refused',
            says: `${offer.refusal.says}${offer.refusal.anyway ? ` To have it anyway, put “${offer.refusal.id}” among what is overruled.` : ''}`,
            path: 'intent.wiring',
          },
        ]
      : [],
  ),
});

function whyNone(ask: Ask): string {
  if (ask.form === 'plug')
    return 'One plug alone is made for an input that gives phantom, or to short the far end of a lead on the meter: choose one of these, or make it a lead.';
  if (ask.links.length === 0)
    return 'It is not clear which channel goes where: name the channels of the ends, or make the numbers of outputs and inputs meet.';
  if (ask.links.some((link) => 'plus' in link.out.roles !== 'plus' in link.in.roles))
    return 'An amplifier’s loudspeaker output goes to loudspeakers and to nothing else: its voltage destroys an input, and a line output cannot drive a loudspeaker.';
  return 'No way of wiring this is known: check what is at each end.';
}
