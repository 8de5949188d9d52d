import type { JobShort } from '../../server/making/service';
import { Mark } from '../../ui';
import { useGot } from '../app';
import styles from './Board.module.css';

/** What a job is short of that somebody has counted out. */
export function ShortOf({ job }: { readonly job: string }) {
  const { data } = useGot<JobShort>(`/api/jobs/${job}/short`);
  const [first, ...others] = data?.short ?? [];
  // Its place is kept: nothing on the board jumps when it comes.
  return (
    <p className={styles['short']}>
      {first !== undefined && (
        <a href={`/job/${job}`}>
          <Mark kind="caution" word="Short" /> of {first}
          {others.length > 0 && ` and ${others.length} more`}
        </a>
      )}
    </p>
  );
}
