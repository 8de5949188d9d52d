import type { JobShort } from '../../server/making/service';
import { Mark } from '../../ui';
import { useGot } from '../app';

/** What a job is short of that somebody has counted out. */
export function ShortOf({ job }: { readonly job: string }) {
  const { data } = useGot<JobShort>(`/api/jobs/${job}/short`);
  if (!data || data.short.length === 0) return null;
  const [first = '', ...others] = data.short;
  return (
    <a href={`/job/${job}`}>
      <Mark
        kind="caution"
        word={`Short of ${first}${others.length > 0 ? ` and ${others.length} more` : ''}`}
      />
    </a>
  );
}
