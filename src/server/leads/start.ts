import { findings, type Finding } from '../../core/findings';
import { readEdited, START, type EditedIntent, type Read } from '../../core/lead';
import type { Database } from '../db';
import { workshop } from '../workshop/service';

/** What a new lead starts from in this house, as it is read. */
export interface LeadStart {
  readonly edited: EditedIntent;
  readonly read: Read;
  readonly found: readonly Finding[];
}

/** A new lead before anything is said of it: the commonest of all, by the house's own schools. */
export async function leadStart(db: Database): Promise<LeadStart> {
  const { schools } = await workshop(db);
  const edited = { name: '', intent: { ...START, schools }, edits: [], lengthText: '' };
  const read = readEdited(edited);
  return { edited, read, found: read.lead ? findings(read.lead) : [] };
}
