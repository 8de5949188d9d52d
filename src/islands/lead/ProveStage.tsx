import { unitNumber } from '../../core/kit';
import type { LeadPlan } from '../../server/leads/plan';
import { ButtonLink, Mark } from '../../ui';
import { useGot } from '../app';
import { OnPage, VerdictMark } from './OnPage';
import type { StageProps } from './stage-props';
import styles from './Stage.module.css';

/** What the meter says of each unit so far, and what it will be asked of the next. */
export function ProveStage({ sheet }: StageProps) {
  const { data: plan } = useGot<LeadPlan>(`/api/leads/${sheet.id}/plan`);
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
      {plan && (
        <>
          <h2>What is measured, and what is good</h2>
          <table className={styles['table']}>
            <tbody>
              {plan.probes.map((probe) => (
                <tr key={probe.id}>
                  <td>{probe.says}</td>
                  <td>{probe.good}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
    </div>
  );
}
