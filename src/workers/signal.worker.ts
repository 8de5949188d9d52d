import { expose } from 'comlink';
import type { Assembly } from '../core/assembly';
import type { Result } from '../core/quantity';
import type { Situation } from '../core/situation';
import {
  ask,
  compared,
  leadSignal,
  QUESTIONS,
  type Answer,
  type LeadSignal,
  type Look,
} from '../core/signal';

/** One lead to be looked at, by the name that it has beside others. */
export interface HeardLead {
  readonly name: string;
  readonly assembly: Assembly;
  readonly situation: Situation;
}

const work = {
  /** What each of these leads does to its signal, looked at in the same way. */
  signals: (subjects: readonly HeardLead[], look: Look): readonly Result<LeadSignal>[] =>
    subjects.map(({ assembly, situation }) => leadSignal(assembly, situation, look)),
  /**
   * What a lead gains or costs against the first of some others that there is something to say of, in words; all looked at in
   * the same way, by their figures alone.
   */
  against(own: HeardLead, others: readonly HeardLead[], look: Look): string | undefined {
    const hear = ({ assembly, situation }: HeardLead): Result<LeadSignal> =>
      leadSignal(assembly, situation, { ...look, ranges: false, grid: 'coarse' });
    const mine = others.length > 0 ? hear(own) : undefined;
    if (!mine?.ok) return undefined;
    for (const other of others) {
      const theirs = hear(other);
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
