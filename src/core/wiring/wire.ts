import type { Assembly, Because } from '../assembly';
import { familyName, isDirected, usualGender } from '../catalogue';
import { bad, good, type Problem, type Result } from '../quantity';
import { readAsk } from './ask';
import { amongOf } from './ask-end';
import type { Ask } from './types';
import { SITUATION_VERSION, type ChannelPair, type LeftOut, type Situation } from '../situation';
import { draft, type Draft } from './draft';
import type { Intent } from './intent';
import { answer, kindOf, RECIPES, wrongAnyway, type Choice, type Recipe, type Refusal } from './recipes';
import type { Schools } from './schools';

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

/** What wiring makes of an intent: what the lead is, what it meets, and why it is so. */
export interface Wired {
  readonly intent: Intent;
  readonly assembly: Assembly;
  readonly situations: readonly Situation[];
  readonly recipe: Pick<Recipe, 'id' | 'name' | 'source'> & { readonly why: string };
  /** What the recipe asks, with the answer that was taken. */
  readonly asks: readonly (Choice & { readonly answer: string })[];
  readonly reasons: readonly Because[];
  /** Roles that the recipe does not carry, on purpose, and why. */
  readonly leftOut: readonly LeftOut[];
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
    return 'One plug alone is made for an input that gives phantom, or to short the far end of a lead on the meter: choose one of these, or make it a lead.';
  if (ask.links.length === 0)
    return 'It is not clear which channel goes where: name the channels of the ends, or make the numbers of outputs and inputs meet.';
  if (ask.links.some((link) => 'plus' in link.out.roles !== 'plus' in link.in.roles))
    return 'An amplifier’s loudspeaker output goes to loudspeakers and to nothing else: its voltage destroys an input, and a line output cannot drive a loudspeaker.';
  return 'No way of wiring this is known: check what is at each end.';
}

/** A problem for each choice that the recipe does not ask for, or that is answered with what is none of its answers. */
function strangeChoices(ask: Ask, asks: readonly Choice[]): readonly Problem[] {
  return Object.entries(ask.intent.choices ?? {}).flatMap(([id, given]): Problem[] => {
    const path = `intent.choices.${id}`;
    const choice = asks.find((each) => each.id === id);
    if (!choice)
      return RECIPES.some((recipe) => recipe.asks?.(ask).some((each) => each.id === id))
        ? []
        : [
            {
              code: 'intent.choice-unknown',
              says: `Nothing asks for “${id}”: leave it out${asks.length === 0 ? '' : `, or answer ${asks.map((each) => `“${each.id}”`).join(' or ')}`}.`,
              path,
            },
          ];
    return Object.hasOwn(choice.options, given)
      ? []
      : [
          {
            code: 'intent.choice',
            says: `“${given}” is no answer to “${choice.question}”: choose ${Object.keys(choice.options).join(' or ')}.`,
            path,
          },
        ];
  });
}

/** Every refusal that can be overruled, of whatever recipe. */
const OVERRULED = new Set(['ts-at-trs', ...RECIPES.flatMap((recipe) => recipe.refuses ?? [])]);

const strangeAnyway = (ask: Ask): readonly Problem[] =>
  (ask.intent.anyway ?? []).flatMap((id, n) =>
    OVERRULED.has(id)
      ? []
      : [
          {
            code: 'intent.anyway',
            says: `There is no refusal “${id}” to overrule: leave it out, or name ${[...OVERRULED].join(', ')}.`,
            path: `intent.anyway[${n}]`,
          },
        ],
  );

/**
 * Works out the wiring of an intent: the recipe chosen in it or the best that suits, its assembly, and the reason of each
 * choice. The problems say which field to change when the intent is incomplete, refused, or no recipe can make it.
 */
export function wire(document: unknown): Result<Wired> {
  const read = readAsk(document);
  if (!read.ok) return read;
  const ask = read.value;
  const chosen = choose(ask);
  if (!chosen.ok) return chosen;
  const { recipe, offer } = chosen.value;
  const asks = recipe.asks?.(ask) ?? [];
  const strange = [...strangeChoices(ask, asks), ...strangeAnyway(ask)];
  if (strange.length > 0) return { ok: false, problems: strange };
  const d = draft(ask);
  const made = recipe.wire(ask, d);
  if (!made.ok) return made;
  return good({
    intent: ask.intent,
    assembly: d.finish(),
    situations: situationsOf(ask, recipe, offer, d),
    recipe: { id: recipe.id, name: recipe.name, source: recipe.source, why: offer.why },
    asks: asks.map((choice) => ({ ...choice, answer: answer(ask, choice) })),
    reasons: [...genderReasons(ask), ...d.reasons()],
    leftOut: d.leftOut(),
    schools: ask.schools,
  });
}

/** What an intent's ends meet, whatever wiring is made of it: undefined where the intent is not whole. */
export function situationsIn(document: unknown): readonly Situation[] | undefined {
  const read = readAsk(document);
  return read.ok ? [situationOf(read.value, 'in use', read.value.links)] : undefined;
}

const situationOf = (ask: Ask, name: string, links: readonly ChannelPair[], d?: Draft): Situation => ({
  version: SITUATION_VERSION,
  name,
  surroundings: ask.intent.surroundings,
  channels: ask.channels.map((channel) => {
    const turned = links
      .flatMap((link) => [link.out, link.in])
      .find((each) => each.name === channel.name && each.direction !== channel.direction);
    return turned ?? channel;
  }),
  links: links.map((link) => ({ out: link.out.name, in: link.in.name, ...d?.asked(link) })),
  ...(ask.intent.facts === undefined ? {} : { facts: ask.intent.facts }),
  overruled: [],
});

const situationsOf = (
  ask: Ask,
  recipe: Recipe,
  { overruled, refusal }: Offer,
  d: Draft,
): readonly Situation[] =>
  [{ name: 'in use', links: ask.links }, ...(recipe.uses?.(ask) ?? [])].map(({ name, links }) => ({
    ...situationOf(ask, name, links, d),
    overruled: overruled && refusal ? [{ id: refusal.id, says: refusal.says, hear: refusal.hear }] : [],
  }));

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
