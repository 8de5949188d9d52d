import type { Assembly, Netlist, Terminal } from '../assembly';
import type { LeadSignal } from '../signal';
import type { Edit, Lead } from '../lead';
import type { Miswiring, Situation } from '../situation';

/** What a rule looks at: a lead in one of its uses, and what follows from both. */
export interface LeadInUse {
  readonly lead: Lead;
  readonly assembly: Assembly;
  readonly situation: Situation;
  readonly netlist: Netlist;
  /** Where an end stands in the intent: `from[0]`; nothing where it is not from one. */
  readonly slot: (end: string) => string;
  /** Whether direct current passes between two terminals. */
  readonly direct: (a: Terminal, b: Terminal) => boolean;
  /** In what its nets are not what this use asks of them, worked out once for all rules. */
  readonly miswired: readonly Miswiring[];
  /** Jacket length of each span, mm. */
  readonly lengths: ReadonlyMap<string, number>;
  /** What the circuit does to the signal, worked out when it is first asked for; nothing where it cannot be solved. */
  readonly signal: () => LeadSignal | undefined;
}

/** Something that can be done about a finding, as data: a slot of the intent set or emptied, or an edit of the lead itself. */
export type Change =
  | { readonly kind: 'set'; readonly path: string; readonly value: string | number }
  | { readonly kind: 'clear'; readonly path: string; readonly also?: readonly string[] }
  | { readonly kind: 'edit'; readonly edit: Edit };

export interface Remedy {
  readonly says: string;
  readonly change: Change;
}

/**
 * Stop: it can do harm, or does not do what the lead is for. Caution: it works, with a price or a risk that is said. Note:
 * worth knowing, nothing to mend.
 */
export type Severity = 'stop' | 'caution' | 'note';

export interface Finding {
  readonly rule: string;
  readonly severity: Severity;
  readonly says: string;
  readonly because: string;
  /** What you would hear, or see on the meter bridge. */
  readonly hear: string;
  /** The end, span or terminal it is about. */
  readonly about: string;
  /** The terminals that it is about, to be lit where the lead is drawn. */
  readonly at?: readonly Terminal[];
  readonly remedies: readonly Remedy[];
}

/** One thing that may be said against a lead, by its nets, its parts and what it meets. */
export interface Rule {
  readonly id: string;
  /** What is wrong, or worth knowing, where it fires: one sentence. */
  readonly what: string;
  readonly source: string;
  readonly find: (used: LeadInUse) => readonly Omit<Finding, 'rule'>[];
}
