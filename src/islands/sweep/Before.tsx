import { useState } from 'react';
import { sayFaults, type Caution } from '../../core/sweep';
import { Button, ButtonLink, Mark } from '../../ui';
import { put, ApiProblem } from '../app';
import { useQueryClient } from '@tanstack/react-query';
import styles from './Sweep.module.css';
import type { SweepOnPage } from './useSweep';
import { Who } from './Who';

/** What is to be done, one after the other. */
export const InOrder = ({ of }: { readonly of: readonly Caution[] }) => (
  <ol className={styles['cautions']}>
    {of.map(({ id, says, names }) => (
      <li key={id}>
        {says}
        {names.length > 0 && <b> {names.join(', ')}</b>}
      </li>
    ))}
  </ol>
);

/** What comes before the first line: cautions, who looks, and with what. */
export function Before({ page }: { readonly page: SweepOnPage }) {
  const { sweep } = page;
  return (
    <div className={styles['two']}>
      <section aria-label="First">
        <h2>
          <Mark kind="caution" word="First, in this order" />
        </h2>
        <InOrder of={sweep.before} />
        <Who page={page} />
        <p className={styles['row']}>
          <ButtonLink look="main" big href={`/sweep/${sweep.id}/walk`}>
            Done: line by line
          </ButtonLink>
        </p>
      </section>
      <SetUp key={JSON.stringify(sweep.truth.plug)} page={page} />
    </div>
  );
}

interface Typed {
  readonly supply: 'P48' | 'P24' | 'P12';
  readonly ohms: string;
  readonly forward: string;
  readonly guard: boolean;
  readonly trusts: boolean;
}

/** The plug and the supply that the lamps are judged by, and what the last sweep counts for. */
// eslint-disable-next-line max-lines-per-function -- one form, read from top to bottom as it is seen.
function SetUp({ page: { sweep } }: { readonly page: SweepOnPage }) {
  const client = useQueryClient();
  const { plug, bright, lamps } = sweep.truth;
  const [typed, setTyped] = useState<Typed>({
    supply: plug.supply,
    ohms: String(plug.ohms),
    forward: String(plug.forward),
    guard: plug.guard,
    trusts: sweep.trusts,
  });
  const [said, setSaid] = useState('');
  const change = (more: Partial<Typed>): void => setTyped((now) => ({ ...now, ...more }));
  const keep = async (): Promise<void> => {
    try {
      const { supply, ohms, forward, guard, trusts } = typed;
      await put(`/api/sweeps/${sweep.id}`, {
        plug: {
          supply,
          ohms: Number(ohms.replace(',', '.')),
          forward: Number(forward.replace(',', '.')),
          guard,
        },
        trusts,
      });
      setSaid('Kept, for everybody who sweeps here.');
      await client.invalidateQueries({ queryKey: [`/api/sweeps/${sweep.id}`] });
    } catch (error) {
      setSaid(error instanceof ApiProblem ? error.message : 'The server did not answer: press again.');
    }
  };
  return (
    <section aria-label="With what">
      <h2>With what</h2>
      <form
        className={styles['setUp']}
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        <label>
          phantom{' '}
          <select
            value={typed.supply}
            onChange={({ target }) => change({ supply: target.value as Typed['supply'] })}
          >
            <option>P48</option>
            <option>P24</option>
            <option>P12</option>
          </select>
        </label>
        <label>
          resistor of each lamp, Ω{' '}
          <input
            inputMode="decimal"
            value={typed.ohms}
            onChange={({ target }) => change({ ohms: target.value })}
          />
        </label>
        <label>
          lamp, V{' '}
          <input
            inputMode="decimal"
            value={typed.forward}
            onChange={({ target }) => change({ forward: target.value })}
          />
        </label>
        <label>
          <input
            type="checkbox"
            checked={typed.guard}
            onChange={({ target }) => change({ guard: target.checked })}
          />{' '}
          a guard diode across each lamp
        </label>
        <label>
          <input
            type="checkbox"
            checked={typed.trusts}
            onChange={({ target }) => change({ trusts: target.checked })}
          />{' '}
          what was good the last time counts as proven tonight
        </label>
        <Button type="submit">Keep it</Button>
        <p role="status">{said}</p>
      </form>
      <p>
        On a line that is right each lamp is {bright}.{' '}
        {bright === 'dark' && <b>With these values no lamp can be seen. </b>}
      </p>
      {lamps.both.length > 0 && (
        <p>
          <b>Both lit cannot see</b>: {sayFaults(lamps.both, ' and ')}. Speak into each line at the end.
        </p>
      )}
    </section>
  );
}
