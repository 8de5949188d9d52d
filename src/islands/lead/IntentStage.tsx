import { cuts } from '../../core/cutting';
import { changeIntent, findings } from '../../core/findings';
import { formatLength } from '../../core/quantity';
import { lengthSystem } from '../../core/wiring';
import { Ends } from './Ends';
import { Findings } from './Findings';
import { Sentence } from './Sentence';
import styles from './Stage.module.css';
import { draftOf, type Draft, type Read } from './useLead';

/** Saying what the lead is for, with everything that follows from it beside the words. */
export function IntentStage({ read, onChange }: { read: Read; onChange: (draft: Draft) => void }) {
  const { draft, problems, lead, lengthKnown } = read;
  const total = lead && cuts(lead.assembly, lead.schools)[0]?.total;
  return (
    <>
      <Sentence draft={draft} problems={problems} onChange={onChange} />
      <div className={`${styles['beside']} ${styles['even']}`}>
        <section aria-label="Findings">
          {lead ? (
            <Findings
              findings={findings(lead.assembly, lead.situation)}
              onRemedy={(change) => onChange(draftOf(draft.name, changeIntent(draft.intent, change)))}
            />
          ) : (
            <ul className={styles['problems']}>
              {problems.map((problem) => (
                <li key={problem.path + problem.code}>{problem.says}</li>
              ))}
            </ul>
          )}
        </section>
        {lead && (
          <section aria-label="What it comes to">
            <div className={styles['ends']}>
              <Ends lead={lead} named={false} measured={lengthKnown} />
            </div>
            <h2>What it comes to</h2>
            <p>
              <b>{lead.recipe.name}.</b> {lead.recipe.why}
            </p>
            {lengthKnown && total !== undefined && (
              <p>
                Cut <b className={styles['figure']}>{formatLength(total, lengthSystem(lead.schools))}</b> of
                cable.
              </p>
            )}
            <p className={styles['source']}>{lead.recipe.source}</p>
          </section>
        )}
      </div>
    </>
  );
}
