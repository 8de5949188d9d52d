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
  /** An edited lead, read against what is stored of it, with what there is to say against what it comes to. */
  read(
    edited: EditedLead,
    kept: Lead | undefined,
  ): { readonly read: Read; readonly found: readonly Finding[] } {
    const read = readEdited(edited, kept);
    return { read, found: read.lead ? findings(read.lead) : [] };
  },
  /** The ids of those cables in which a lead cannot be made. */
  unfit: (intent: Intent, cables: readonly CableEntry[]): readonly string[] => unfitCables(intent, cables),
  /** What would become different if a stored lead were worked out today. */
  drift: (lead: Lead): readonly string[] => driftOf(lead),
  /** What else a lead could be. */
  variants: (lead: Lead, offers: readonly Offer[]): readonly Variant[] => variantsOf(lead, offers),
};

export type LeadWork = typeof work;

expose(work);
