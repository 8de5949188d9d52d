import type { Assembly, Because } from '../assembly';
import { familyName, isDirected, usualGender } from '../catalogue';
import { bad, good, type Problem, type Result } from '../quantity';
import { amongOf, readAsk } from './ask';
import type { Ask } from './types';
import { draft } from './draft';
import type { Intent } from './intent';
import { answer, RECIPES, wrongAnyway, type Choice, type Recipe, type Refusal } from './recipes';
import type { Schools } from './schools';
import type { Situation } from './situation';

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

/** A lead worked out from its intent: what it is, what it meets, and why it is so. */
export interface Lead {
  readonly intent: Intent;
  readonly assembly: Assembly;
  readonly situation: Situation;
  readonly recipe: Pick<Recipe, 'id' | 'name' | 'source'> & { readonly why: string };
  /** What the recipe asks, with the answer that was taken. */
  readonly asks: readonly (Choice & { readonly answer: string })[];
  readonly reasons: readonly Because[];
  /** Every school with its answer. */
  readonly schools: Schools;
}

interface Considered {
  readonly recipe: Recipe;
  readonly offer: Offer;
  readonly rank: number;
}

/** Every recipe that has to do with what is asked, best first: right ones by rank, then possible, then wrong. */
function consider(ask: Ask): readonly Considered[] {
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

/** The recipes for an intent, best first, each with why; and those that are refused, with the reason. */
export function offers(document: unknown): Result<readonly Offer[]> {
  const read = readAsk(document);
  if (!read.ok) return read;
  const all = consider(read.value).map(({ offer }) => offer);
  // One refusal is told once, with the best of the recipes that it stands against.
  return good(
    all.filter(
      (offer, n) => !offer.refusal || all.findIndex((each) => each.refusal?.id === offer.refusal?.id) === n,
    ),
  );
}

/** The one that is meant: chosen in the intent, else the best; or why there is none. */
function choose(ask: Ask): Result<Considered> {
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
    return 'One plug alone is made for an input that gives phantom: choose that, or make it a lead.';
  if (ask.links.length === 0)
    return 'It is not clear which channel goes where: name the channels of the ends, or make the numbers of outputs and inputs meet.';
  if (ask.links.some((link) => 'plus' in link.out.roles !== 'plus' in link.in.roles))
    return 'An amplifier’s loudspeaker output goes to loudspeakers and to nothing else: its voltage destroys an input, and a line output cannot drive a loudspeaker.';
  return 'No way of wiring this is known: check what is at each end.';
}

/**
 * Works out the wiring of an intent: the recipe chosen in it or the best that suits, its assembly, and the reason of each
 * choice. The problems say which field to change when the intent is incomplete, refused, or no recipe can make it.
 */
export function derive(document: unknown): Result<Lead> {
  const read = readAsk(document);
  if (!read.ok) return read;
  const ask = read.value;
  const chosen = choose(ask);
  if (!chosen.ok) return chosen;
  const { recipe, offer } = chosen.value;
  const asks = recipe.asks?.(ask) ?? [];
  const strange = asks.flatMap((choice): Problem[] => {
    const given = ask.intent.choices?.[choice.id];
    return given === undefined || given in choice.options
      ? []
      : [
          {
            code: 'intent.choice',
            says: `“${given}” is no answer to “${choice.question}”: choose ${Object.keys(choice.options).join(' or ')}.`,
            path: `intent.choices.${choice.id}`,
          },
        ];
  });
  if (strange.length > 0) return { ok: false, problems: strange };
  const d = draft(ask);
  recipe.wire(ask, d);
  return good({
    intent: ask.intent,
    assembly: d.finish(),
    situation: situationOf(ask, offer),
    recipe: { id: recipe.id, name: recipe.name, source: recipe.source, why: offer.why },
    asks: asks.map((choice) => ({ ...choice, answer: answer(ask, choice) })),
    reasons: [...genderReasons(ask), ...d.reasons()],
    schools: ask.schools,
  });
}

const situationOf = (ask: Ask, offer: Offer): Situation => ({
  surroundings: ask.intent.surroundings,
  channels: ask.channels.map(({ end, label, sends, port, roles }) => ({
    end,
    path: (ask.ends.find((each) => each.id === end)?.path ?? '').replace('intent.', ''),
    label,
    sends,
    port,
    roles,
  })),
  links: ask.links.map((link) => ({
    out: ask.channels.indexOf(link.out),
    in: ask.channels.indexOf(link.in),
  })),
  ...(ask.intent.facts === undefined ? {} : { facts: ask.intent.facts }),
  overruled:
    offer.overruled && offer.refusal
      ? [{ id: offer.refusal.id, says: offer.refusal.says, hear: offer.refusal.hear }]
      : [],
});

function genderReasons(ask: Ask): readonly Because[] {
  const { connectors } = amongOf(ask.intent.own);
  const reasons = ask.ends.flatMap((end): Because[] => {
    const { family, gender } = end.intent;
    if (!isDirected(family, connectors) || ask.form === 'box') return [];
    const usual = usualGender(family, end.side === 'from' ? 'out' : 'in', connectors);
    const name = familyName(family, connectors);
    return gender !== undefined && gender !== usual
      ? [
          {
            says: `A ${gender} at the ${end.side === 'from' ? 'source' : 'receiving'} end, as the builder asked.`,
          },
        ]
      : [
          {
            says:
              end.side === 'from'
                ? `${name} outputs are on pins, so the lead starts with a socket.`
                : `${name} inputs are on holes, so the lead ends with a plug.`,
            source: 'AES14 (cited, from memory)',
          },
        ];
  });
  return reasons.filter((reason, n) => reasons.findIndex((each) => each.says === reason.says) === n);
}
