import type { SweepPlan } from '../../server/stage/planned';
import { Mark, Unseen } from '../../ui';
import { useGot, When } from '../app';
import { InOrder } from './Before';
import styles from './Sweep.module.css';
import type { SweepOnPage } from './useSweep';

const count = (n: number, one: string, many: string): string =>
  `${n === 0 ? 'no' : n} ${n === 1 ? one : many}`;

/** What a plan comes to, in a line. */
function sayPlan({ patch, moves, repairs, open }: SweepPlan): string {
  const moved = patch.inputs.filter((each) => each.moved).length;
  const first = [
    count(repairs.length, 'line is struck', 'lines are struck'),
    ...(open > 0 ? [count(open, 'is not proven', 'are not proven')] : []),
    count(moved, 'input moves', 'inputs move'),
    patch.left.length === 0
      ? moves.length === 0
        ? 'there are no inputs'
        : 'everybody has a way'
      : count(patch.left.length, 'has no way', 'have no way'),
  ].join(', ');
  return `${first.charAt(0).toUpperCase()}${first.slice(1)}. ${patch.optimal ? 'Proven: no list costs less.' : 'The best that was found: another may cost less.'}`;
}

/** The inputs on the lines as they stand: the new list, what moved and why, and what is to be mended. */
export function Planned({ page: { sweep, waiting } }: { readonly page: SweepOnPage }) {
  const { data: plan, error } = useGot<SweepPlan>(`/api/sweeps/${sweep.id}/patch`);
  if (!plan) return <p>{error ? error.message : 'Planning…'}</p>;
  const moved = plan.moves.filter(({ because, to }) => because !== '' && to !== undefined);
  const left = plan.moves.filter(({ to }) => to === undefined);
  return (
    <>
      <p className={styles['sum']}>{sayPlan(plan)}</p>
      {waiting.records.length > 0 && (
        <p role="status" className={styles['caution']}>
          {waiting.records.length} of what was seen here is not on the server yet: the list is without it.
        </p>
      )}
      <p className={styles['row']}>
        <a href={`/api/sweeps/${sweep.id}/patch.pdf`} target="_blank" rel="noreferrer">
          On paper, large
        </a>
        <a href={`/api/sweeps/${sweep.id}/patch.pdf?page=letter`} target="_blank" rel="noreferrer">
          on letter
        </a>
      </p>
      <div className={styles['two']}>
        <List plan={plan} />
        <div>
          {left.length > 0 && (
            <section aria-label="Without a way">
              <h2>
                <Mark kind="stop" word="Without a way" />
              </h2>
              <ul>
                {left.map(({ id, name, because }) => (
                  <li key={id}>
                    <b>{name}</b>: {because}.
                  </li>
                ))}
              </ul>
            </section>
          )}
          <section aria-label="What moves, and why">
            <h2>What moves, and why</h2>
            {moved.length === 0 && <p>Nothing: the printed list holds.</p>}
            <ul className={styles['moves']}>
              {moved.map(({ id, name, from, to, because }) => (
                <li key={id}>
                  <b>{name}</b>, {from === undefined ? '' : `${from} → `}
                  {to}: {because}.
                </li>
              ))}
            </ul>
          </section>
          <Repairs plan={plan} />
          <section aria-label="And then">
            <h2>And then</h2>
            <InOrder of={sweep.after} />
          </section>
        </div>
      </div>
    </>
  );
}

/** The new list in stage order, large. */
function List({ plan }: { readonly plan: SweepPlan }) {
  return (
    <table className={styles['list']}>
      <caption>
        <Unseen>The new patch list, way by way</Unseen>
      </caption>
      <thead>
        <tr>
          <th scope="col">Way</th>
          <th scope="col">Input</th>
          <th scope="col">
            <Unseen>To mind</Unseen>
          </th>
        </tr>
      </thead>
      <tbody>
        {plan.rows.map(({ way, line, state, input, note }) => (
          <tr key={way} className={state === 'bad' ? styles['struck'] : ''}>
            <th scope="row">{way}</th>
            <td className={styles['name']}>
              {input ?? <span className={styles['soft']}>{state === 'bad' ? 'struck' : (line ?? '')}</span>}
            </td>
            <td className={styles['soft']}>{note}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Repairs({ plan }: { readonly plan: SweepPlan }) {
  return (
    <section aria-label="To be mended">
      <h2>To be mended</h2>
      {plan.repairs.length === 0 && <p>No line is struck.</p>}
      <ul className={styles['moves']}>
        {plan.repairs.map(({ way, name, says, by, at, mayBe, place, notes, bad, looked }) => (
          <li key={way}>
            <b>
              {way}
              {name !== '' && `, ${name}`}
            </b>
            : {says}
            {mayBe !== '' && ` (${mayBe})`}. {place !== '' && `${place}. `}
            {notes.map((note) => `“${note}” `)}
            {bad > 1 && `Bad ${bad} times of ${looked}. `}
            <span className={styles['soft']}>
              {by}, <When at={at} />
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
