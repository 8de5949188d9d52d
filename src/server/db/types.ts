import type { ColumnType, Generated, JSONColumnType } from 'kysely';
import type { Assembly } from '../../core/assembly';
import type { EventKind } from '../../core/bench';
import type { PlainAnswer } from '../../core/proving';
import type { CableEntry, ConnectorEntry } from '../../core/catalogue';
import type { Intent, Schools } from '../../core/wiring';

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
  name: string;
  intent: JSONColumnType<Intent>;
  assembly: JSONColumnType<Assembly>;
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
  created_at: TakenAt;
}

export interface BenchEventTable {
  seq: Generated<string>;
  id: string;
  unit_id: string;
  kind: EventKind;
  operation: string | null;
  text: string | null;
  at: Date;
  created_at: TakenAt;
}

export interface ReadingTable {
  seq: Generated<string>;
  id: string;
  unit_id: string;
  probe: string;
  answer: JSONColumnType<PlainAnswer>;
  at: Date;
  created_at: TakenAt;
}

/** One row: the house's answers to the schools. */
export interface WorkshopTable {
  singleton: Generated<boolean>;
  schools: JSONColumnType<Schools>;
  changed_at: ColumnType<Date, Date | undefined, Date>;
}

/** A connector or a cable of the workshop's own. */
export interface OwnEntryTable {
  kind: 'connector' | 'cable';
  id: string;
  entry: JSONColumnType<ConnectorEntry | CableEntry>;
  changed_at: ColumnType<Date, Date | undefined, Date>;
}

export interface Schema {
  workshop: WorkshopTable;
  own_entry: OwnEntryTable;
  job: JobTable;
  lead: LeadTable;
  lead_revision: LeadRevisionTable;
  unit: UnitTable;
  bench_event: BenchEventTable;
  reading: ReadingTable;
}
