import { plainWords } from '../../core/catalogue';
import { beside } from '../beside';
import type { Database } from '../db';
import { RULES_ARE, type Summary } from './comes-to';
import type { StoredLead } from './rows';

/** What a lead is found by: plain words, each between blanks. */
const wordsOf = ({ name, says, called }: Summary): string => ` ${plainWords(`${name} ${says} ${called}`)} `;

/** Works out what a revision comes to and keeps it. Where the lead was taken out meanwhile nothing is kept. */
export async function summarise(
  db: Database,
  { id, revision, lead }: Pick<StoredLead, 'id' | 'revision' | 'lead'>,
): Promise<Summary> {
  const summary = await beside('summaryOf', lead);
  await db
    .insertInto('lead_summary')
    .columns(['lead_id', 'revision', 'rules', 'words', 'content'])
    .expression((eb) =>
      eb
        .selectFrom('lead')
        .select([
          'id',
          eb.val(revision).as('revision'),
          eb.val(RULES_ARE).as('rules'),
          eb.val(wordsOf(summary)).as('words'),
          eb.cast<string>(eb.val(JSON.stringify(summary)), 'jsonb').as('content'),
        ])
        .where('id', '=', id)
        // One that is being taken out is waited for: it is there, or nothing is kept.
        .forKeyShare(),
    )
    .onConflict((conflict) =>
      conflict
        .column('lead_id')
        .doUpdateSet((eb) => ({
          revision: eb.ref('excluded.revision'),
          rules: eb.ref('excluded.rules'),
          words: eb.ref('excluded.words'),
          content: eb.ref('excluded.content'),
        }))
        // A slower one never puts an older revision in the place of a newer.
        .whereRef('lead_summary.revision', '<=', 'excluded.revision'),
    )
    .execute();
  return summary;
}

/** What a lead comes to in its newest revision: as it is kept, or worked out now. */
export async function summaryFor(db: Database, stored: StoredLead): Promise<Summary> {
  const kept = await db
    .selectFrom('lead_summary')
    .select('content')
    .where('lead_id', '=', stored.id)
    .where('revision', '=', stored.revision)
    .where('rules', '=', RULES_ARE)
    .executeTakeFirst();
  return kept?.content ?? summarise(db, stored);
}

/** A lead whose newest revision has not been worked out by these rules; nothing where all others are. */
export const unsummarised = async (
  db: Database,
  except: readonly string[] = [],
): Promise<string | undefined> =>
  (
    await db
      .selectFrom('lead')
      .leftJoin('lead_summary as s', 's.lead_id', 'lead.id')
      .select('lead.id')
      .where((eb) =>
        eb.or([
          eb('s.lead_id', 'is', null),
          eb('s.rules', '!=', RULES_ARE),
          eb('s.revision', '<', eb.ref('lead.revision')),
        ]),
      )
      .where((eb) => eb.not(eb('lead.id', '=', eb.fn.any(eb.val(except)))))
      .limit(1)
      .executeTakeFirst()
  )?.id;
