import styles from './Frame.module.css';
import { useSingleKeys } from './single-keys';
import type { KeyHelp } from './useKeys';

/** The keys of a screen and what each does, and whether one letter alone does something. */
export function KeyList({ keys }: { readonly keys: KeyHelp }) {
  const [single, setSingle] = useSingleKeys();
  return (
    <div className={styles['keyList']}>
      <dl>
        {[...keys, ['?', 'show or hide these keys'] as const].map(([key, does]) => (
          <div key={key}>
            <dt>
              <kbd>{key}</kbd>
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
      <label className={styles['single']}>
        <input type="checkbox" checked={single} onChange={(event) => setSingle(event.target.checked)} />{' '}
        letters, digits and signs alone do this
      </label>
    </div>
  );
}
