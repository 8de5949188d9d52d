import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ApiProblem, put } from '../app';
import styles from './Job.module.css';

/** Whether the shelf holds what this job takes: nobody else’s unit is started from it, and no other job counts on it. */
export function Hold({ id, held }: { readonly id: string; readonly held: boolean }) {
  const client = useQueryClient();
  const [problem, setProblem] = useState<string>();
  const [asked, setAsked] = useState<boolean>();
  const settle = async (next: boolean): Promise<void> => {
    setAsked(next);
    try {
      await put(`/api/jobs/${id}/held`, { held: next });
      setProblem(undefined);
      await client.invalidateQueries({ queryKey: [`/api/jobs/${id}/kit`] });
    } catch (error) {
      setProblem(
        `It was not kept: ${error instanceof ApiProblem ? error.message : 'the server did not answer.'}`,
      );
    }
    setAsked(undefined);
  };
  return (
    <p>
      <label className={styles['hold']}>
        <input
          type="checkbox"
          checked={asked ?? held}
          onChange={({ target }) => void settle(target.checked)}
        />
        Hold it on the shelf for this job
      </label>{' '}
      <span className={styles['soft']}>nothing of it goes into another job’s leads</span>
      {problem !== undefined && <span role="alert"> {problem}</span>}
    </p>
  );
}
