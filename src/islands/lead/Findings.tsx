import type { Change, Finding } from '../../core/findings';
import { Button, Mark } from '../../ui';
import styles from './Findings.module.css';

/** What there is to say against a lead, each with why, what you would hear, and what to do. */
export function Findings({
  findings,
  onRemedy,
}: {
  findings: readonly Finding[];
  onRemedy?: ((change: Change) => void) | undefined;
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
        <li key={finding.rule + finding.about} className={`${styles['finding']} ${styles[finding.severity]}`}>
          <p className={styles['says']}>
            <Mark kind={finding.severity} /> {finding.says}
          </p>
          <p>{finding.because}</p>
          <p className={styles['hear']}>What you would hear: {finding.hear}</p>
          {onRemedy &&
            finding.remedies.map((remedy) => (
              <Button key={remedy.says} onClick={() => onRemedy(remedy.change)}>
                {remedy.says}
              </Button>
            ))}
        </li>
      ))}
    </ul>
  );
}
