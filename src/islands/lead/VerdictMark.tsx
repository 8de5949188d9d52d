import type { Verdict } from '../../core/proving';
import { Mark } from '../../ui';

const WORDS = {
  good: ['good', 'Good'],
  fault: ['stop', 'Fault'],
  unclear: ['stop', 'Not good'],
  unfinished: ['note', 'Not finished'],
} as const;

/** Whether a unit is good but for what was not proven. */
export const hasExceptions = ({ is, says }: Pick<Verdict, 'is' | 'says'>): boolean =>
  is === 'good' && says.startsWith('Good, except');

/** What the meter says of a unit, in a word; of one that it was never at, that. */
export function VerdictMark({
  verdict,
  measured,
}: {
  readonly verdict: Pick<Verdict, 'is' | 'says'>;
  readonly measured: number;
}) {
  const [kind, word] =
    measured === 0
      ? (['note', 'Not measured yet'] as const)
      : hasExceptions(verdict)
        ? (['good', 'Good, not all of it proven'] as const)
        : WORDS[verdict.is];
  return <Mark kind={kind} word={word} />;
}
