import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { labelLines, unitNumber } from '../../core/kit';
import { spanLengths } from '../../core/assembly';
import { sequence } from '../../core/bench';
import { schoolsOf } from '../../core/lead';
import { proofOf, sayAnswer, sayExpectation } from '../../core/proving';
import type { LeadSheet } from '../../server/leads/service';
import { Button, ButtonLink, Mark } from '../../ui';
import { ApiProblem, ask, PutAway, sayIntent, saySeconds, sayWhen } from '../app';
import { newId, useTyped } from '../kept';
import { useUnit, type UnitOnPage } from '../unit/useUnit';
import type { StageProps } from './stage-props';
import styles from './Stage.module.css';

type Unit = LeadSheet['units'][number];

/** Starting a unit, and the units that are on the bench. */
// eslint-disable-next-line max-lines-per-function -- one view, read from top to bottom as it is seen.
export function BenchStage({ sheet, read: { lead }, found }: StageProps) {
  const stops = found.filter((finding) => finding.severity === 'stop').length;
  const client = useQueryClient();
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
      await client.invalidateQueries({ queryKey: ['lead', sheet.id] });
      location.assign(`/unit/${id}/bench`);
    },
    onError: (error) =>
      setSaid(error instanceof ApiProblem ? error.message : 'That did not work. Try again.'),
  });
  const open = sheet.units.filter((unit) => unit.stage !== 'logged');
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
      {lead && (
        <>
          <h2>The course of the work</h2>
          <ol className={styles['course']}>
            {sequence(lead.assembly, schoolsOf(lead)).map((operation) => (
              <li key={operation.id}>{operation.title}</li>
            ))}
          </ol>
        </>
      )}
    </div>
  );
}

