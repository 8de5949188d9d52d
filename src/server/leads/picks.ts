import { object, string } from 'yup';
import { pickKey, type KitLine } from '../../core/kit';
import type { Shape } from '../../core/quantity';
import { inTransaction, type Database } from '../db';
import { missing } from '../refused';
import { picksOf, STATES, type Picks } from './picked';
import * as rows from './rows';
import { summaryFor } from './summary';

export const pickSchema = object({
  /** The line as the kit names it: what, how many, how long. */
  line: string().required('The line of the kit is missing.').max(400),
  is: string()
    .oneOf([...STATES, 'open'] as const, 'A line is picked, had, left out or open.')
    .required('What became of the line is missing.'),
}).noUnknown();

/** Says what became of one line. Said twice it is the same. Errors: 404. */
export async function pick(
  db: Database,
  id: string,
  { line, is }: Shape<typeof pickSchema>,
): Promise<{ readonly picks: Picks; readonly laidOut: boolean }> {
  await inTransaction(db, async (trx) => {
    if (!(await rows.lockLead(trx, id))) throw missing('lead');
    if (is === 'open')
      await trx.deleteFrom('kit_pick').where('lead_id', '=', id).where('line', '=', line).execute();
    else
      await trx
        .insertInto('kit_pick')
        .values({ lead_id: id, line, state: is })
        .onConflict((known) => known.columns(['lead_id', 'line']).doUpdateSet({ state: is, at: new Date() }))
        .execute();
  });
  const stored = await rows.leadById(db, id);
  if (!stored) throw missing('lead');
  const [picks, { kit }] = await Promise.all([picksOf(db, id), summaryFor(db, stored)]);
  return { picks, laidOut: isLaidOut(kit, picks) };
}

/** Whether every line of a kit is picked, there already or left out. */
export const isLaidOut = (kit: readonly KitLine[], picks: Picks): boolean =>
  kit.length > 0 && kit.every((line) => picks[pickKey(line)] !== undefined);
