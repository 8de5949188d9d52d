import { useEffect, useState } from 'react';
import { hasIntent, sayEdit, type EditedLead, type Lead } from '../../core/lead';
import { capital } from '../../core/quantity';
import { Button } from '../../ui';
import { askLead } from '../../workers';
import styles from './Stage.module.css';

/** What was changed by hand, each to be taken back; and what a change would bring that was worked out another way since. */
export function ByHand({
  lead,
  edited,
  onChange,
}: {
  lead: Lead;
  edited: EditedLead;
  onChange: (edited: EditedLead) => void;
}) {
  // Only what is stored can have been worked out another way.
  const [drift, setDrift] = useState<readonly string[]>([]);
  useEffect(() => {
    let left = false;
    void askLead((remote) => remote.drift(lead))
      .then((now) => !left && setDrift(now))
      .catch(() => undefined);
    return () => {
      left = true;
    };
  }, [lead]);
  if (edited.edits.length === 0 && drift.length === 0) return null;
  const lapsed = new Map(lead.because.lapsed.map((each) => [each.edit, each.says]));
  return (
    <section aria-label="Changed by hand">
      {edited.edits.length > 0 && (
        <>
          <h2>Changed by hand</h2>
          <ul className={styles['reasons']}>
            {edited.edits.map((edit, n) => (
              <li key={n}>
                {capital(sayEdit(edit, lead.assembly))}.{' '}
                {lapsed.has(n) && `It no longer can be: ${lapsed.get(n) ?? ''}`}{' '}
                {/* What was changed in a lead without an intent is in it. */}
                {hasIntent(edited) && (
                  <Button
                    onClick={() =>
                      onChange({ ...edited, edits: edited.edits.filter((_, other) => other !== n) })
                    }
                  >
                    Take it back
                  </Button>
                )}
              </li>
            ))}
          </ul>
          {hasIntent(edited) && edited.edits.length > 1 && (
            <Button onClick={() => onChange({ ...edited, edits: [] })}>
              Take all back: as it was derived
            </Button>
          )}
        </>
      )}
      {drift.length > 0 && (
        <p role="note">
          Kept as it was made. Worked out today it would be otherwise, and the next change brings that with
          it: {drift.join('; ')}.
        </p>
      )}
    </section>
  );
}
