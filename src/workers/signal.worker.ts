import { expose } from 'comlink';
import type { Assembly } from '../core/assembly';
import type { Use } from '../core/circuit';
import type { Result } from '../core/quantity';
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
export interface Subject {
  readonly name: string;
  readonly assembly: Assembly;
  readonly use: Use;
}

const work = {
  /** What each of these leads does to its signal, looked at in the same way. */
  signals: (subjects: readonly Subject[], look: Look): readonly Result<LeadSignal>[] =>
    subjects.map(({ assembly, use }) => leadSignal(assembly, use, look)),
  /**
   * What a lead gains or costs against the first of some others that there is something to say of, in words; all looked at in
   * the same way, by their figures alone.
   */
  against(own: Subject, others: readonly Subject[], look: Look): string | undefined {
    const figuresOf = ({ assembly, use }: Subject): Result<LeadSignal> =>
      leadSignal(assembly, use, { ...look, ranges: false, grid: 'coarse' });
    const mine = others.length > 0 ? figuresOf(own) : undefined;
    if (!mine?.ok) return undefined;
    for (const other of others) {
      const theirs = figuresOf(other);
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
