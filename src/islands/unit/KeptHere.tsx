import type { EventKind, Operation } from '../../core/bench';
import { fromPlain, sayAnswer, type Proof } from '../../core/proving';
import { Button, Mark } from '../../ui';
import { sayWhen } from '../app';
import type { RefusedUnitRecord, UnitWaiting } from './records';
import type { UnitOnPage } from './useUnit';
import styles from './Unit.module.css';

/**
 * How much of what was done here the server does not have yet, in a few words. Its line is there when it is empty too: what
 * comes and goes must not move the button that a thumb is on its way to.
 */
export function KeptCount({ page: { waiting } }: { page: UnitOnPage }) {
  const { records, unkept } = waiting;
  return (
    <p className={styles['kept']}>
      {records.length > 0 &&
        `${unkept > 0 ? `keeping ${unkept}, ` : ''}${records.length} waiting to be sent${unkept === 0 ? ', kept here' : ''}`}
    </p>
  );
}

/** What stands in the way of keeping or sending, and what the server will not take, each with what can be done. */
export function KeptTrouble({ page: { waiting, outbox, operations, proof } }: { page: UnitOnPage }) {
  const { trouble, held, refused, records } = waiting;
  return (
    <>
      {trouble !== undefined && (
        <p role="alert" className={styles['refused']}>
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
        <div key={record.id} role="alert" className={styles['refused']}>
          <p>
            <Mark kind="stop" word="Not recorded" /> {says}
          </p>
          <p className={styles['copy']}>{sayRecord(record, operations, proof)}</p>
          <Button onClick={() => void outbox.dismiss(record.id)}>I have seen it</Button>
        </div>
      ))}
    </>
  );
}

const DONE: Readonly<Record<EventKind, string>> = {
  open: 'came to the bench',
  confirm: 'confirmed',
  done: 'done',
  undo: 'taken back',
  note: 'note',
  wrong: 'something is wrong',
  mended: 'mended',
  logged: 'entered in the log',
  'given-up': 'given up',
};

/** What waits here for a unit that the server does not have: it is shown, to be copied, and sent when the unit is back. */
export function KeptOfNone({ waiting }: { waiting: UnitWaiting }) {
  const { records } = waiting;
  if (records.length === 0) return null;
  return (
    <section aria-label="Kept here">
      <p>
        {records.length === 1 ? 'One thing that was' : `${records.length} things that were`} done at it
        {records.length === 1 ? ' is' : ' are'} kept in this browser, and sent when it is back:
      </p>
      <ul>
        {records.map((record) => (
          <li key={record.id}>{sayRecord(record)}</li>
        ))}
      </ul>
    </section>
  );
}

/** What a record was, in a line that can be copied. */
function sayRecord(
  record: RefusedUnitRecord['record'],
  operations: readonly Operation[] = [],
  proof?: Proof,
): string {
  const when = sayWhen(record.at);
  if (record.is === 'reading')
    return `${when}, reading ${proof?.check(record.probe)?.says ?? record.probe}: ${sayAnswer(fromPlain(record.answer))}`;
  const step = operations.find((each) => each.id === record.operation)?.title;
  return [`${when}, ${DONE[record.kind]}`, step && `“${step}”`, record.text].filter(Boolean).join(': ');
}
