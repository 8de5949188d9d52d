import { Button, Mark } from '../../ui';
import type { RefusedRecord } from './outbox';
import type { UnitOnPage } from './useUnit';
import styles from './Unit.module.css';

/** How much of what was done here the server does not have yet, in a few words beside the count. */
export function KeptCount({ page: { waiting } }: { page: UnitOnPage }) {
  const { records, unkept } = waiting;
  if (records.length === 0) return null;
  return (
    <span>
      {' '}
      · {unkept > 0 ? `keeping ${unkept}, ` : ''}
      {records.length} waiting to be sent{unkept === 0 ? ', kept here' : ''}
    </span>
  );
}

/** What stands in the way of keeping or sending, and what the server will not take, each with what can be done. */
export function KeptTrouble({ page: { waiting, outbox } }: { page: UnitOnPage }) {
  const { trouble, held, refused, records } = waiting;
  return (
    <>
      {trouble !== undefined && (
        <p role="alert" className={styles['refused']}>
          <Mark kind="stop" word="Not kept" /> {trouble}
        </p>
      )}
      {held !== undefined && (
        <div role="alert" className={styles['refused']}>
          <p>
            <Mark kind="caution" /> {records.length} kept here and not sent: {held}
          </p>
          <Button onClick={() => void outbox.release()}>Send them again</Button>
        </div>
      )}
      {refused.map(({ record, says }) => (
        <div key={record.id} role="alert" className={styles['refused']}>
          <p>
            <Mark kind="stop" word="Not recorded" /> {says}
          </p>
          <p className={styles['copy']}>{sayRecord(record)}</p>
          <Button onClick={() => void outbox.dismiss(record.id)}>I have seen it</Button>
        </div>
      ))}
    </>
  );
}

/** What a record was, in a line that can be copied. */
export function sayRecord(record: RefusedRecord['record']): string {
  const when = record.at.replace('T', ' ').replace(/\..*$/, '');
  if (record.is === 'reading') {
    const { answer } = record;
    const said = answer.kind === 'ohms' ? (answer.ohms === 'OL' ? 'open' : `${answer.ohms} Ω`) : answer.kind;
    return `${when}, reading ${record.probe.replace('~', ' to ')}: ${said}`;
  }
  return [`${when}, ${record.kind}`, record.operation, record.text].filter(Boolean).join(': ');
}
