import { useEffect, useState } from 'react';
import type { NamedLead } from '../../core/wiring';
import { askLead } from '../../workers';
import styles from './Called.module.css';

/** What was found for a text; it is of that text alone. */
interface Found {
  readonly text: string;
  readonly leads: readonly NamedLead[];
}

/** Leads that are found by what the builder calls them, in whatever words the trade has; one is taken as it stands. */
export function Called({ onTake }: { readonly onTake: (lead: NamedLead) => void }) {
  const [text, setText] = useState('');
  const [found, setFound] = useState<Found>();
  const asked = text.trim();
  useEffect(() => {
    let left = false;
    if (asked !== '')
      void askLead((remote) => remote.called(asked))
        .then((leads) => !left && setFound({ text: asked, leads }))
        .catch(() => undefined);
    return () => {
      left = true;
    };
  }, [asked]);
  const take = (lead: NamedLead): void => {
    onTake(lead);
    setText('');
  };
  const leads = asked === '' ? [] : (found?.leads ?? []);
  const isNewest = found?.text === asked;
  return (
    <form
      role="search"
      aria-label="By its name"
      className={styles['called']}
      onSubmit={(event) => {
        event.preventDefault();
        const [first] = leads;
        if (isNewest && first) take(first);
      }}
    >
      <label>
        What you call it{' '}
        <input
          type="search"
          value={text}
          maxLength={80}
          placeholder="XLR female to jack, double-Y, insert …"
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      <ul className={styles['list']}>
        {leads.map((lead) => (
          <li key={lead.id}>
            <button type="button" onClick={() => take(lead)}>
              <b>{lead.name}</b> <span>{lead.is}</span>
            </button>
          </li>
        ))}
      </ul>
      <p role="status" className={styles['none']}>
        {asked === '' || !isNewest
          ? ''
          : leads.length === 0
            ? 'No lead is known by these words. Say its two ends, as in “jack to phono”, or fill in the sentence below.'
            : ''}
      </p>
    </form>
  );
}