/** What the meter says of each unit so far, and what it will be asked of the next. */
export function ProveStage({ sheet, read: { lead } }: StageProps) {
  const proof = lead && proofOf(lead.assembly, spanLengths(lead.assembly));
  return (
    <div className={styles['sheet']}>
      <h2>At the meter</h2>
      {sheet.units.length === 0 && (
        <p>
          Nothing has been built yet. Start a lead at the bench; when both ends are closed it is proven here,
          probe by probe.
        </p>
      )}
      {[...sheet.units].reverse().map((unit) => (
        <OnPage key={unit.id} unit={unit}>
          {(page) => (
            <div className={`${styles['unit']} ${styles['row']}`}>
              <span className={styles['figure']}>No. {unitNumber(unit.number)}</span>
              {page.readings.length === 0 ? (
                <Mark kind="note" word="Not measured yet" />
              ) : (
                <>
                  <VerdictMark page={page} />
                  <span>{page.verdict.says}</span>
                </>
              )}
              <ButtonLink href={`/unit/${unit.id}/prove`}>
                {unit.stage === 'logged' ? 'Read the readings' : 'To the meter'}
              </ButtonLink>
            </div>
          )}
        </OnPage>
      ))}
      {proof && (
        <>
          <h2>What is measured, and what is good</h2>
          <table className={styles['table']}>
            <tbody>
              {proof.probes.map((probe) => (
                <tr key={probe.id}>
                  <td>{probe.says}</td>
                  <td>{sayExpectation(proof.expects(probe))}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
    </div>
  );
}

const VERDICT_MARK = {
  good: ['good', 'Good'],
  fault: ['stop', 'Fault'],
  unclear: ['stop', 'Not good'],
  unfinished: ['note', 'Not finished'],
} as const;

function VerdictMark({ page }: { page: UnitOnPage }) {
  const [kind, word] = VERDICT_MARK[page.verdict.is];
  return <Mark kind={kind} word={word} />;
}

/** Every unit with its whole record: number, label, who, when, times, readings, remarks. */
export function LogStage({ sheet }: Pick<StageProps, 'sheet'>) {
  return (
    <div className={styles['sheet']}>
      {sheet.units.length === 0 && (
        <p>
          Finished leads are entered here by themselves: number, label, who built it, how long each step took,
          and every reading.
        </p>
      )}
      {[...sheet.units].reverse().map((unit) => (
        <OnPage key={unit.id} unit={unit}>
          {(page) => <Entry page={page} unit={unit} />}
        </OnPage>
      ))}
      <h2>This lead</h2>
      <p className={styles['row']}>
        <span>
          {sheet.away
            ? 'It is put away: the board shows it when it is looked for.'
            : 'It hangs on the board.'}{' '}
          {sheet.units.length > 0 && 'It was built: it can be put away, and stays in the log.'}
        </span>
        <PutAway
          of={`/api/leads/${sheet.id}`}
          name={sheet.lead.name}
          away={sheet.away}
          built={sheet.units.length > 0}
          onDeleted={() => location.assign('/')}
        />
      </p>
      <h2>Revisions of the wiring</h2>
      <table className={styles['table']}>
        <thead>
          <tr>
            <th scope="col">Revision</th>
            <th scope="col">Saved</th>
            <th scope="col">Name</th>
            <th scope="col">What it was for</th>
          </tr>
        </thead>
        <tbody>
          {[...sheet.history].reverse().map((each) => (
            <tr key={each.revision}>
              <td className={styles['figure']}>{each.revision}</td>
              <td>{sayWhen(each.savedAt)}</td>
              <td>{each.name}</td>
              <td>{sayIntent(each.intent)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function OnPage({ unit, children }: { unit: Unit; children: (page: UnitOnPage) => React.ReactNode }) {
  const page = useUnit(unit.id);
  return page.ready ? children(page) : <p>Fetching No. {unitNumber(unit.number)}…</p>;
}

function Entry({ page, unit }: { page: UnitOnPage; unit: Unit }) {
  const total = [...page.state.seconds.values()].reduce((sum, seconds) => sum + seconds, 0);
  const lines = labelLines(page.unit.lead.name, unit.number, page.assembly, page.schools);
  return (
    <article className={styles['unit']} aria-label={`Number ${unitNumber(unit.number)}`}>
      <div className={styles['row']}>
        <pre className={styles['label']}>{lines.join('\n')}</pre>
        <div>
          <p>
            {unit.stage === 'logged' ? (
              <Mark kind="good" word="Logged" />
            ) : (
              <Mark kind="note" word={`${unit.done} of ${unit.of} steps`} />
            )}{' '}
            <VerdictMark page={page} />
          </p>
          <p>
            Built by <b>{unit.builder}</b> to revision {unit.revision}, started{' '}
            {sayWhen(page.events[0]?.at ?? unit.startedAt)}
          </p>
          <p>
            At the bench <b className={styles['figure']}>{saySeconds(total)}</b>
          </p>
        </div>
      </div>
      {page.state.remarks.length > 0 && (
        <ul className={styles['reasons']}>
          {page.state.remarks.map((remark) => (
            <li key={remark.at + remark.text}>
              {remark.kind === 'wrong' ? 'Wrong' : 'Note'}: {remark.text}
            </li>
          ))}
        </ul>
      )}
      <div className={styles['halves']}>
        <details open>
          <summary>Time by step</summary>
          <table className={styles['table']}>
            <tbody>
              {page.operations.map((op) => (
                <tr key={op.id}>
                  <td>{op.title}</td>
                  <td className={styles['figure']}>
                    {page.state.seconds.has(op.id) ? saySeconds(page.state.seconds.get(op.id) ?? 0) : ''}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </details>
        <details open>
          <summary>Readings ({page.readings.length})</summary>
          <table className={styles['table']}>
            <tbody>
              {page.readings.map((reading) => (
                <tr key={reading.id}>
                  <td>{page.proof.probe(reading.probe)?.says ?? reading.probe}</td>
                  <td className={styles['figure']}>{sayAnswer(reading.answer)}</td>
                  <td>{sayWhen(reading.at)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </details>
      </div>
    </article>
  );
}
