import { useState } from 'react';
import { readNumber } from '../../core/signal';
import type { OwnIron } from '../../workers/own-iron';
import { Button } from '../../ui';
import styles from './Unit.module.css';

const text = (value: number | undefined): string => (value === undefined ? '' : `${value}`);

/** The iron that is at this bench: its power, a clip, and how long the solder took to melt at a joint like this one. */
export function MyIron({
  iron,
  what,
  onIron,
}: {
  readonly iron: OwnIron;
  /** What the joint at hand is. */
  readonly what: string;
  readonly onIron: (change: (now: OwnIron) => OwnIron) => void;
}) {
  const melted = iron.melts[what];
  const [watts, setWatts] = useState(text(iron.watts));
  const [melt, setMelt] = useState(text(melted));
  const [problem, setProblem] = useState('');
  const settle = (): void => {
    const power = watts.trim() === '' ? undefined : (readNumber(watts, 'W') ?? NaN);
    const seconds = melt.trim() === '' ? undefined : (readNumber(melt, 's') ?? NaN);
    if (power !== undefined && !(power >= 5 && power <= 500)) return setProblem('An iron has 5 to 500 W.');
    if (seconds !== undefined && !(seconds >= 0.1 && seconds <= 8))
      return setProblem('From the touch to when the solder runs: 0.1 to 8 s.');
    setProblem('');
    onIron(({ melts, clip }) => {
      const others = Object.fromEntries(Object.entries(melts).filter(([name]) => name !== what));
      return {
        ...(clip ? { clip } : {}),
        ...(power === undefined ? {} : { watts: power }),
        melts: seconds === undefined ? others : { ...others, [what]: seconds },
      };
    });
  };
  return (
    <details>
      <summary>
        My iron
        {iron.watts !== undefined && `: ${iron.watts} W`}
        {melted !== undefined && `, melted here after ${melted} s`}
      </summary>
      <form
        className={styles['iron']}
        onSubmit={(event) => {
          event.preventDefault();
          settle();
        }}
      >
        <label>
          Its power, W{' '}
          <input
            size={5}
            inputMode="decimal"
            value={watts}
            onChange={({ target }) => setWatts(target.value)}
          />
        </label>
        <label>
          The solder melted after, s{' '}
          <input size={5} inputMode="decimal" value={melt} onChange={({ target }) => setMelt(target.value)} />
        </label>
        <label>
          <input
            type="checkbox"
            checked={iron.clip ?? false}
            onChange={({ target }) => onIron((now) => ({ ...now, clip: target.checked }))}
          />{' '}
          heat-sink clip at the insulation
        </label>
        <Button type="submit">So it is</Button>
        <p role="alert">{problem}</p>
      </form>
    </details>
  );
}
