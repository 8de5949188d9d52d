import type { Change, Finding } from '../../core/findings';
import { Button, Mark } from '../../ui';
import styles from './Findings.module.css';

/** What there is to say against a lead, each with why, what you would hear, and what to do. */
export function Findings({
  findings,
  onRemedy,
  onShow,
}: {
  findings: readonly Finding[];
  onRemedy?: ((change: Change) => void) | undefined;
  /** Lights what a finding is about, where the lead is drawn beside it. */
  onShow?: ((finding: Finding) => void) | undefined;
}) {
  if (findings.length === 0)
    return (
      <p className={styles['none']}>
        <Mark kind="good" word="Nothing against it" />
      </p>
    );
  return (
    <ul className={styles['list']}>
      {findings.map((finding) => (
        <li
          key={`${finding.rule} ${finding.about} ${finding.says}`}
          className={`${styles['finding']} ${styles[finding.severity]}`}
        >
          <p className={styles['says']}>
            <Mark kind={finding.severity} /> {finding.says}
          </p>
          <p>{finding.because}</p>
          <p className={styles['hear']}>What you would hear: {finding.hear}</p>
          <div className={styles['acts']}>
            {onShow && (finding.at?.length ?? 0) > 0 && (
              <Button onClick={() => onShow(finding)}>Show where</Button>
            )}
            {onRemedy &&
              finding.remedies.map((remedy) => (
                <Button key={remedy.says} onClick={() => onRemedy(remedy.change)}>
                  {remedy.says}
                </Button>
              ))}
          </div>
        </li>
      ))}
    </ul>
  );
}
