import { CircleCheck, OctagonX, StickyNote, TriangleAlert } from 'lucide-react';
import styles from './Mark.module.css';

export type MarkKind = 'good' | 'caution' | 'stop' | 'note';

const ICONS = { good: CircleCheck, caution: TriangleAlert, stop: OctagonX, note: StickyNote };
const WORDS = { good: 'Good', caution: 'Caution', stop: 'Stop', note: 'Note' };

/** Good, caution, stop and note: told apart by shape and word as well as colour. */
export function Mark({ kind, word = WORDS[kind] }: { kind: MarkKind; word?: string }) {
  const Icon = ICONS[kind];
  return (
    <span className={`${styles['mark']} ${styles[kind]}`}>
      <Icon aria-hidden="true" size={20} />
      {word}
    </span>
  );
}
