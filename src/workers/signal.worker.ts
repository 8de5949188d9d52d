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
  /** What a lead gains or costs against another, in words; both looked at in the same way, by their figures alone. */
  against(own: Subject, other: Subject, look: Look): string | undefined {
    const [a, b] = [own, other].map(({ assembly, use }) =>
      leadSignal(assembly, use, { ...look, ranges: false, grid: 'coarse' }),
    );
    return a?.ok && b?.ok ? compared(a.value, b.value, other.name) : undefined;
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
