import { cuts } from '../../core/cutting';
import { kit, type KitLine } from '../../core/kit';
import { dressed } from '../../core/dressing';
import { courseHangsOn, sequence } from '../../core/bench';
import { stripOf, type Strip } from '../../core/drawing';
import { findings, signalOf, type Finding } from '../../core/findings';
import { hangingOn, mainUse, schoolsOf, type Lead } from '../../core/lead';
import { foremost, type Figure } from '../../core/signal';
import { offers, sayIntent, type Offer, type SchoolId } from '../../core/wiring';

/** What a revision of a lead comes to: worked out once, and kept with it. */
export interface Summary {
  readonly name: string;
  /** How it lies along a line, for the board. */
  readonly strip: Strip;
  /** What it is for, in a line. */
  readonly says: string;
  /** What it is found by besides: how it is wired, its connectors and cables. */
  readonly called: string;
  readonly found: readonly Finding[];
  /** The schools that something in it hangs on. */
  readonly hangs: readonly SchoolId[];
  /** The ways of wiring it, where its ends are known. */
  readonly offers: readonly Offer[];
  /** What it does to the signal, of each kind the worst figure: read before the page has worked out its curves. */
  readonly figures: readonly Figure[];
  /** All that is cut for it, mm, and how many steps the work has. */
  readonly cutMm: number;
  /** What there is to lay out for one of it. */
  readonly kit: readonly KitLine[];
  readonly steps: number;
}

declare const __RULES__: string | undefined;
/** What the core and this file were when this was built: what other rules worked out is worked out anew. */
export const RULES_ARE: string = typeof __RULES__ === 'undefined' ? 'unbuilt' : __RULES__;

/** What a lead comes to. */
export function summaryOf(lead: Lead): Summary {
  const schools = schoolsOf(lead);
  const whole = dressed(lead);
  const lines = kit(whole, schools);
  const use = mainUse(lead);
  const offered = lead.intent && offers(lead.intent);
  return {
    name: lead.name,
    strip: stripOf(lead.assembly),
    says: sayIntent(lead.intent),
    called: [lead.because.recipe?.name ?? '', ...lines.map(({ what }) => what)].join(' '),
    found: findings(lead),
    hangs: [...hangingOn(lead), ...courseHangsOn(lead)],
    offers: offered?.ok ? offered.value : [],
    figures: foremost((use && signalOf(lead, use)?.figures) ?? []).map(({ worst }) => worst),
    cutMm: cuts(lead.assembly, schools).reduce((sum, cut) => sum + cut.total, 0),
    kit: lines.map(({ dressings: _, ...line }) => line),
    steps: sequence(whole, schools).length,
  };
}
