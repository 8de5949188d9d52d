import type { ColumnType, GeneratedAlways, Generated, JSONColumnType } from 'kysely';
import type { InputList, Look, Plug, VenueLine } from '../../core/sweep';
import type { ChangedAt, TakenAt } from '../db/columns';

/** Where shows are put on, with the lines that belong to it. */
export interface VenueTable {
  seq: GeneratedAlways<string>;
  id: string;
  name: string;
  lines: JSONColumnType<readonly VenueLine[], string, string>;
  revision: Generated<number>;
  created_at: TakenAt;
}

/** What a job wants on those lines. */
export interface InputListTable {
  job_id: string;
  document: JSONColumnType<InputList, string, string>;
  revision: Generated<number>;
  at: ChangedAt;
}

/** The lines of a venue, looked at one after the other on an evening. */
export interface SweepTable {
  seq: GeneratedAlways<string>;
  id: string;
  venue_id: string;
  job_id: string | null;
  started_by: string;
  plug: JSONColumnType<Plug, string, string>;
  trusts: boolean;
  at: ColumnType<Date, string, never>;
  created_at: TakenAt;
}

/** What was seen of a line, or said of it, in the order in which it was recorded. */
export interface LookTable {
  seq: GeneratedAlways<string>;
  id: string;
  sweep_id: string;
  document: JSONColumnType<Look>;
  /** When it was seen, by this clock: the one of whoever looked may go wrong. */
  seen_at: ColumnType<Date, Date, never>;
  recorded_at: TakenAt;
}

/** Its tables by their names. */
export interface StageTables {
  venue: VenueTable;
  input_list: InputListTable;
  sweep: SweepTable;
  look: LookTable;
}
