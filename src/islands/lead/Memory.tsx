import { useState } from 'react';
import { boundsOf, FACT_IDS, FACTS, type FactId, type KnownFacts } from '../../core/situation';
import { readNumber } from '../../core/signal';
import styles from './Signal.module.css';

/** Figures that no source gives: whoever knows one better for what is at hand types it, and it has no range any more. */
export function Memory({
  facts,
  onChange,
}: {
  readonly facts: KnownFacts;
  readonly onChange: (facts: KnownFacts) => void;
}) {
  const [problem, setProblem] = useState<{ readonly id: FactId; readonly says: string }>();
  const put = (id: FactId, text: string): void => {
    const { name, unit } = FACTS[id];
    const { [id]: _, ...rest } = facts;
    setProblem(undefined);
    if (text.trim() === '') return onChange(rest);
    const value = readNumber(text, unit);
    const { least, most } = boundsOf(id);
    if (value === undefined || !(value >= least && value <= most))
      return setProblem({
        id,
        says: `${name}: “${text.trim()}” ${value === undefined ? 'is no number' : 'is out of range'}. Type one from ${least} to ${most}, or nothing for what is from memory.`,
      });
    onChange(value === facts[id] ? facts : { ...rest, [id]: value });
  };
  return (
    <details className={styles['memory']}>
      <summary>Known from memory only</summary>
      <table>
        <tbody>
          {FACT_IDS.map((id) => {
            const { name, unit, low, usual, high } = FACTS[id];
            return (
              <tr key={id}>
                <th scope="row">{name}</th>
                <td>
                  <input
                    key={facts[id] ?? 'memory'}
                    aria-label={name}
                    aria-invalid={problem?.id === id}
                    aria-describedby={`memory-${id}`}
                    inputMode="decimal"
                    placeholder={`${usual}`}
                    defaultValue={facts[id] ?? ''}
                    onBlur={(event) => put(id, event.target.value)}
                  />{' '}
                  {unit}
                </td>
                <td id={`memory-${id}`}>
                  {problem?.id === id ? (
                    <span role="alert" className={styles['problem']}>
                      {problem.says}
                    </span>
                  ) : facts[id] === undefined ? (
                    `${low} to ${high}`
                  ) : (
                    'as you know it'
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </details>
  );
}
