import type { Verdict } from '../../core/proving';
import { Mark } from '../../ui';

const WORDS = {
  good: ['good', 'Good'],
  fault: ['stop', 'Fault'],
  unclear: ['stop', 'Not good'],
  unfinished: ['note', 'Not finished'],
} as const;

/** What the meter says of a unit, in a word. */
export function VerdictMark({ is }: Pick<Verdict, 'is'>) {
  const [kind, word] = WORDS[is];
  return <Mark kind={kind} word={word} />;
}
