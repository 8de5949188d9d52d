import type { Generated, JSONColumnType } from 'kysely';
import type { Lead } from '../../core/lead';
import type { TakenAt } from '../db/columns';
import type { Summary } from './comes-to';

export interface LeadTable {
  seq: Generated<string>;
  id: string;
  job_id: string;
  /** The newest revision. */
  revision: number;
  /** When it was put away; nothing where it is at hand. */
  away_at: Date | null;
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

/** What a lead's newest revision comes to: worked out from it, and anew where either changes. */
export interface LeadSummaryTable {
  lead_id: string;
  revision: number;
  /** What the core was that worked it out. */
  rules: string;
  /** What it is found by. */
  words: string;
  content: JSONColumnType<Summary>;
}

/** What became of a line of a lead’s kit. */
export interface KitPickTable {
  lead_id: string;
  line: string;
  state: 'picked' | 'have' | 'waived';
  at: Generated<Date>;
}

/** Its tables by their names. */
export interface LeadTables {
  lead: LeadTable;
  lead_revision: LeadRevisionTable;
  lead_summary: LeadSummaryTable;
  kit_pick: KitPickTable;
}
