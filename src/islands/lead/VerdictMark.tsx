import type { Verdict } from '../../core/proving';
import { Mark } from '../../ui';

const WORDS = {
  good: ['good', 'Good'],
  fault: ['stop', 'Fault'],
  unclear: ['stop', 'Not good'],
  unfinished: ['note', 'Not finished'],
} as const;

/** What the meter says of a unit, in a word; of one that it was never at, that. */
export function VerdictMark({ is, measured }: Pick<Verdict, 'is'> & { readonly measured: number }) {
  const [kind, word] = measured === 0 ? (['note', 'Not measured yet'] as const) : WORDS[is];
  return <Mark kind={kind} word={word} />;
}
