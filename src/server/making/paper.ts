import { jobPages } from '../../core/vice';
import { lengthSystem } from '../../core/wiring';
import type { Database } from '../db';
import type { Answer } from '../http';
import { paperAnswer, paperAsked } from '../print';
import { house } from '../workshop/rows';
import { jobCuts } from './cuts';
import { jobKit } from './service';

/** All that a job takes as PDF: to make, from the shelf, to buy, to cut, to mind. Errors: 400 for another paper; 404. */
export async function jobPaper(db: Database, id: string, query: URLSearchParams): Promise<Answer> {
  const page = paperAsked(query, ['page']);
  const [kit, { cuts }, { schools }] = await Promise.all([jobKit(db, id), jobCuts(db, id), house(db)]);
  return paperAnswer(
    jobPages({ ...kit, cuts }, lengthSystem(schools), page),
    `${kit.job}: everything for it`,
  );
}
