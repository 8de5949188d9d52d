import { sayEdit, type Edit, type EditedLead } from '../../core/lead';
import { sayIntent, type Intent } from '../../core/wiring';
import type { LeadSheet } from '../../server/leads/service';
import { Button, Mark } from '../../ui';
import styles from './Stage.module.css';

/** Two edits of one revision: both are shown, and the builder says which holds. */
export function Conflict({
  theirs,
  mine,
  onSettle,
}: {
  theirs: LeadSheet;
  mine: EditedLead;
  onSettle: (whose: 'mine' | 'theirs') => void;
}) {
  const text = (name: string, intent: Intent | undefined, edits: readonly Edit[]): string =>
    [`${name}: ${sayIntent(intent)}`, ...edits.map((edit) => sayEdit(edit, theirs.lead.assembly))].join('; ');
  return (
    <section className={styles['conflict']} role="alert">
      <p>
        <Mark kind="caution" /> This lead was changed in another window since you opened it. Nothing is lost:
        choose which holds.
      </p>
      <dl>
        <div>
          <dt>Theirs, revision {theirs.revision}</dt>
          <dd>{text(theirs.lead.name, theirs.lead.intent, theirs.lead.edits)}</dd>
        </div>
        <div>
          <dt>Yours</dt>
          <dd>{text(mine.name, mine.intent, mine.edits)}</dd>
        </div>
      </dl>
      <div className={styles['row']}>
        <Button onClick={() => onSettle('theirs')}>Take theirs</Button>
        <Button onClick={() => onSettle('mine')}>Keep mine on top</Button>
      </div>
    </section>
  );
}
