import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { sayAmount } from '../../core/stock';
import type { UnitTook } from '../../server/shelf/for-unit';
import { ApiProblem, ask, useGot } from '../app';
import { newId } from '../kept';
import { Button } from '../../ui';
import styles from './Unit.module.css';

export interface GiveUpProps {
  readonly id: string;
  /** Whether it can still be given up: it is neither in the log nor given up already. */
  readonly open: boolean;
}

type Took = UnitTook['took'][number];
/** A shorter rest of cable is not kept, mm (common practice). */
const WORTH_KEEPING = 600;

/** What of it goes back where nothing is said: whole pieces, and cable that is long enough to be cut again; not what was cut wrong. */
const isWorth = ({ unit, much, again }: Took): boolean =>
  !again && (unit === 'pieces' || much >= WORTH_KEEPING);

/** What a unit took from the shelf, what was not there, and giving the unit up. */
export function GiveUp({ id, open }: GiveUpProps) {
  const { data } = useGot<UnitTook>(`/api/units/${id}/stock`);
  if (!data || (!open && data.took.length === 0)) return null;
  const { took, missing } = data;
  return (
    <details className={styles['shelf']}>
      <summary>
        {took.length === 0
          ? 'Nothing of it came from the shelf'
          : `${took.length} ${took.length === 1 ? 'thing' : 'things'} from the shelf`}
        {took.length > 0 && missing.length > 0 && `, ${missing.length} not there`}
        {open && '; giving it up'}
      </summary>
      {took.length > 0 && missing.length > 0 && (
        <p>
          Not on the shelf: {missing.map((each) => `${each.name}, ${sayAmount(each, each.much)}`).join('; ')}.
        </p>
      )}
      {open && <Giving id={id} took={took} />}
    </details>
  );
}

function Giving({ id, took }: { readonly id: string; readonly took: readonly Took[] }) {
  const client = useQueryClient();
  // Under the same id it may be sent again: it is given up once.
  const [event] = useState(newId);
  const [problem, setProblem] = useState<string>();
  const { register, handleSubmit, formState } = useForm({
    defaultValues: { why: '', back: took.filter(isWorth).map((each) => each.event) },
  });
  const send = handleSubmit(async ({ why, back }) => {
    try {
      await ask('POST', `/api/units/${id}/give-up`, {
        event,
        why: why.trim(),
        back,
        at: new Date().toISOString(),
      });
      await client.invalidateQueries();
    } catch (error) {
      setProblem(
        error instanceof ApiProblem
          ? error.message
          : 'The server did not answer: nothing is known of it. Try again.',
      );
    }
  });
  const said = formState.errors.why?.message ?? problem;
  return (
    <form
      onSubmit={(submitted) => {
        submitted.preventDefault();
        void send();
      }}
    >
      <h2>Give it up</h2>
      {took.length > 0 && (
        <fieldset>
          <legend>What goes back to the shelf; the rest is thrown away</legend>
          {took.map((each) => (
            <label key={each.event} className={styles['goesBack']}>
              <input type="checkbox" value={each.event} {...register('back')} />
              {each.name}, {sayAmount(each, each.much)}
              {each.place !== '' && `, ${each.place}`}
              {each.again && '; another was cut in its place'}
              {each.worked > 0 &&
                (each.worked < each.much
                  ? `; ${each.worked} of them used: back as salvaged`
                  : '; used: back as salvaged')}
            </label>
          ))}
        </fieldset>
      )}
      <label>
        Why{' '}
        <input
          {...register('why', {
            validate: (why) => why.trim() !== '' || 'Say why: it stays with its number.',
          })}
          maxLength={200}
          autoComplete="off"
          aria-invalid={formState.errors.why !== undefined}
        />
      </label>{' '}
      <Button type="submit" disabled={formState.isSubmitting}>
        Give this lead up
      </Button>
      <p role="alert">{said ?? ''}</p>
    </form>
  );
}
