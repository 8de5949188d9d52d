import type { Result } from '../../core/quantity';
import type { LeadSignal } from '../../core/signal';
import type { Subject } from '../../workers';
import styles from './Signal.module.css';

/** Kinds of figure that are worth a column when leads stand side by side. */
const COLUMNS = [
  ['gain', 'arrives'],
  ['minus3', '−3 dB'],
  ['hum', 'hum under it'],
  ['separation', 'separation'],
  ['dc', 'supply'],
] as const;

/** The figures that differ, a row for each lead. */
export function SideBySide({
  results,
  subjects,
}: {
  results: readonly Result<LeadSignal>[];
  subjects: readonly Subject[];
}) {
  const cell = (result: Result<LeadSignal>, kind: string): string =>
    result.ok ? (result.value.figures.find((each) => each.id.startsWith(`${kind} `))?.says ?? '') : '';
  const columns = COLUMNS.filter(([kind]) => results.some((result) => cell(result, kind) !== ''));
  return (
    <table className={styles['table']}>
      <caption>Side by side</caption>
      <thead>
        <tr>
          <th scope="col" />
          {columns.map(([kind, name]) => (
            <th scope="col" key={kind}>
              {name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {results.map((result, n) => (
          <tr key={subjects[n]?.name}>
            <th scope="row">{subjects[n]?.name}</th>
            {columns.map(([kind]) => (
              <td key={kind}>{cell(result, kind)}</td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
