import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Button, Unseen } from '../../ui';
import { ApiProblem, ask } from './api';
import { forget, isTouched, remember } from './touched';
import styles from './PutAway.module.css';

/**
 * Putting a job or a lead away and bringing it back; deleting it where nothing was built of it. What is deleted is asked for
 * twice, since it does not come back.
 */
export function PutAway({
  of,
  name,
  away,
  built,
  leads = 0,
  onDeleted = () => undefined,
}: {
  /** Its address. */
  readonly of: string;
  readonly name: string;
  readonly away: boolean;
  /** Whether something was built of it. */
  readonly built: boolean;
  /** How many leads go with it. */
  readonly leads?: number;
  readonly onDeleted?: () => void;
}) {
  const client = useQueryClient();
  const [sure, setSure] = useState(false);
  const [said, setSaid] = useState('');
  const failed = (error: unknown): void =>
    setSaid(error instanceof ApiProblem ? error.message : 'That did not work. Try again.');
  const put = useMutation({
    mutationFn: () => ask('PUT', `${of}/away`, { away: !away }),
    onSuccess: () => client.invalidateQueries(),
    onError: failed,
  });
  const remove = useMutation({
    mutationFn: () => {
      // The house may tell of it before the answer is here.
      forget(of);
      return ask('DELETE', of);
    },
    onSuccess: async () => {
      onDeleted();
      await client.invalidateQueries({ predicate: isTouched(['all']) });
    },
    onError: (error) => {
      remember(of);
      failed(error);
    },
  });
  return (
    <span className={styles['acts']}>
      <Button look="plain" disabled={put.isPending} onClick={() => put.mutate()}>
        {away ? 'Bring back' : 'Put away'}
        <Unseen> {name}</Unseen>
      </Button>
      {!built &&
        (sure ? (
          <>
            <Button look="plain" disabled={remove.isPending} onClick={() => remove.mutate()}>
              Delete{leads > 0 ? ` with ${leads} ${leads === 1 ? 'lead' : 'leads'}` : ''} for good
              <Unseen> {name}</Unseen>
            </Button>
            <Button look="plain" onClick={() => setSure(false)}>
              Keep<Unseen> {name}</Unseen>
            </Button>
          </>
        ) : (
          <Button look="plain" onClick={() => setSure(true)}>
            Delete<Unseen> {name}</Unseen>
          </Button>
        ))}
      {said !== '' && (
        <span role="alert" className={styles['problem']}>
          {said}
        </span>
      )}
    </span>
  );
}
