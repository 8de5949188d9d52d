import { netlist, type Netlist } from '../assembly';
import { planOf, provenOf, type WorkPlan } from '../bench';
import { cuts, type Cut } from '../cutting';
import { dressed } from '../dressing';
import { findings, type Finding } from '../findings';
import { kit, type KitLine } from '../kit';
import { derive, mainUse, schoolsOf, type Edit, type Lead } from '../lead';
import { proofOf, type Instrument, type Proof } from '../proving';
import { bad, good, type Result } from '../quantity';
import type { Preference } from '../wiring';
import { leadSignal, type LeadSignal, type Look } from '../signal';

/** A lead with everything that follows from it, each worked out when it is asked for. */
export interface WholeLead {
  /** The document itself: what is kept, and what travels. */
  readonly document: Lead;
  /** Which contacts are one piece of metal, and the parts between. */
  readonly netlist: () => Netlist;
  /** What there is to say against it, worst first, each with what can be done. */
  readonly check: () => readonly Finding[];
  /** What it does to what goes through it, in its first use. Errors: `signal.no-use` where it has none; the solver's. */
  readonly signal: (look?: Look) => Result<LeadSignal>;
  /** What to lay out before starting. */
  readonly kit: () => readonly KitLine[];
  /** How long each piece of cable is cut, mm, and what that is made of. */
  readonly cuts: () => readonly Cut[];
  /** The steps at the bench in their order, and the probes that prove it. */
  readonly plan: () => WorkPlan;
  /** The probes, what each should read, Ω, and what every modelled fault would make it read. */
  readonly proof: (instrument?: Instrument) => Proof;
}

/** Opens a lead that is there already. */
export function open(document: Lead): WholeLead {
  const { assembly } = document;
  const schools = schoolsOf(document);
  return {
    document,
    netlist: () => netlist(assembly),
    check: () => findings(document),
    signal(look) {
      const use = mainUse(document);
      return use
        ? leadSignal(assembly, use, look)
        : bad('signal.no-use', 'This lead does not say what its ends meet.', 'situations');
    },
    kit: () => kit(dressed(document), schools),
    cuts: () => cuts(assembly, schools),
    plan: () => planOf(document),
    proof: (instrument) => proofOf(provenOf(document), instrument ? { instrument } : {}),
  };
}

/**
 * A lead from what it is for. Errors: those of {@link derive}, each at its field.
 *
 *     const made = lead({ version: 5, from: [{ port: 'headphone-output', family: 'trs35' }],
 *       to: [{ port: 'line-input', family: 'xlr3' }], length: { mm: 2000, datum: 'face' },
 *       surroundings: 'stage', cable: 'pair-mini', schools: {} });
 *     if (made.ok) made.value.kit(); // two connectors, one piece of cable, three resistors …
 */
export function lead(
  intent: unknown,
  edits: readonly Edit[] = [],
  name = 'lead',
  preference: Preference = {},
): Result<WholeLead> {
  const made = derive(intent, edits, name, preference);
  return made.ok ? good(open(made.value)) : made;
}
