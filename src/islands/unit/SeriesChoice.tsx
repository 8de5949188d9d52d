import { unitNumber } from '../../core/kit';
import { matedEnds } from '../../core/proving';
import type { KnownGood } from '../../server/units/known-good';
import styles from './Unit.module.css';
import type { UnitOnPage } from './useUnit';

/** Where one end is out of reach: through a proven lead that is plugged on it. */
export function SeriesChoice({
  page,
  known,
  series,
  onSeries,
}: {
  page: UnitOnPage;
  known: KnownGood;
  series: string | undefined;
  onSeries: (end: string | undefined) => void;
}) {
  const ends = matedEnds(page.assembly);
  if (ends.length === 0) return null;
  const number = unitNumber(known.number);
  return (
    <div className={styles['series']}>
      <label>
        Measure{' '}
        <select value={series ?? ''} onChange={({ target }) => onSeries(target.value || undefined)}>
          <option value="">this lead alone</option>
          {ends.map(({ end }) => (
            <option key={end.id} value={end.id}>
              through {number}, plugged on end {end.id}
            </option>
          ))}
        </select>
      </label>
      {series !== undefined && (
        <p>
          The pair hides the shell of end {series}, and cannot tell this lead from where the two meet: what is
          off is measured again alone.
        </p>
      )}
    </div>
  );
}
