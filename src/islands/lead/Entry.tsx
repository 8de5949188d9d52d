import { unitNumber } from '../../core/kit';
import type { LogEntry } from '../../server/units/entry-of';
import { Mark } from '../../ui';
import { saySeconds, useGot, When } from '../app';
import { VerdictMark } from './VerdictMark';
import styles from './Stage.module.css';

/** The whole record of one unit: label, who, when, times, readings, remarks. */
export function Entry({ id }: { readonly id: string }) {
  const { data: entry } = useGot<LogEntry>(`/api/units/${id}/entry`);
  if (!entry) return <p className={styles['unit']}>Reading its entry…</p>;
  return (
    <article className={styles['unit']} aria-label={`Number ${unitNumber(entry.number)}`}>
      <div className={styles['row']}>
        <pre className={styles['label']}>{entry.label.join('\n')}</pre>
        <div>
          <p>
            {entry.logged ? (
              <Mark kind="good" word="Logged" />
            ) : (
              <Mark kind="note" word={`${entry.done} of ${entry.of} steps`} />
            )}{' '}
            <VerdictMark verdict={entry.verdict} measured={entry.readings.length} />
          </p>
          {entry.readings.length > 0 && <p>{entry.verdict.says}</p>}
          <p>
            Built by <b>{entry.builder}</b> to revision {entry.revision}, started{' '}
            <When at={entry.startedAt} />
          </p>
          <p>
            At the bench <b className={styles['figure']}>{saySeconds(entry.seconds)}</b>
          </p>
        </div>
      </div>
      {entry.remarks.length > 0 && (
        <ul className={styles['reasons']}>
          {entry.remarks.map((remark) => (
            <li key={remark.at + remark.text}>
              {remark.kind === 'wrong' ? 'Wrong' : 'Note'}: {remark.text}
            </li>
          ))}
        </ul>
      )}
      <div className={styles['halves']}>
        <details open>
          <summary>Time by step</summary>
          <table className={styles['table']}>
            <tbody>
              {entry.steps.map(({ id: step, title, seconds }) => (
                <tr key={step}>
                  <td>{title}</td>
                  <td className={styles['figure']}>{seconds === undefined ? '' : saySeconds(seconds)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </details>
        <details open>
          <summary>Readings ({entry.readings.length})</summary>
          <table className={styles['table']}>
            <tbody>
              {entry.readings.map((reading) => (
                <tr key={reading.id}>
                  <td>{reading.says}</td>
                  <td className={styles['figure']}>{reading.read}</td>
                  <td>
                    <When at={reading.at} />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </details>
      </div>
    </article>
  );
}
