import type { Assembly } from '../../core/assembly';
import { LeadStrip, Tape } from '../../ui';
import styles from './LeadHeader.module.css';

export const STAGES = ['intent', 'wiring', 'kit', 'bench', 'prove', 'log'] as const;
export type Stage = (typeof STAGES)[number];

/** The lead is the page: its stages sit along it in order and fill with copper as they are done. */
export function LeadHeader({
  id,
  name,
  assembly,
  stage,
  done,
}: {
  id: string;
  name: string;
  assembly: Assembly | undefined;
  stage: Stage;
  done: ReadonlySet<Stage>;
}) {
  const first = STAGES.findIndex((each) => !done.has(each));
  const reached = first === -1 ? STAGES.length : first;
  const stops = (
    <nav aria-label="Stages of this lead">
      <ol className={styles['stages']}>
        {STAGES.map((each) => (
          <li key={each}>
            <a
              href={`/lead/${id}/${each}`}
              className={styles['stage']}
              aria-current={each === stage ? 'step' : undefined}
              data-done={done.has(each)}
            >
              <span className={styles['band']} aria-hidden="true" />
              <span className={styles['word']}>
                {each}
                {done.has(each) && <span className={styles['hidden']}> (done)</span>}
              </span>
            </a>
          </li>
        ))}
      </ol>
    </nav>
  );
  return (
    <div className={styles['header']}>
      <h1 className={styles['name']}>
        <Tape size="large">{name.trim() === '' ? 'not named yet' : name}</Tape>
      </h1>
      {assembly ? (
        <LeadStrip assembly={assembly} done={reached / STAGES.length} scale={2.1}>
          {stops}
        </LeadStrip>
      ) : (
        <div className={styles['noLead']}>{stops}</div>
      )}
    </div>
  );
}
