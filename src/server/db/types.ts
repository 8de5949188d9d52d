import type { ColumnType, Generated, JSONColumnType } from 'kysely';
import type { EventKind, WorkPlan } from '../../core/bench';
import type { OwnEntry } from '../../core/catalogue';
import type { House } from '../../core/house';
import type { Lead } from '../../core/lead';
import type { PlainAnswer } from '../../core/proving';

/** When the database took it: set by the database. */
type TakenAt = ColumnType<Date, never, never>;

export interface JobTable {
  seq: Generated<string>;
  id: string;
  name: string;
  note: string;
  created_at: TakenAt;
}

export interface LeadTable {
  seq: Generated<string>;
  id: string;
  job_id: string;
  /** The newest revision. */
  revision: number;
  created_at: TakenAt;
}

/** What a lead was at each saved change: written once. */
export interface LeadRevisionTable {
  lead_id: string;
  revision: number;
  /** The whole lead, in the version that it was written in. */
  document: JSONColumnType<Lead>;
  /** The client's id for the save: a retry records once. */
  request_id: string;
  created_at: TakenAt;
}

/** One physical lead, pinned to the revision it is built to. */
export interface UnitTable {
  id: string;
  number: Generated<number>;
  lead_id: string;
  revision: number;
  builder: string;
  /** What it is built and proven by, as it was when the unit was started. */
  plan: JSONColumnType<WorkPlan>;
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

/** One row: what is settled for the house. */
export interface HouseTable {
  singleton: Generated<boolean>;
  document: JSONColumnType<House>;
  changed_at: ColumnType<Date, Date | undefined, Date>;
}

/** A connector or a cable of the workshop's own. */
export interface OwnEntryTable {
  kind: 'connector' | 'cable';
  id: string;
  document: JSONColumnType<OwnEntry>;
  changed_at: ColumnType<Date, Date | undefined, Date>;
}

export interface Schema {
  house: HouseTable;
  own_entry: OwnEntryTable;
  job: JobTable;
  lead: LeadTable;
  lead_revision: LeadRevisionTable;
  unit: UnitTable;
  bench_event: BenchEventTable;
  reading: ReadingTable;
}
