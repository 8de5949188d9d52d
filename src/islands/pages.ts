import type { PageProps } from './app/page-props';
import { shelf } from './app/shelf';
import type { LeadSheet } from '../server/leads/service';
import { STAGES } from './lead/stages';

/** A page as an address asks for it. */
export interface PageAsked {
  /** The name of what draws it. */
  readonly part: string;
  readonly title: string;
  readonly params: PageProps;
  /** Another key is another page: what was begun on the one before is left. */
  readonly key: string;
  /** The stage of a lead. */
  readonly stage?: string;
  /** The addresses of what it shows. */
  readonly needs: readonly string[];
  /** The addresses of what that in turn shows, as it is sent with the page: the rest is asked for. */
  readonly then?: (found: readonly unknown[]) => readonly string[];
}

/** What draws each page: fetched when it is first opened. What a page is sent with is put there by its entry. */
export const PAGES = shelf<PageProps>(
  import.meta.env.SSR
    ? {}
    : {
        board: async () => (await import('./board/Board')).Board,
        lead: async () => (await import('./lead/LeadPage')).LeadPage,
        'new lead': async () => (await import('./lead/NewLeadPage')).NewLeadPage,
        bench: async () => (await import('./unit/Bench')).Bench,
        prove: async () => (await import('./unit/Prove')).Prove,
        sums: async () => (await import('./sums/SumsPage')).SumsPage,
        job: async () => (await import('./job/JobPage')).JobPage,
        shelf: async () => (await import('./shelf/ShelfPage')).ShelfPage,
        stage: async () => (await import('./stage/StagePage')).StagePage,
        sweep: async () => (await import('./sweep/SweepPage')).SweepPage,
        workshop: async () => (await import('./workshop/WorkshopPage')).WorkshopPage,
      },
);

const ID = '([0-9a-fA-F-]{36})';
/** What every page shows. */
const ALWAYS = ['/api/house'];

interface PageDef {
  readonly like: RegExp;
  readonly asked: (
    parts: readonly string[],
    search: URLSearchParams,
  ) => Omit<PageAsked, 'needs'> & {
    readonly needs?: readonly string[];
  };
}

/** The address of what a lead's log shows first: its newest unit. */
const newestIn = ([sheet]: readonly unknown[]): readonly string[] =>
  ((sheet as LeadSheet | undefined)?.units ?? []).slice(-1).map(({ id }) => `/api/units/${id}/entry`);

/** Every page by its address. Adding one is an entry here, one above, an `.astro` page and its entry. */
const DEFS: readonly PageDef[] = [
  {
    like: /^\/$/,
    asked: () => ({
      part: 'board',
      title: 'Board',
      params: {},
      key: 'board',
      needs: ['/api/board', '/api/board/counts'],
    }),
  },
  {
    like: /^\/lead\/new\/?$/,
    asked: (_, search) => {
      const jobId = search.get('job') ?? '';
      const isId = new RegExp(`^${ID}$`).test(jobId);
      return {
        part: 'new lead',
        title: 'A new lead',
        params: { jobId },
        key: `new ${jobId}`,
        needs: ['/api/start', '/api/workshop', ...(isId ? [`/api/board?job=${jobId}`] : [])],
      };
    },
  },
  {
    like: new RegExp(`^/lead/${ID}/([a-z]+)/?$`),
    asked: ([id = '', stage = '']) => ({
      part: 'lead',
      ...(stage === 'log' ? { then: newestIn } : {}),
      title: `Lead, ${stage}`,
      params: { id, stage },
      key: `lead ${id}`,
      stage,
      needs: [
        `/api/leads/${id}`,
        '/api/workshop',
        ...(stage === 'bench' || stage === 'prove' ? [`/api/leads/${id}/plan`] : []),
        ...(stage === 'kit' ? ['/api/prices', '/api/shelf'] : []),
        ...(stage === 'prove' || stage === 'log' ? [`/api/leads/${id}/entries`] : []),
      ],
    }),
  },
  {
    like: new RegExp(`^/unit/${ID}/(bench|prove)/?$`),
    asked: ([id = '', part = '']) => ({
      part,
      title: part === 'bench' ? 'Bench' : 'Prove',
      params: { id },
      key: `${part} ${id}`,
      needs: [
        `/api/units/${id}`,
        ...(part === 'prove' ? ['/api/workshop', `/api/known-good/${id}`] : [`/api/units/${id}/together`]),
      ],
    }),
  },
  {
    like: /^\/sums\/?$/,
    asked: () => ({ part: 'sums', title: 'Sums', params: {}, key: 'sums' }),
  },
  {
    like: new RegExp(`^/job/${ID}/?$`),
    asked: ([id = '']) => ({
      part: 'job',
      title: 'What a job takes',
      params: { id },
      key: `job ${id}`,
      needs: [`/api/jobs/${id}/kit`, '/api/prices'],
    }),
  },
  {
    like: new RegExp(`^/stage/${ID}/?$`),
    asked: ([id = '']) => ({
      part: 'stage',
      title: 'The stage before the show',
      params: { id },
      key: `stage ${id}`,
      needs: [`/api/stage/${id}`],
    }),
  },
  {
    like: new RegExp(`^/sweep/${ID}/(before|walk|plan)/?$`),
    asked: ([id = '', stage = '']) => ({
      part: 'sweep',
      title: 'Sweeping the lines',
      params: { id, stage },
      key: `sweep ${id}`,
      needs: [`/api/sweeps/${id}`, ...(stage === 'plan' ? [`/api/sweeps/${id}/patch`] : [])],
    }),
  },
  {
    like: /^\/shelf\/?$/,
    asked: () => ({
      part: 'shelf',
      title: 'The shelf',
      params: {},
      key: 'shelf',
      needs: ['/api/shelf', '/api/workshop', '/api/jobs'],
    }),
  },
  {
    like: /^\/workshop\/?$/,
    asked: () => ({
      part: 'workshop',
      title: 'The workshop',
      params: {},
      key: 'workshop',
      needs: ['/api/workshop'],
    }),
  },
];

/** The page at an address; nothing where there is none of ours. */
export function pageAt(at: string): PageAsked | undefined {
  const [path = '', search = ''] = at.split('?', 2);
  for (const { like, asked } of DEFS) {
    const found = like.exec(path);
    if (!found) continue;
    const page = asked(found.slice(1), new URLSearchParams(search));
    if (page.stage !== undefined && !STAGES.isOne(page.stage)) return undefined;
    return { ...page, needs: [...(page.needs ?? []), ...ALWAYS] };
  }
  return undefined;
}

/** Whether all that draws a page is here. */
export const partsHere = ({ part, stage }: PageAsked): boolean =>
  PAGES.get(part) !== undefined && (stage === undefined || STAGES.doors.get(stage) !== undefined);

/** Fetches what draws a page. */
export const loadParts = ({ part, stage }: PageAsked): Promise<unknown> =>
  Promise.all([PAGES.load(part), stage === undefined ? undefined : STAGES.doors.load(stage)]);
