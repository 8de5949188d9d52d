import { expose } from 'comlink';
import type { Assembly } from '../core/assembly';
import { variantsInSteps, type Lead, type Variant } from '../core/lead';
import type { InSteps, Result } from '../core/quantity';
import type { Situation } from '../core/situation';
import {
  ask,
  compared,
  leadSignalInSteps,
  QUESTIONS,
  type Answer,
  type LeadSignal,
  type Look,
} from '../core/signal';
import type { Offer } from '../core/wiring';

/** One lead to be looked at, by the name that it has beside others. */
export interface HeardLead {
  readonly name: string;
  readonly assembly: Assembly;
  readonly situation: Situation;
}

const { port1: waits, port2: wakes } = new MessageChannel();
const woken: (() => void)[] = [];
waits.onmessage = () => woken.shift()?.();

/** Does a long sum so that it can be ended between its steps: a browser lets a worker finish what it is at, for seconds. */
async function inSteps<T>(steps: InSteps<T>): Promise<T> {
  for (let step = steps.next(); ; step = steps.next()) {
    if (step.done) return step.value;
    await new Promise<void>((resolve) => {
      woken.push(resolve);
      wakes.postMessage(undefined);
    });
  }
}

const signalOf = ({ assembly, situation }: HeardLead, look: Look): Promise<Result<LeadSignal>> =>
  inSteps(leadSignalInSteps(assembly, situation, look));

const work = {
  /** What each of these leads does to its signal, looked at in the same way. */
  async signals(subjects: readonly HeardLead[], look: Look): Promise<readonly Result<LeadSignal>[]> {
    const heard: Result<LeadSignal>[] = [];
    for (const each of subjects) heard.push(await signalOf(each, look));
    return heard;
  },
  /** What else a lead could be. */
  variants: (lead: Lead, offers: readonly Offer[]): Promise<readonly Variant[]> =>
    inSteps(variantsInSteps(lead, offers)),
  /**
   * What a lead gains or costs against the first of some others that there is something to say of, in words; all looked at in
   * the same way, by their figures alone.
   */
  async against(own: HeardLead, others: readonly HeardLead[], look: Look): Promise<string | undefined> {
    const hear = (each: HeardLead): Promise<Result<LeadSignal>> =>
      signalOf(each, { ...look, ranges: false, grid: 'coarse' });
    const mine = others.length > 0 ? await hear(own) : undefined;
    if (!mine?.ok) return undefined;
    for (const other of others) {
      const theirs = await hear(other);
      const said = theirs.ok ? compared(mine.value, theirs.value, other.name) : undefined;
      if (said !== undefined) return said;
    }
    return undefined;
  },
  /** A sum with no lead, by its id. */
  sum(id: string, typed: Readonly<Record<string, string>>): Result<Answer> {
    const question = QUESTIONS.find((each) => each.id === id);
    return question
      ? ask(question, typed)
      : { ok: false, problems: [{ code: 'sum.unknown', says: 'There is no such sum.', path: 'q' }] };
  },
};

export type SignalWork = typeof work;

expose(work);
