import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { MOST_TOGETHER } from '../../core/bench';
import { unitNumber } from '../../core/kit';
import { capital } from '../../core/quantity';
import { Button, ButtonLink, Mark } from '../../ui';
import type { LeadPlan } from '../../server/leads/plan';
import type { LeadBatch } from '../../server/units/together';
import { ApiProblem, ask, stored, useGot, usePlace, useStored } from '../app';
import { newId } from '../kept';
import type { StageProps } from './stage-props';
import styles from './Stage.module.css';

/** Starting units, and the units that are on the bench. */
// eslint-disable-next-line max-lines-per-function -- one view, read from top to bottom as it is seen.
export function BenchStage({ sheet, found }: StageProps) {
  const { data: plan } = useGot<LeadPlan>(`/api/leads/${sheet.id}/plan`);
  const stops = found.filter((finding) => finding.severity === 'stop').length;
  const client = useQueryClient();
  const { go } = usePlace();
  // Whoever builds at this bench is asked once: the next lead is theirs too.
  const [builder, keepBuilder] = useStored('builder', '');
  const [count, setCount] = useState('1');
  // Under the same ids they may be started again: each is started once.
  const [ids] = useState(() => Array.from({ length: MOST_TOGETHER }, newId));
  const [said, setSaid] = useState('');
  const many = Number(count);
  const isMany = Number.isInteger(many) && many >= 1 && many <= MOST_TOGETHER;
  const startOne = (id: string): Promise<unknown> =>
    ask('POST', `/api/leads/${sheet.id}/units`, { id, builder: builder.trim() }).catch((error: unknown) => {
      // An attempt whose answer never came has started it already, under another name.
      if (!(error instanceof ApiProblem) || error.problems[0]?.code !== 'id.taken') throw error;
    });
  const start = useMutation({
    mutationFn: async () => {
      for (const id of ids.slice(0, many)) await startOne(id);
    },
    onSuccess: async () => {
      if (many > 1) stored(`together.${sheet.id}`).write(true);
      await client.invalidateQueries({ queryKey: [`/api/leads/${sheet.id}`] });
      go(`/unit/${ids[0] ?? ''}/bench`);
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
          else if (!isMany) setSaid(`How many at once: 1 to ${MOST_TOGETHER}.`);
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
            onChange={({ target }) => keepBuilder(() => target.value)}
          />
        </label>
        <label>
          How many{' '}
          <input
            className={styles['field']}
            inputMode="numeric"
            size={3}
            value={count}
            aria-invalid={said !== '' && !isMany}
            aria-describedby="builder-problem"
            onChange={({ target }) => setCount(target.value.trim())}
          />
        </label>
        <Button type="submit" look="main" disabled={start.isPending}>
          {isMany && many > 1 ? `Start ${many} at the bench` : 'Start a lead at the bench'}
        </Button>
        <p id="builder-problem" role="alert" className={styles['problem']}>
          {said}
        </p>
      </form>
      {isMany && many > 1 && <Made id={sheet.id} count={many} />}
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

/** How several are made together: run by run, and what that saves. */
function Made({ id, count }: { readonly id: string; readonly count: number }) {
  const { data: batch } = useGot<LeadBatch>(`/api/leads/${id}/batch?count=${count}`);
  if (!batch) return <p role="status">Working out how {count} are made together…</p>;
  const { runs, changes, oneByOne, savesSeconds, optimal, titles, timed } = batch;
  return (
    <section aria-label={`${count} together`}>
      <p>
        Together, each run through all {count} before its tool is laid down: tools are taken up {changes}{' '}
        times instead of {oneByOne.changes}, about {Math.round(savesSeconds / 60)} min less of setting up and
        waiting (
        {timed === 0 ? (
          <>
            from memory; <a href="/workshop">time your own</a>
          </>
        ) : (
          'by the house’s own times where it has them'
        )}
        ).{' '}
        {optimal ? 'No order has less setting up.' : 'It was not looked at to the end: there may be better.'}
      </p>
      <details>
        <summary>{runs.length} runs</summary>
        <ol className={styles['course']}>
          {runs.map(({ tool, steps }, n) => (
            <li key={n}>
              {tool === 'hands' ? 'By hand' : capital(tool)}: {steps.map((step) => titles[step]).join('; ')}
            </li>
          ))}
        </ol>
      </details>
    </section>
  );
}
