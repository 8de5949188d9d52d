import type { ReactNode } from 'react';
import type { School } from '../../core/wiring';
import styles from './SchoolQuestion.module.css';

/** One question on which good builders differ: its answer now, and what each choice gains and costs. */
export function SchoolQuestion({
  school,
  answer,
  mark,
  onChoose,
}: {
  school: School;
  answer: string | undefined;
  /** Something said beside the answer. */
  mark?: ReactNode;
  onChoose: (answer: string) => void;
}) {
  return (
    <details className={styles['school']}>
      <summary>
        {school.question} <b>{school.choices.find((choice) => choice.id === answer)?.name}</b> {mark}
      </summary>
      <fieldset>
        <legend>
          {school.because} ({school.source})
        </legend>
        {school.choices.map((choice) => (
          <label key={choice.id}>
            <input
              type="radio"
              name={school.id}
              checked={choice.id === answer}
              onChange={() => onChoose(choice.id)}
            />
            <span>
              <b>{choice.name}</b>. Gains: {choice.gains} Costs: {choice.costs}
            </span>
          </label>
        ))}
      </fieldset>
    </details>
  );
}
