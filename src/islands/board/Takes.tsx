import type { BoardJob } from '../../server/board/service';
import type { JobShort } from '../../server/making/service';
import { Mark, Unseen } from '../../ui';
import { useGot } from '../app';
import styles from './Board.module.css';

/** What a job takes, and what it is short of once somebody has counted it out: on a line of its own, so that nothing jumps. */
export function Takes({ job: { id, name } }: { readonly job: Pick<BoardJob, 'id' | 'name'> }) {
  const { data } = useGot<JobShort>(`/api/jobs/${id}/short`);
  const [first, ...others] = data?.short ?? [];
  return (
    <p className={styles['takes']}>
      <a href={`/job/${id}`}>
        What it takes<Unseen>, {name}</Unseen>
      </a>{' '}
      <a href={`/stage/${id}`}>
        Its stage<Unseen>, {name}</Unseen>
      </a>{' '}
      {first !== undefined && (
        <>
          <Mark kind="caution" word="Short" /> of {first}
          {others.length > 0 && ` and ${others.length} more`}
        </>
      )}
    </p>
  );
}
