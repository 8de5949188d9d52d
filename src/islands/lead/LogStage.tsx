import { labelLines, unitNumber } from '../../core/kit';
import { sayAnswer } from '../../core/proving';
import { sayIntent } from '../../core/wiring';
import type { LeadSheet } from '../../server/leads/service';
import { Mark } from '../../ui';
import { PutAway, saySeconds, usePlace, When } from '../app';
import type { UnitOnPage } from '../unit/useUnit';
import { OnPage, VerdictMark } from './OnPage';
import type { StageProps } from './stage-props';
import styles from './Stage.module.css';

/** Every unit with its whole record: number, label, who, when, times, readings, remarks. */
export function LogStage({ sheet }: Pick<StageProps, 'sheet'>) {
  const { go } = usePlace();
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
          onDeleted={() => go('/')}
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
              <td>
                <When at={each.savedAt} />
              </td>
              <td>{each.name}</td>
              <td>{sayIntent(each.intent)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Entry({ page, unit }: { page: UnitOnPage; unit: LeadSheet['units'][number] }) {
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
            <When at={page.events[0]?.at ?? unit.startedAt} />
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
                  <td>
                    <When at={reading.at} />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </details>
      </div>
    </article>
  );
}
