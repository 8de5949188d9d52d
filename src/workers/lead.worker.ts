import { expose } from 'comlink';
import type { CableEntry } from '../core/catalogue';
import { findings, type Finding } from '../core/findings';
import {
  driftOf,
  readEdited,
  unfitCables,
  variantsOf,
  type EditedLead,
  type Lead,
  type Read,
  type Variant,
} from '../core/lead';
import type { Intent, Offer } from '../core/wiring';

const work = {
  /** An edited lead, read against what is stored of it. */
  read: (edited: EditedLead, kept: Lead | undefined): Read => readEdited(edited, kept),
  /** What there is to say against a lead. */
  found: (lead: Lead): readonly Finding[] => findings(lead),
  /** The ids of those cables in which a lead cannot be made. */
  unfit: (intent: Intent, cables: readonly CableEntry[]): readonly string[] => unfitCables(intent, cables),
  /** What would become different if a stored lead were worked out today. */
  drift: (lead: Lead): readonly string[] => driftOf(lead),
  /** What else a lead could be. */
  variants: (lead: Lead, offers: readonly Offer[]): readonly Variant[] => variantsOf(lead, offers),
};

export type LeadWork = typeof work;

expose(work);
