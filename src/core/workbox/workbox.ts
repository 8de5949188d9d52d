import { array, number, object, string } from 'yup';
import { kitSheet, minutesFor, type KitSheet } from '../kit';
import { derive, type Lead } from '../lead';
import { good, readShape, type Problem, type Result, type Shape } from '../quantity';
import { intentSchema, offers, type Intent } from '../wiring';
import { cheapest } from './cover';
import { serves } from './serves';

/** The version of work boxes written today. */
export const WORKBOX_VERSION = 1;
const MOST_NEEDS = 60;
const MOST_AT_ONCE = 200;

const name = string().required('Give it a name.').max(80);
const count = number().integer('Count in whole numbers.').min(1).max(MOST_AT_ONCE);

/** What may be needed of a work box, and what of it at once. */
export const workboxSchema = object({
  version: number()
    .oneOf([WORKBOX_VERSION] as const)
    .required(),
  needs: array(
    object({
      name,
      /** What it has to do; a lead that is longer does it too. */
      intent: intentSchema.required(),
      /** How many at once, where no occasion says otherwise: one. */
      count,
    }).noUnknown(),
  )
    .min(1, 'Name one need at least.')
    .max(MOST_NEEDS)
    .required(),
  /** What is needed at once; where none is named, all of it. */
  occasions: array(
    object({
      name,
      needs: array(object({ need: name, count }).noUnknown())
        .min(1)
        .max(MOST_NEEDS)
        .required(),
    }).noUnknown(),
  )
    .max(MOST_NEEDS)
    .optional(),
}).noUnknown();
export type WorkboxAsked = Shape<typeof workboxSchema>;

/** One adapter of the box. */
export interface BoxedAdapter {
  readonly name: string;
  /** How it is wired, in words: a need may be made in several ways. */
  readonly wiring: string;
  readonly count: number;
  /** The needs that it can serve, by name. */
  readonly serves: readonly string[];
  /** What it is made for: deriving it makes the lead. */
  readonly intent: Intent;
}

/** The fewest adapters for all that may be needed. */
export interface Workbox {
  readonly version: 1;
  readonly adapters: readonly BoxedAdapter[];
  readonly count: number;
  /** Whether fewer cannot do it. */
  readonly optimal: boolean;
  readonly kit: KitSheet;
}

/** Every right and possible way of making what is needed; or why there is none. */
function waysOf({ name, intent }: WorkboxAsked['needs'][number], at: string): Result<readonly Lead[]> {
  const own = derive(intent, [], name);
  if (!own.ok)
    return {
      ok: false,
      problems: own.problems.map((each): Problem => ({ ...each, path: `${at}.${each.path}` })),
    };
  const offered = offers(intent);
  const others = (offered.ok ? offered.value : []).flatMap(({ recipe, is }) => {
    if (is === 'wrong' || recipe === own.value.because.recipe?.id) return [];
    const made = derive({ ...intent, wiring: recipe }, [], name);
    return made.ok ? [made.value] : [];
  });
  return good([own.value, ...others]);
}

/** How many of each need there are at once, by occasion. */
function demands({ needs, occasions }: WorkboxAsked): Result<readonly (readonly number[])[]> {
  if (!occasions || occasions.length === 0) return good([needs.map((each) => each.count ?? 1)]);
  const known = new Map(needs.map((each, n) => [each.name, n]));
  const problems = [
    ...occasions.flatMap((occasion, o) =>
      occasion.needs.flatMap(({ need }, n): Problem[] =>
        known.has(need)
          ? []
          : [
              {
                code: 'workbox.need',
                says: `No need is called “${need}”: name one of ${[...known.keys()].join(', ')}.`,
                path: `occasions[${o}].needs[${n}].need`,
              },
            ],
      ),
    ),
    ...needs.flatMap((each, n): Problem[] =>
      occasions.some((occasion) => occasion.needs.some(({ need }) => need === each.name))
        ? []
        : [
            {
              code: 'workbox.need',
              says: `“${each.name}” is needed on no occasion: add it to one, or take it out.`,
              path: `needs[${n}].name`,
            },
          ],
    ),
  ];
  if (problems.length > 0) return { ok: false, problems };
  return good(
    occasions.map((occasion) =>
      needs.map((each) =>
        occasion.needs
          .filter(({ need }) => need === each.name)
          .reduce((sum, one) => sum + (one.count ?? each.count ?? 1), 0),
      ),
    ),
  );
}

/** So little that all the minutes of a box are less than one adapter: fewer adapters come before quicker ones. */
const MINUTE = 1e-6;

/**
 * A work box: the fewest adapters that serve everything that may be needed, so many at once as it is; of as few the ones made
 * soonest. Which adapter serves which need is judged by its nets and circuit, whatever it was derived for.
 * Errors: those of its shape; `workbox.need`; those of each need’s intent, at that need.
 */
export function workbox(document: unknown): Result<Workbox> {
  const read = readShape(workboxSchema, document);
  if (!read.ok) return read;
  const { needs } = read.value;
  const twice = needs.findIndex((each, n) => needs.some((other, m) => m < n && other.name === each.name));
  if (twice >= 0)
    return {
      ok: false,
      problems: [
        {
          code: 'workbox.need',
          says: `Two needs are called “${needs[twice]?.name}”: give each a name of its own, and say how many with count.`,
          path: `needs[${twice}].name`,
        },
      ],
    };
  const ways = needs.map((need, n) => waysOf(need, `needs[${n}]`));
  const occasions = demands(read.value);
  const problems = [...ways, occasions].flatMap((each) => (each.ok ? [] : each.problems));
  if (problems.length > 0 || !occasions.ok) return { ok: false, problems };
  const made = ways.flatMap((each) => (each.ok ? [each.value] : []));
  const wanted = made.flatMap(([own]) => (own ? [own] : []));
  const all = made.flat();
  const able = all.map((lead) =>
    wanted.flatMap((need, n) => (lead === need || serves(lead, need) ? [n] : [])),
  );
  const found = cheapest({
    serves: able,
    costs: all.map(({ assembly }) => 1 + MINUTE * minutesFor(assembly)),
    occasions: occasions.value,
  });
  const taken = all.flatMap((lead, kind) => {
    const many = found.counts?.[kind] ?? 0;
    return many > 0
      ? [{ lead, count: many, serves: (able[kind] ?? []).map((n) => needs[n]?.name ?? '') }]
      : [];
  });
  return good({
    version: WORKBOX_VERSION,
    adapters: taken.map((each) => ({
      name: each.lead.name,
      wiring: each.lead.because.recipe?.name ?? '',
      count: each.count,
      serves: each.serves,
      intent: each.lead.intent as Intent,
    })),
    count: taken.reduce((sum, each) => sum + each.count, 0),
    optimal: found.optimal,
    kit: kitSheet(taken.map((each) => ({ lead: each.lead, count: each.count }))),
  });
}
