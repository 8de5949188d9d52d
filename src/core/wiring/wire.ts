import type { Assembly, Because } from '../assembly';
import { familyName, isDirected, usualGender } from '../catalogue';
import { good, type Problem, type Result } from '../quantity';
import { askOf } from './ask';
import { amongOf } from './ask-end';
import { withCable, type CableChoice, type Preference } from './choosing';
import { choose, consider, type Offer } from './offers';
import type { Ask } from './types';
import { SITUATION_VERSION, type ChannelPair, type LeftOut, type Situation } from '../situation';
import { draft, type Draft } from './draft';
import { readIntent, type Intent } from './intent';
import { answer, RECIPES, type Choice, type Recipe } from './recipes';
import type { Schools } from './schools';

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

/** An intent with what it leaves open chosen, and everything it names looked up. */
interface Settled {
  /** As it was said. */
  readonly intent: Intent;
  readonly ask: Ask;
  readonly chosen?: CableChoice;
}

function settle(document: unknown, preference: Preference): Result<Settled> {
  const read = readIntent(document);
  if (!read.ok) return read;
  const whole = withCable(read.value, preference);
  if (!whole.ok) return whole;
  const { chosen } = whole.value;
  const ask = askOf(whole.value.intent);
  return ask.ok ? good({ intent: read.value, ask: ask.value, ...(chosen ? { chosen } : {}) }) : ask;
}

/** The recipes for an intent, best first, each with why; and those that are refused, with the reason. */
export function offers(document: unknown, preference: Preference = {}): Result<readonly Offer[]> {
  const settled = settle(document, preference);
  if (!settled.ok) return settled;
  const all = consider(settled.value.ask).map(({ offer }) => offer);
  // One refusal is told once, with the best of the recipes that it stands against.
  return good(
    all.filter(
      (offer, n) => !offer.refusal || all.findIndex((each) => each.refusal?.id === offer.refusal?.id) === n,
    ),
  );
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
 * choice. A cable that is left open is chosen, with what the workshop has and pays where that is given. The problems say which field to change when the intent is incomplete, refused, or no recipe can make it.
 */
export function wire(document: unknown, preference: Preference = {}): Result<Wired> {
  const settled = settle(document, preference);
  if (!settled.ok) return settled;
  const { ask, intent, chosen: cable } = settled.value;
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
    intent,
    assembly: d.finish(),
    situations: situationsOf(ask, recipe, offer, d),
    recipe: { id: recipe.id, name: recipe.name, source: recipe.source, why: offer.why },
    asks: asks.map((choice) => ({ ...choice, answer: answer(ask, choice) })),
    reasons: [...(cable ? cableReasons(cable) : []), ...genderReasons(ask), ...d.reasons()],
    leftOut: d.leftOut(),
    schools: ask.schools,
  });
}

/** What an intent's ends meet, whatever wiring is made of it: undefined where the intent is not whole. */
export function situationsIn(document: unknown): readonly Situation[] | undefined {
  const settled = settle(document, {});
  return settled.ok ? [situationOf(settled.value.ask, 'in use', settled.value.ask.links)] : undefined;
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

const cableReasons = ({ cable, reasons }: CableChoice): readonly Because[] => [
  { says: `${cable.name}, chosen for it.`, source: 'common practice' },
  ...reasons.map(({ says, grade, source }) => ({
    says: grade === 'good' ? says : `Less good, and still the best here: ${says}`,
    source,
  })),
];

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
                ? `${name} outputs are on pins, so it starts with a socket.`
                : `${name} inputs are on holes, so it ends with a plug.`,
            source: 'AES14 (cited, from memory)',
          },
        ];
  });
  return reasons.filter((reason, n) => reasons.findIndex((each) => each.says === reason.says) === n);
}
