import type { Look } from '../../core/sweep';
import { Button, Mark } from '../../ui';
import { sayWhen } from '../app';
import styles from './Sweep.module.css';
import type { SweepOnPage } from './useSweep';

const sayLook = ({ at, way, kind, lamps, volts, text }: Look): string =>
  [
    `${sayWhen(at)}, way ${way}`,
    kind === 'taken-back' ? 'taken back' : (lamps ?? volts?.join(', ') ?? ''),
    text,
  ]
    .filter(Boolean)
    .join(': ');

/** How much of what was seen here the server does not have yet, and what stands in the way. Its line is there when it is empty too. */
export function Kept({ page: { waiting, outbox } }: { readonly page: SweepOnPage }) {
  const { records, unkept, trouble, held, refused } = waiting;
  return (
    <>
      <p className={styles['kept']} role="status">
        {records.length > 0 &&
          `${unkept > 0 ? `keeping ${unkept}, ` : ''}${records.length} waiting to be sent${unkept === 0 ? ', kept here' : ''}`}
      </p>
      {trouble !== undefined && (
        <p role="alert" className={styles['stop']}>
          <Mark kind="stop" word="Not kept" /> {trouble}
        </p>
      )}
      {held !== undefined && (
        <div role="alert" className={styles['caution']}>
          <p>
            <Mark kind="caution" /> {records.length} kept here and not sent: {held}
          </p>
          <Button onClick={() => void outbox.release()}>Send them again</Button>
        </div>
      )}
      {refused.map(({ record, says }) => (
        <div key={record.id} role="alert" className={styles['stop']}>
          <p>
            <Mark kind="stop" word="Not recorded" /> {says} ({sayLook(record)})
          </p>
          <Button onClick={() => void outbox.dismiss(record.id)}>I have seen it</Button>
        </div>
      ))}
    </>
  );
}
