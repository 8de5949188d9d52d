import { expose } from 'comlink';
import type { Assembly } from '../core/assembly';
import type { CableEntry } from '../core/catalogue';
import { deckText, type Circuit } from '../core/circuit';
import { courseHangsOn } from '../core/bench';
import { findings, servingOf, type Finding, type Serving } from '../core/findings';
import {
  driftOf,
  hangingOn,
  readEdited,
  schoolsOf,
  type EditedLead,
  type Lead,
  type Read,
} from '../core/lead';
import { CHAIN_VERSION, chainLeads } from '../core/kit';
import { choicesFile, type ChoicesFile } from '../core/formats';
import { heatOf, type HeatAnswer, type Known } from '../core/heat';
import type { OwnIron } from './own-iron';
import { leadCircuit } from '../core/model';
import { lookedAt, type Look } from '../core/signal';
import type { Situation } from '../core/situation';
import { describe, readHeld, type Described } from '../core/described';
import type { Problem } from '../core/quantity';
import { workbox, WORKBOX_VERSION, type Workbox } from '../core/workbox';
import { leadsCalled, type Intent, type NamedLead, type SchoolId } from '../core/wiring';

const work = {
  /** An edited lead, read against what is stored of it. */
  read: (edited: EditedLead, kept: Lead | undefined): Read => readEdited(edited, kept),
  /** What there is to say against a lead, and which schools it hangs on. */
  judged: (lead: Lead): Judgement => ({
    found: findings(lead),
    hangs: [...hangingOn(lead), ...courseHangsOn(lead)],
  }),
  /** Whether a lead still serves with so much of it left, mm. */
  serving: (lead: Lead, left: { readonly newMm: number; readonly askedMm: number }): Serving =>
    servingOf(lead, left),
  /** What a lead could be made of, these cables of the workshop’s own among it. */
  choices: (intent: Intent, own: readonly CableEntry[]): ChoicesFile =>
    choicesFile({ ...intent, own: { ...intent.own, cables: [...own] } }),
  /** Which leads a builder may mean by what they call it. */
  called: (text: string): readonly NamedLead[] => leadsCalled(text),
  /** What a lead is of which a meter has said which contacts meet. */
  described(text: string): DescribedLead {
    const held = readHeld(text);
    const is = held.ok ? describe(held.value) : held;
    return is.ok ? { is: is.value, problems: [] } : { problems: is.problems };
  },
  /** The leads of a chain of devices, in today’s version, or why there are none. */
  chain(said: object): ChainedLeads {
    const made = chainLeads({ version: CHAIN_VERSION, ...said });
    return made.ok ? { leads: made.value.leads, problems: [] } : { leads: [], problems: made.problems };
  },
  /** The fewest adapters for what may be needed, in today’s version, or why there are none. */
  box(said: object): { readonly box?: BoxFound; readonly problems: readonly Problem[] } {
    const made = workbox({ version: WORKBOX_VERSION, ...said });
    if (!made.ok) return { problems: made.problems };
    const { adapters, count, optimal } = made.value;
    return { box: { adapters, count, optimal }, problems: [] };
  },
  /** With what and how long a joint is soldered by the iron that is there, or why that cannot be said. */
  heat(
    lead: Pick<Lead, 'assembly' | 'schools'>,
    joint: string,
    { melts, ...iron }: OwnIron,
  ): { readonly answer?: HeatAnswer; readonly problem?: string } {
    const asked = (known: Known) => heatOf(lead.assembly, joint, schoolsOf(lead), known);
    const made = asked(iron);
    if (!made.ok) return { problem: made.problems[0]?.says ?? '' };
    // What was measured at a joint like it settles what the tip gives.
    const meltSeconds = melts[made.value.what];
    if (meltSeconds === undefined) return { answer: made.value };
    const fitted = asked({ ...iron, meltSeconds });
    return fitted.ok
      ? { answer: fitted.value }
      : { answer: made.value, problem: fitted.problems[0]?.says ?? '' };
  },
  /** What would become different if a stored lead were worked out today. */
  drift: (lead: Lead): readonly string[] => driftOf(lead),
  /** A circuit as SPICE text. */
  deck: (title: string, circuit: Circuit): string =>
    deckText({ title, circuit, op: true, ac: SWEPT, print: { op: [], ac: [] } }),
  /** A lead, plugged in, with its supplies on, as SPICE text. */
  deckOf(title: string, assembly: Assembly, use: Situation, look: Look): string {
    const { situation, conditions } = lookedAt(assembly, use, look);
    return work.deck(title, leadCircuit(assembly, situation, { ...conditions, supplies: true }).circuit);
  },
};

const SWEPT = { spacing: 'dec', points: 20, from: 10, to: 100_000 } as const;

/** What a lead in the hand is, or what keeps that from being said. */
export interface DescribedLead {
  readonly is?: Described;
  readonly problems: readonly Problem[];
}

/** A work box without its kit: the job has that once it asks for the box. */
export type BoxFound = Pick<Workbox, 'adapters' | 'count' | 'optimal'>;

/** The leads of a chain, or what keeps them from being made. */
export interface ChainedLeads {
  readonly leads: readonly Lead[];
  readonly problems: readonly Problem[];
}

/** What a lead is judged to be. */
export interface Judgement {
  readonly found: readonly Finding[];
  readonly hangs: readonly SchoolId[];
}

export type LeadWork = typeof work;

expose(work);
