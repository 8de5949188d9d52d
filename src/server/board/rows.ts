import { sql } from 'kysely';
import { plainWords, tradeTerms } from '../../core/catalogue';
import type { Database } from '../db';
import { RULES_ARE, type Summary } from '../leads/comes-to';
import type { Stand } from '../units/stand';

/** What of the board is asked for. */
export interface BoardAsked {
  /** What is looked for, in names, in what leads are for, and in the numbers of units. */
  readonly find: string;
  /** Whether what was put away is shown; what is looked for is shown in any case. */
  readonly away: boolean;
  /** One job alone, and its leads after this many; all jobs after this many otherwise. */
  readonly job: string | undefined;
  readonly after: number;
}

export interface JobRow {
  readonly id: string;
  readonly name: string;
  readonly note: string;
  /** Whether it came with the demo, and whether it was put away. */
  readonly demo: boolean;
  readonly away: boolean;
  /** How many of its leads are meant, and how many there are, put away or not. */
  readonly count: number;
  readonly all: number;
  /** Whether a unit of it was ever started. */
  readonly built: boolean;
  /** How many jobs are meant. */
  readonly of: number;
}

const bool = (value: boolean) => sql<boolean>`${value}::boolean`;
/** A text in a pattern, each sign for itself. */
const literal = (text: string): string =>
  text
    .trim()
    .toLowerCase()
    .replace(/[\\%_]/g, '\\$&');
/** A text as part of another. */
const pattern = (find: string): string => `%${literal(find)}%`;

/** Whether a lead's words are what is looked for: as it was typed, or each term of it in any of the trade's words. */
const called = (find: string) => {
  const terms = tradeTerms(find).map(
    ({ typed, same }) =>
      sql<boolean>`(s.words like ${pattern(typed)} or s.words like any(${same.map((word) => `% ${literal(word)} %`)}))`,
  );
  const asTyped = sql<boolean>`s.words like ${pattern(plainWords(find) || find)}`;
  return terms.length === 0 ? asTyped : sql<boolean>`(${asTyped} or (${sql.join(terms, sql` and `)}))`;
};

/** Which leads are meant: `l`, with what they come to: `s`. */
const meant = ({ find, away }: BoardAsked) => {
  const looked = find.trim() !== '';
  // A unit's number, as it stands on its label: 0003, or No. 0003.
  const number = /^\s*(?:no\.?\s*)?(\d+)\s*$/i.exec(find)?.[1];
  return sql<boolean>`(${bool(away || looked)} or l.away_at is null) and (${bool(!looked)}
    or ${called(find)}
    ${number === undefined ? sql`` : sql`or exists (select 1 from unit where unit.lead_id = l.id and lpad(unit.number::text, 4, '0') like ${pattern(number)})`})`;
};

/** Jobs in their order, with how many of their leads are meant; where something is looked for, those that have it. */
export async function jobs(db: Database, asked: BoardAsked, most: number): Promise<readonly JobRow[]> {
  const { find, away, job, after } = asked;
  const looked = find.trim() !== '';
  const named = sql`j.id, j.name, j.note, j.demo, j.away_at is not null as away`;
  const built = sql`exists (select 1 from lead l join unit on unit.lead_id = l.id where l.job_id = j.id) as built`;
  const counted = sql`coalesce(n.meant, 0)::int as count, coalesce(n.leads, 0)::int as "all"`;
  const which = job === undefined ? sql`(${bool(away || looked)} or j.away_at is null)` : sql`j.id = ${job}`;
  const page = sql`order by j.seq limit ${most} offset ${job === undefined ? after : 0}`;
  // Of leads that are not looked for only those of the jobs that are shown are counted.
  const { rows } = looked
    ? await sql<JobRow>`
    select ${named}, ${counted}, (count(*) over ())::int as "of", ${built}
    from job j left join (
      select l.job_id, count(*) as leads, count(*) filter (where ${meant(asked)}) as meant
      from lead l left join lead_summary s on s.lead_id = l.id group by l.job_id) n on n.job_id = j.id
    where ${which} and (${bool(job !== undefined)} or n.meant > 0 or lower(j.name) like ${pattern(find)})
    ${page}`.execute(db)
    : await sql<JobRow>`
    select ${named}, ${counted}, j."of", ${built}
    from (select j.*, (count(*) over ())::int as "of" from job j where ${which} ${page}) j
    cross join lateral (
      select count(*) as leads, count(*) filter (where ${bool(away)} or l.away_at is null) as meant
      from lead l where l.job_id = j.id) n
    order by j.seq`.execute(db);
  return rows;
}

