import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { unitNumber } from '../../core/kit';
import { Button, ButtonLink, Mark } from '../../ui';
import type { LeadPlan } from '../../server/leads/plan';
import { ApiProblem, ask, useGot, usePlace } from '../app';
import { newId, useTyped } from '../kept';
import type { StageProps } from './stage-props';
import styles from './Stage.module.css';

/** Starting a unit, and the units that are on the bench. */
// eslint-disable-next-line max-lines-per-function -- one view, read from top to bottom as it is seen.
export function BenchStage({ sheet, found }: StageProps) {
  const { data: plan } = useGot<LeadPlan>(`/api/leads/${sheet.id}/plan`);
  const stops = found.filter((finding) => finding.severity === 'stop').length;
  const client = useQueryClient();
  const { go } = usePlace();
  const [builder, setBuilder] = useTyped(`builder:${sheet.id}`);
  const [id] = useState(newId);
  const [said, setSaid] = useState('');
  const start = useMutation({
    mutationFn: () =>
      ask('POST', `/api/leads/${sheet.id}/units`, { id, builder: builder.trim() }).catch((error: unknown) => {
        // An attempt whose answer never came has started it already, under another name.
        if (!(error instanceof ApiProblem) || error.problems[0]?.code !== 'id.taken') throw error;
      }),
    onSuccess: async () => {
      setBuilder('');
      await client.invalidateQueries({ queryKey: [`/api/leads/${sheet.id}`] });
      go(`/unit/${id}/bench`);
    },
    onError: (error) =>
      setSaid(error instanceof ApiProblem ? error.message : 'That did not work. Try again.'),
  });
  const open = sheet.units.filter((unit) => unit.stage !== 'logged' && unit.stage !== 'given up');
  return (
    <div className={styles['sheet']}>
      {stops > 0 && (
        <p className={styles['problem']}>
          <Mark kind="stop" word={`${stops} stop`} /> Something in the wiring says stop: it can be built, but
          read it first.
        </p>
      )}
      <form
        className={styles['row']}
        onSubmit={(event) => {
          event.preventDefault();
          if (builder.trim() === '') setSaid('Say who builds it: the log keeps it with the lead.');
          else start.mutate();
        }}
      >
        <label>
          Built by{' '}
          <input
            className={styles['field']}
            value={builder}
            maxLength={60}
            aria-invalid={said !== ''}
            aria-describedby="builder-problem"
            onChange={(event) => setBuilder(event.target.value)}
          />
        </label>
        <Button type="submit" look="main" disabled={start.isPending}>
          Start a lead at the bench
        </Button>
        <p id="builder-problem" role="alert" className={styles['problem']}>
          {said}
        </p>
      </form>
      <h2>On the bench</h2>
      {open.length === 0 && (
        <p>
          Nothing. A lead started here gets its number, and keeps to revision {sheet.revision} of the wiring
          whatever is changed later.
        </p>
      )}
      {open.map((unit) => (
        <div key={unit.id} className={`${styles['unit']} ${styles['row']}`}>
          <span className={styles['figure']}>No. {unitNumber(unit.number)}</span>
          <span>
            {unit.builder}, {unit.done} of {unit.of} steps. Next: {unit.next}
            {unit.revision !== sheet.revision &&
              ` · built to revision ${unit.revision}, the wiring is at ${sheet.revision} now`}
          </span>
          <ButtonLink href={`/unit/${unit.id}/${unit.stage === 'prove' ? 'prove' : 'bench'}`}>
            Carry on
          </ButtonLink>
        </div>
      ))}
      {plan && (
        <>
          <h2>The course of the work</h2>
          <ol className={styles['course']}>
            {plan.course.map((title, n) => (
              <li key={n}>{title}</li>
            ))}
          </ol>
        </>
      )}
    </div>
  );
}
