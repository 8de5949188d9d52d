import type { Dressed } from '../../dressing';
import type { Schools } from '../../wiring';

/** A tool that is laid out for a lead: what, how it is set, and what for. */
export interface Tool {
  readonly id: string;
  readonly what: string;
  /** Temperature, tip, gauge, size: how it is set for this lead. */
  readonly set?: string;
  readonly because: string;
}

/** One kind of tool: which of them this lead needs. One is added by its file and its line. */
export type ToolRule = (assembly: Dressed, schools: Schools) => readonly Tool[];
