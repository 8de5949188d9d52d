import { cuts, strips } from '../../core/cutting';
import { dressed } from '../../core/dressing';
import { kit } from '../../core/kit';
import { formatLength } from '../../core/quantity';
import { schoolsOf } from '../../core/lead';
import { lengthSystem } from '../../core/wiring';
import type { StageProps } from './stage-props';
import styles from './Stage.module.css';

/** What to lay out and cut before starting; every figure with what it is made of. */
// eslint-disable-next-line max-lines-per-function -- one view, read from top to bottom as it is seen.
export function KitStage({ read: { lead } }: StageProps) {
  if (!lead) return <p>The intent has to be whole before there is a kit: go back to it along the cable.</p>;
  const { assembly } = lead;
  const schools = schoolsOf(lead);
  const system = lengthSystem(schools);
  return (
    <div className={styles['beside']}>
      <section aria-label="Parts">
        <h2>Lay out</h2>
        <table className={styles['table']}>
          <thead>
            <tr>
              <th scope="col">How many</th>
              <th scope="col">What</th>
              <th scope="col">For</th>
            </tr>
          </thead>
          <tbody>
            {kit(dressed(lead), schools).map((line) => (
              <tr key={line.id}>
                <td className={styles['figure']}>{line.count}</td>
                <td>{line.what}</td>
                <td>{line.detail}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <h2>Strip</h2>
        <table className={styles['table']}>
          <thead>
            <tr>
              <th scope="col">End</th>
              <th scope="col">Jacket off</th>
              <th scope="col">Conductors</th>
              <th scope="col">Bare</th>
              <th scope="col">Source</th>
            </tr>
          </thead>
          <tbody>
            {strips(assembly, schools).map((strip) => (
              <tr key={strip.end + strip.span}>
                <td>{strip.end}</td>
                <td className={styles['figure']}>{formatLength(strip.jacketMm, system)}</td>
                <td>
                  {[...new Set(strip.conductors.map((each) => formatLength(each.mm, system)))].length === 1
                    ? `all ${formatLength(strip.conductors[0]?.mm ?? 0, system)}`
                    : strip.conductors
                        .map((each) => `${each.id} ${formatLength(each.mm, system)}`)
                        .join(', ')}
                </td>
                <td className={styles['figure']}>{formatLength(strip.bareMm, system)}</td>
                <td className={styles['source']}>{strip.source}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <section aria-label="Lengths">
        {cuts(assembly, schools).map((cut) => (
          <div key={cut.span} className={styles['cut']}>
            <h2>Cut</h2>
            <p className={styles['big']}>{formatLength(cut.total, system)}</p>
            <table className={styles['table']}>
              <caption>How that comes about</caption>
              <tbody>
                {cut.allowances.map((allowance) => (
                  <tr key={allowance.what}>
                    <td className={styles['figure']}>
                      {allowance.mm < 0 ? '− ' : '+ '}
                      {formatLength(Math.abs(allowance.mm), system)}
                    </td>
                    <td>{allowance.what}</td>
                    <td className={styles['source']}>{allowance.because}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        ))}
      </section>
    </div>
  );
}
