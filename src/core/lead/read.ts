import { ASSEMBLY_VERSION, currentAssembly, readAssembly } from '../assembly';
import {
  good,
  isObject,
  migrated,
  openDocument,
  readShape,
  type DocumentMigration,
  type Earlier,
  type Problem,
  type Result,
} from '../quantity';
import { currentSituation, notCarried, situationProblems } from '../situation';
import { currentIntent, INTENT_VERSION, resolveSchools, situationsIn, type ChosenSchools } from '../wiring';
import { leadSchema, LEAD_VERSION, type Lead } from './document';

/** Every school as the first version had them, in the lead or, before that, in the intent alone. */
const schoolsIn = (document: Earlier): unknown => {
  const { schools, intent } = document;
  const chosen = isObject(schools) ? schools : isObject(intent) ? intent['schools'] : undefined;
  return resolveSchools((isObject(chosen) ? chosen : {}) as ChosenSchools);
};

/**
 * What the first version knew of what a lead meets: a situation beside the assembly in a file; in a stored revision
 * none, and then it is read off the intent, whatever the wiring.
 */
function situationsOf({ situation, intent }: Earlier): readonly unknown[] {
  return isObject(situation) ? [currentSituation(situation)] : (situationsIn(currentIntent(intent)) ?? []);
}

/** One step for each version ever written. */
export const LEAD_MIGRATIONS: readonly DocumentMigration[] = [
  {
    from: 1,
    to: 2,
    name: 'one document: edits, situations and reasons beside intent and assembly',
    up(document) {
      const { antler, name, intent, assembly, recipe, asks, reasons } = document;
      return {
        antler: antler ?? 'lead',
        version: 2,
        name,
        ...(intent === undefined ? {} : { intent }),
        schools: schoolsIn(document),
        edits: [],
        assembly,
        situations: situationsOf(document),
        because: {
          ...(isObject(recipe) ? { recipe } : {}),
          asks: Array.isArray(asks) ? asks : [],
          reasons: Array.isArray(reasons) ? reasons : [],
          leftOut: [],
          lapsed: [],
        },
      };
    },
  },
  {
    from: 2,
    to: 3,
    name: 'what a recipe asks of a link beside that it is carried stands at the link',
    up(document) {
      const { situations, because } = document;
      const recipe = isObject(because) && isObject(because['recipe']) ? because['recipe']['id'] : undefined;
      const asks = typeof recipe === 'string' ? LINK_ASKS[recipe] : undefined;
      if (!asks || !isObject(because) || !Array.isArray(situations)) return { ...document, version: 3 };
      const answers = new Map(
        (Array.isArray(because['asks']) ? because['asks'] : []).flatMap((each: unknown) =>
          isObject(each) ? [[each['id'], each['answer']] as const] : [],
        ),
      );
      return {
        ...document,
        version: 3,
        situations: situations.map((situation: unknown) => {
          const now = currentSituation(situation);
          return isObject(now) && Array.isArray(now['links'])
            ? {
                ...now,
                links: now['links'].map((link: unknown, n) =>
                  isObject(link) ? { ...link, ...asks(n, answers) } : link,
                ),
              }
            : now;
        }),
        because: { ...because, leftOut: reached(because['leftOut'], recipe) },
      };
    },
  },
];

type Answers = ReadonlyMap<unknown, unknown>;

/** What the recipes of the second version asked of a link and wrote nowhere, by the link’s place. */
const LINK_ASKS: Readonly<Record<string, (n: number, answers: Answers) => object>> = {
  pad: (_, answers) => ({
    lossDb: Number(answers.get('loss') ?? 20),
    ...((answers.get('pad') ?? 'bridging') === 'bridging' ? {} : { lossOhms: 600 }),
  }),
  'polarity-reverse': () => ({
    reaches: [
      { role: 'hot', to: 'cold' },
      { role: 'cold', to: 'hot' },
    ],
  }),
  'stereo-into-balanced': (n) => ({
    reaches: [...(n > 0 ? [{ role: 'hot', to: 'cold' }] : []), { role: 'return', to: 'screen' }],
  }),
};

/** What was called left out though it was on purpose elsewhere: it is reached now. */
const reached = (leftOut: unknown, recipe: unknown): unknown =>
  Array.isArray(leftOut) && recipe !== 'pad' ? [] : leftOut;

/** Brings a stored lead and all that is in it up to the versions that are written today, without checking it. */
export function currentLead(document: unknown): unknown {
  const lead = migrated(document, LEAD_MIGRATIONS);
  if (!isObject(lead)) return lead;
  const { situations } = lead;
  return {
    ...lead,
    ...(lead['intent'] === undefined ? {} : { intent: currentIntent(lead['intent']) }),
    assembly: currentAssembly(lead['assembly']),
    situations: Array.isArray(situations) ? situations.map(currentSituation) : situations,
  };
}

/**
 * The first version did not say which roles its recipe left out. Nothing could be changed by hand then: what its lead does
 * not carry was left out on purpose.
 */
function leftOutBefore(document: unknown, lead: Lead): Lead {
  if (!isObject(document) || (document['version'] ?? 1) !== 1) return lead;
  const leftOut = lead.situations.flatMap((situation) =>
    notCarried(lead.assembly, situation).map(({ out, in: into, role }) => ({
      out,
      in: into,
      role,
      says: 'It was left out when this lead was made.',
    })),
  );
  return { ...lead, because: { ...lead.because, leftOut } };
}

/** A lead as it was stored by ourselves: brought up to today's version and taken at its word. */
export const storedLead = (document: unknown): Lead => leftOutBefore(document, currentLead(document) as Lead);

/** A document inside a lead that is newer than what is read here. */
function newerInside(lead: unknown): Problem | undefined {
  if (!isObject(lead)) return undefined;
  const newest = { intent: INTENT_VERSION, assembly: ASSEMBLY_VERSION } as const;
  for (const [name, most] of Object.entries(newest)) {
    const inside = lead[name];
    const version = isObject(inside) ? inside['version'] : undefined;
    if (typeof version === 'number' && version > most)
      return {
        code: `${name}.newer`,
        says: `This was written by a newer Antler (version ${version}); this one reads up to ${most}.`,
        path: `${name}.version`,
      };
  }
  return undefined;
}

/**
 * Reads a lead from outside: newer versions are refused, older ones migrated, then shape, references and situations are
 * checked, all of it before anything reads it. Its assembly is not derived anew.
 */
export function readLead(document: unknown): Result<Lead> {
  const opened = openDocument(document, { name: 'lead', version: LEAD_VERSION, missing: 'This is no lead' });
  if (!opened.ok) return opened;
  const current = currentLead(document);
  const newer = newerInside(current);
  if (newer) return { ok: false, problems: [newer] };
  const read = readShape(leadSchema, current);
  if (!read.ok) return read;
  const lead = read.value;
  const assembly = readAssembly(lead.assembly);
  const problems: readonly Problem[] = [
    ...(assembly.ok ? [] : assembly.problems.map((each) => ({ ...each, path: `assembly.${each.path}` }))),
    ...lead.situations.flatMap((situation, n) =>
      situationProblems(situation, lead.assembly).map((each) => ({
        ...each,
        path: `situations[${n}].${each.path}`,
      })),
    ),
  ];
  return problems.length === 0 ? good(leftOutBefore(document, lead)) : { ok: false, problems };
}
