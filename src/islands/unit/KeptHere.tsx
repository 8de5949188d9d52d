import { createElement } from 'react';
import { Mark, useLater } from '../../ui';
import type { UnitOnPage } from './useUnit';
import styles from './Unit.module.css';

const loadNotSent = async () => (await import('./KeptInWords')).NotSent;

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
export function KeptTrouble({ page }: { page: UnitOnPage }) {
  const { trouble, held, refused } = page.waiting;
  // What was refused before is told of after a reload too: where the server is away by then, as soon as it is back.
  const NotSent = useLater(loadNotSent, held !== undefined || refused.length > 0, 0);
  return (
    <>
      {trouble !== undefined && (
        <p role="alert" className={styles['refused']}>
          <Mark kind="stop" word="Not kept" /> {trouble}
        </p>
      )}
      {NotSent && createElement(NotSent, page)}
    </>
  );
}
