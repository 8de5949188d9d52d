import type { Answer, Trial } from '../../core/proving';
import { Button, Mark } from '../../ui';
import styles from './Unit.module.css';

/** One test or one look, large: what is to be seen or heard, and whether it is so. */
export function AskTrial({ trial, onAnswer }: { trial: Trial; onAnswer: (answer: Answer) => void }) {
  return (
    <>
      <h2 className={`${styles['title']} ${styles['verdict']}`}>{trial.says}</h2>
      {trial.caution && (
        <p className={styles['caution']}>
          <Mark kind="caution" /> {trial.caution}
        </p>
      )}
      <div className={styles['reading']}>
        <Button big look="main" onClick={() => onAnswer({ kind: 'yes' })}>
          Yes, so
        </Button>
        <Button big onClick={() => onAnswer({ kind: 'no' })}>
          No
        </Button>
        <Button big onClick={() => onAnswer({ kind: 'skipped' })}>
          Not done
        </Button>
      </div>
      <p className={styles['why']}>What is not done is not proven: the verdict then says so.</p>
    </>
  );
}
