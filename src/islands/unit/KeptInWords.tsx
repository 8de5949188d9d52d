import type { EventKind, Operation } from '../../core/bench';
import { fromPlain, sayAnswer, type Proof } from '../../core/proving';
import { Button, Mark } from '../../ui';
import { sayWhen } from '../app';
import type { Outbox } from '../kept/outbox';
import type { RefusedUnitRecord, SentRecord, UnitWaiting } from './records';
import type { UnitOnPage } from './useUnit';
import styles from './Unit.module.css';

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

export type NotSentProps = Pick<UnitOnPage, 'waiting' | 'outbox' | 'operations' | 'proof'>;

/** What is kept and not sent any more, and what the server will not take, each with why, to be copied; gone once it was seen. */
export const NotSent = ({ waiting, outbox, operations, proof }: NotSentProps) => (
  <>
    {waiting.held !== undefined && (
      <div role="alert" className={styles['caution']}>
        <p>
          <Mark kind="caution" /> {waiting.records.length} kept here and not sent: {waiting.held}
        </p>
        <Button onClick={() => void outbox.release()}>Send them again</Button>
      </div>
    )}
    {waiting.refused.map(({ record, says }) => (
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

/** What waits here for a unit that the server does not have: it is shown, to be copied, and sent when the unit is back. */
export function KeptOfNone({ waiting, outbox }: { waiting: UnitWaiting; outbox: Outbox<SentRecord> }) {
  const records = [...waiting.records, ...waiting.refused.map(({ record }) => record)];
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
      <Button onClick={() => void Promise.all(records.map(({ id }) => outbox.dismiss(id)))}>
        I have seen them: keep them no longer
      </Button>
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
