import {
  coverDrilling,
  drilledOf,
  readBox,
  readCover,
  type AskedBox,
  type AskedCover,
} from '../../core/drilling';
import type { Sheet } from '../../core/drawing';
import { schoolsOf, type Lead } from '../../core/lead';
import type { Result } from '../../core/quantity';
import { coverPages, drillPages, sayClearances, sayCover } from '../../core/vice';
import { lengthSystem } from '../../core/wiring';
import { beside } from '../beside';
import type { Database } from '../db';
import type { Answer } from '../http';
import { paperAnswer, paperAsked } from '../print';
import { missing, Refused } from '../refused';
import * as rows from './rows';

const BOX_FIELDS = ['length', 'width', 'depth', 'wall', 'boss'] as const satisfies (keyof AskedBox)[];
const COVER_FIELDS = [
  'across',
  'high',
  'rim',
  'deep',
  'behind',
  'tall',
] as const satisfies (keyof AskedCover)[];

/** How a box or a cover is drilled, in words: what stands behind its holes, and the least of the room that is left. */
export interface DrillingInWords {
  readonly says: readonly string[];
}

/** The same, and as it is drawn. */
interface Drilled extends DrillingInWords {
  readonly lead: Lead;
  readonly pages: (paper: Parameters<typeof drillPages>[2]) => readonly Sheet[];
}

const typedIn = <Field extends string>(
  fields: readonly Field[],
  query: URLSearchParams,
): { readonly [Name in Field]?: string } =>
  Object.fromEntries(
    fields.flatMap((field) => {
      const value = query.get(field);
      return value === null ? [] : [[field, value] as const];
    }),
  ) as { readonly [Name in Field]?: string };

function known<T>(result: Result<T>): T {
  if (!result.ok) throw new Refused(422, result.problems);
  return result.value;
}

async function asked(db: Database, id: string, query: URLSearchParams): Promise<Drilled> {
  const stored = await rows.leadById(db, id);
  if (!stored) throw missing('lead');
  const { lead } = stored;
  const { assembly } = lead;
  const system = lengthSystem(schoolsOf(lead));
  if (drilledOf(assembly)?.is === 'cover') {
    const drilling = known(coverDrilling(assembly, known(readCover(typedIn(COVER_FIELDS, query)))));
    return {
      lead,
      says: sayCover(drilling, system),
      pages: (paper) => coverPages(lead, drilling, paper),
    };
  }
  const box = known(readBox(typedIn(BOX_FIELDS, query)));
  const drilling = known(await beside('drilledFor', { assembly, box }));
  return {
    lead,
    says: sayClearances(drilling, system),
    pages: (paper) => drillPages(lead, drilling, paper),
  };
}

/** How a lead’s box, or cover, of these measures is drilled. Errors: 404; 422 where it is no such thing, or has no room. */
export async function leadDrilling(
  db: Database,
  id: string,
  query: URLSearchParams,
): Promise<DrillingInWords> {
  const { says } = await asked(db, id, query);
  return { says };
}

/** The drilling sheet of a lead’s box or cover as PDF at true size. Errors: 400 where something else is asked, else as of `leadDrilling`. */
export async function drillingPaper(db: Database, id: string, query: URLSearchParams): Promise<Answer> {
  const page = paperAsked(query, [...BOX_FIELDS, ...COVER_FIELDS, 'page']);
  const { lead, pages } = await asked(db, id, query);
  return paperAnswer(pages(page), `${lead.name}: drilling`);
}
