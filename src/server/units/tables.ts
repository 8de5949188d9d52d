import type { Generated, JSONColumnType } from 'kysely';
import type { BenchState, EventKind, WorkPlan } from '../../core/bench';
import type { PlainAnswer } from '../../core/proving';
import type { TakenAt } from '../db/columns';
import type { Stand } from './stand';

/** One physical lead, pinned to the revision it is built to. */
export interface UnitTable {
  id: string;
  number: Generated<number>;
  lead_id: string;
  revision: number;
  builder: string;
  /** What it is built and proven by, as it was when the unit was started. */
  plan: JSONColumnType<WorkPlan>;
  /** Where its work stands: what its events come to. */
  state: JSONColumnType<BenchState, string, string>;
  /** That in a word and a line; none where it was recorded before this was kept. */
  stand: JSONColumnType<Stand, string | undefined, string> | null;
  created_at: TakenAt;
}

export interface BenchEventTable {
  seq: Generated<string>;
  id: string;
  unit_id: string;
  kind: EventKind;
  operation: string | null;
  text: string | null;
  /** Its place among all that happened, given by the database. */
  place: Generated<string>;
  at: Date;
  created_at: TakenAt;
}

export interface ReadingTable {
  seq: Generated<string>;
  id: string;
  unit_id: string;
  probe: string;
  answer: JSONColumnType<PlainAnswer>;
  /** The mending that it follows, by the event's id; none where nothing was mended before it. */
  after: string | null;
  /** Its place among all that happened, given by the database. */
  place: Generated<string>;
  at: Date;
  created_at: TakenAt;
}

/** Its tables by their names. */
export interface UnitTables {
  unit: UnitTable;
  bench_event: BenchEventTable;
  reading: ReadingTable;
}
