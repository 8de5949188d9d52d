import { unitNumber } from '../../core/kit';
import type { LeadPlan } from '../../server/leads/plan';
import type { EntryLine } from '../../server/units/entry-of';
import { ButtonLink } from '../../ui';
import { useGot } from '../app';
import type { StageProps } from './stage-props';
import { VerdictMark } from './VerdictMark';
import styles from './Stage.module.css';

/** What the meter says of each unit so far, and what it will be asked of the next. */
export function ProveStage({ sheet }: StageProps) {
  const { data: plan } = useGot<LeadPlan>(`/api/leads/${sheet.id}/plan`);
  const { data: entries = [] } = useGot<readonly EntryLine[]>(`/api/leads/${sheet.id}/entries`);
  return (
    <div className={styles['sheet']}>
      <h2>At the meter</h2>
      {sheet.units.length === 0 && (
        <p>
          Nothing has been built yet. Start a lead at the bench; when its ends are closed it is proven here,
          probe by probe.
        </p>
      )}
      {[...sheet.units].reverse().map((unit) => {
        const entry = entries.find(({ id }) => id === unit.id);
        return (
          <div key={unit.id} className={`${styles['unit']} ${styles['row']}`}>
            <span className={styles['figure']}>No. {unitNumber(unit.number)}</span>
            {entry && <VerdictMark is={entry.verdict.is} measured={entry.measured} />}
            {entry && entry.measured > 0 && <span>{entry.verdict.says}</span>}
            <ButtonLink href={`/unit/${unit.id}/prove`}>
              {unit.stage === 'logged' ? 'Read the readings' : 'To the meter'}
            </ButtonLink>
          </div>
        );
      })}
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
