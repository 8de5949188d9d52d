import { sql } from 'kysely';
import type { connect } from '../server/db';

/**
 * Makes a large house: so many jobs with so many leads each, alike one that is there in all but the name, with what they come
 * to. Written by the database itself, past every service: for what measures a house, and for nothing else.
 */
export async function manyLeads(
  db: ReturnType<typeof connect>,
  model: string,
  { named = 'Tour', jobs, each }: { readonly named?: string; readonly jobs: number; readonly each: number },
): Promise<void> {
  await sql`
    insert into job (id, name, note)
    select gen_random_uuid(), ${named}::text || ' ' || n, '' from generate_series(1, ${jobs}::int) n`.execute(
    db,
  );
  await sql`
    with made as (
      insert into lead (id, job_id, revision)
      select gen_random_uuid(), job.id, 1 from job cross join generate_series(1, ${each}::int) n
      where job.name like ${`${named} %`}
      returning id, seq)
    insert into lead_revision (lead_id, revision, document, request_id)
    select made.id, 1, jsonb_set(r.document, '{name}', to_jsonb('Lead ' || made.seq)), gen_random_uuid()
    from made, lead_revision r where r.lead_id = ${model} and r.revision = 1`.execute(db);
  await sql`
    insert into lead_summary (lead_id, revision, rules, words, content)
    select l.id, 1, s.rules, 'lead ' || l.seq || ' of the ' || lower(${named}::text), jsonb_set(s.content, '{name}', to_jsonb('Lead ' || l.seq))
    from lead l join job on job.id = l.job_id, lead_summary s
    where job.name like ${`${named} %`} and s.lead_id = ${model}`.execute(db);
  await sql`analyze`.execute(db);
}
