import { unitNumber } from '../../core/kit';
import { sayAnswer, sayBeside, type Check } from '../../core/proving';
import type { KnownGood } from '../../server/units/known-good';
import { Mark } from '../../ui';
import styles from './Unit.module.css';
import type { UnitOnPage } from './useUnit';

export interface ReadingsProps {
  readonly page: UnitOnPage;
  /** What a unit of the same lead read that is proven. */
  readonly known: KnownGood | undefined;
  /** The checks of the open lead that is at hand; none where it is the whole lead. */
  readonly only: readonly string[] | undefined;
  readonly onAgain: ((check: Check) => void) | undefined;
}

/** What was answered to each check so far: the list, with whatever was asked beyond it. */
export function Readings({ page, known, only, onAgain }: ReadingsProps) {
  const shown = [
    ...page.proof.checks,
    ...page.readings.flatMap((reading) => page.proof.check(reading.probe) ?? []),
  ]
    .filter((check, n, all) => all.findIndex((each) => each.id === check.id) === n)
    .filter(({ id }) => only === undefined || only.includes(id));
  return (
    <table className={styles['readings']}>
      <caption>Readings</caption>
      <tbody>
        {shown.map((check) => {
          const reading = page.readings.findLast((each) => each.probe === check.id);
          const isOff = page.verdict.off.some((each) => each.probe.id === check.id);
          const then = known?.ohms[check.id];
          const beside = reading && then !== undefined ? sayBeside(reading.answer, then) : undefined;
          const isPassed = reading?.answer.kind === 'skipped';
          return (
            <tr key={check.id}>
              <td>
                {onAgain ? (
                  <button type="button" className={styles['again']} onClick={() => onAgain(check)}>
                    {check.says}
                  </button>
                ) : (
                  check.says
                )}
              </td>
              <td>
                {reading && !/^(yes|no)$/.test(reading.answer.kind) ? sayAnswer(reading.answer) : ''}
                {reading && page.here.has(reading.id) && <small> kept here</small>}
                {known && beside && (
                  <small>
                    {' '}
                    {beside} than {unitNumber(known.number)}
                  </small>
                )}
              </td>
              <td>
                {reading && !isPassed ? (
                  <Mark kind={isOff ? 'stop' : 'good'} word={isOff ? 'off' : 'as it should'} />
                ) : (
                  ''
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
