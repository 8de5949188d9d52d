import { useId } from 'react';
import styles from './Sweep.module.css';
import type { SweepOnPage } from './useSweep';

/** Who looks: the name that this browser gives, beside everything that is seen in it. */
export function Who({ page: { by, keepBy } }: { readonly page: SweepOnPage }) {
  const at = useId();
  return (
    <p className={styles['row']}>
      <label htmlFor={at}>Who looks</label>{' '}
      <input
        id={at}
        value={by}
        maxLength={80}
        autoComplete="name"
        aria-invalid={by.trim() === ''}
        onChange={({ target }) => keepBy(() => target.value)}
      />
      {by.trim() === '' && <span>Give a name first: it stands beside all that is seen here.</span>}
    </p>
  );
}
