import { needsSolder } from '../assembly';
import { dressed } from '../dressing';
import { schoolsOf, type Lead } from '../lead';
import { SCHOOLS, type SchoolId, type Schools } from '../wiring';
import { operationsOf } from './sequence';

/**
 * The schools that something of the work on a lead hangs on: of those that decide about the bench, each whose other answers give it
 * other steps, or the same in another order. What hangs on the wiring is asked elsewhere.
 */
export function courseHangsOn(lead: Pick<Lead, 'assembly' | 'schools' | 'situations'>): readonly SchoolId[] {
  const own = schoolsOf(lead);
  const is = made(lead, own);
  return SCHOOLS.filter(
    ({ id, decides, choices }) =>
      decides === 'bench' &&
      choices.some((choice) => choice.id !== own[id] && made(lead, { ...own, [id]: choice.id }) !== is),
  ).map(({ id }) => id);
}

/** What is done by these schools, in which order joints are made, and with which solder. */
function made(lead: Pick<Lead, 'assembly' | 'situations'>, schools: Schools): string {
  const { operations, rank } = operationsOf(dressed({ ...lead, schools }), schools);
  const solder = needsSolder(lead.assembly) && schools.solder;
  return JSON.stringify([solder, operations.map((op) => [op, rank(op)])]);
}