/** How much is put away: jobs, and leads of jobs that are not; how many jobs are the demo's, and how many there are. */
export async function counts(db: Database): Promise<{
  readonly jobs: number;
  readonly demo: number;
  readonly jobsAway: number;
  readonly leadsAway: number;
}> {
  const { rows } = await sql<{ jobs: number; demo: number; jobsAway: number; leadsAway: number }>`
    select count(*)::int as jobs, count(*) filter (where demo)::int as demo, count(away_at)::int as "jobsAway",
      (select count(*)::int from lead l join job on job.id = l.job_id
       where l.away_at is not null and job.away_at is null) as "leadsAway"
    from job`.execute(db);
  return rows[0] ?? { jobs: 0, demo: 0, jobsAway: 0, leadsAway: 0 };
}

export interface LeadRow {
  readonly id: string;
  readonly jobId: string;
  readonly revision: number;
  readonly away: boolean;
  /** None where it was not worked out by these rules. */
  readonly content: Pick<Summary, 'name' | 'strip' | 'says' | 'cutMm' | 'steps'> | null;
  readonly stops: number;
  readonly cautions: number;
}

/** The leads of a job that are meant, in their order. */
export async function leads(
  db: Database,
  asked: BoardAsked,
  job: string,
  { after, most }: { readonly after: number; readonly most: number },
): Promise<readonly LeadRow[]> {
  const fresh = sql`s.rules = ${RULES_ARE} and s.revision = l.revision`;
  const { rows } = await sql<LeadRow>`
    with page as (
      select l.id, l.job_id, l.revision, l.away_at, l.seq
      from lead l ${asked.find.trim() === '' ? sql`` : sql`left join lead_summary s on s.lead_id = l.id`}
      where l.job_id = ${job} and ${asked.find.trim() === '' ? sql`(${bool(asked.away)} or l.away_at is null)` : meant(asked)}
      order by l.seq limit ${most} offset ${after})
    select l.id, l.job_id as "jobId", l.revision, l.away_at is not null as away,
      case when ${fresh} then s.content - 'found' - 'hangs' - 'offers' - 'figures' - 'called' end as content,
      (select count(*)::int from jsonb_array_elements(s.content->'found') f where f->>'severity' = 'stop') as stops,
      (select count(*)::int from jsonb_array_elements(s.content->'found') f where f->>'severity' = 'caution') as cautions
    from page l left join lead_summary s on s.lead_id = l.id
    order by l.seq`.execute(db);
  return rows;
}

export interface UnitRow {
  readonly id: string;
  readonly leadId: string;
  readonly number: number;
  readonly builder: string;
  /** None where it was recorded before this was kept. */
  readonly stand: Stand | null;
  /** How many units its lead has. */
  readonly of: number;
}

/** The units of each of these leads that are shown: those that are not in the log first, then the newest of the log. */
export async function units(
  db: Database,
  leadIds: readonly string[],
  most: number,
): Promise<readonly UnitRow[]> {
  if (leadIds.length === 0) return [];
  const { rows } = await sql<UnitRow>`
    select id, "leadId", number, builder, stand, "of" from (
      select id, lead_id as "leadId", number, builder, stand, count(*) over (partition by lead_id)::int as "of",
        row_number() over (partition by lead_id
          order by coalesce(stand->>'stage', '') in ('logged', 'given up'), number desc) as n
      from unit where lead_id = any(${leadIds}::uuid[])) ranked
    where n <= ${most} order by number`.execute(db);
  return rows;
}
