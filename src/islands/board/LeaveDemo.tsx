import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { TakenOut } from '../../server/demo/service';
import { Button } from '../../ui';
import { ApiProblem, ask } from '../app';
import styles from './Board.module.css';

/** So many of something, in words; nothing of none. */
export const count = (n: number, what: string): string =>
  n === 0 ? '' : `${n} ${what}${n === 1 ? '' : 's'}`;

/** Leaving the invented company behind: in one act, with what it does said first. */
export function LeaveDemo({ jobs }: { readonly jobs: number }) {
  const client = useQueryClient();
  const [asked, setAsked] = useState(false);
  const [said, setSaid] = useState('');
  const leave = useMutation({
    mutationFn: () => ask<TakenOut>('DELETE', '/api/demo'),
    onSuccess: async (out) => {
      const all = [count(out.jobs, 'job'), count(out.leads, 'lead'), count(out.units, 'unit')];
      // It is said once the board shows it, and not before.
      await client.invalidateQueries();
      setSaid(`Taken out: ${all.filter((each) => each !== '').join(', ') || 'nothing'}.`);
      setAsked(false);
    },
    onError: (error) =>
      setSaid(error instanceof ApiProblem ? error.message : 'That did not work; nothing was taken out.'),
  });
  if (jobs === 0) return <p role="status">{said}</p>;
  return (
    <section aria-label="The demo" className={styles['foot']}>
      {asked ? (
        <>
          <p>
            The invented company goes, with its leads and with what was tried out on its units. What you made
            yourself stays: jobs, leads that you added to its jobs, and units that you started. Keep a copy
            first, if you like: <a href="/api/house/backup">the house as a file</a>.
          </p>
          <Button look="main" disabled={leave.isPending} onClick={() => leave.mutate()}>
            Take the demo out
          </Button>{' '}
          <Button onClick={() => setAsked(false)}>Leave it here</Button>
        </>
      ) : (
        <p>
          {jobs === 1 ? 'One job' : `${jobs} jobs`} of an invented company are here to look around in.{' '}
          <Button look="plain" onClick={() => setAsked(true)}>
            Leave the demo behind
          </Button>
        </p>
      )}
      <p role="status">{said}</p>
    </section>
  );
}
