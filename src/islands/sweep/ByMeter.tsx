import { useState } from 'react';
import { judged, PAIRS, sayFaults, type Truth } from '../../core/sweep';
import { Button } from '../../ui';
import { useTyped } from '../kept';
import styles from './Sweep.module.css';

const readVolts = (text: string): number | undefined => {
  const typed = text.trim().replace(',', '.').replace(/\s*v$/i, '').replace('−', '-');
  return /^-?\d+(\.\d+)?$/.test(typed) ? Number(typed) : undefined;
};

/** A line by meter, phantom on: three readings, each kept as it is typed, judged when all are there. */
export function ByMeter({
  sweep,
  way,
  truth,
  onRead,
}: {
  readonly sweep: string;
  readonly way: number;
  readonly truth: Truth;
  readonly onRead: (volts: [number, number, number]) => void;
}) {
  const a = useTyped(`sweep-volts:${sweep} ${way} 21`);
  const b = useTyped(`sweep-volts:${sweep} ${way} 31`);
  const c = useTyped(`sweep-volts:${sweep} ${way} 23`);
  const fields = [a, b, c];
  const [wrong, setWrong] = useState<number>();
  const volts = fields.map(([text]) => readVolts(text));
  const [one, two, three] = volts;
  const whole =
    one !== undefined && two !== undefined && three !== undefined
      ? ([one, two, three] as [number, number, number])
      : undefined;
  const said = whole && judged({ kind: 'volts', lamps: undefined, volts: whole }, truth);
  return (
    <form
      className={styles['meter']}
      aria-label={`Readings on way ${way}`}
      onSubmit={(event) => {
        event.preventDefault();
        if (!whole) return setWrong(volts.findIndex((each) => each === undefined));
        for (const [, type] of fields) type('');
        onRead(whole);
      }}
    >
      {PAIRS.map(([red, black], n) => {
        const [text, type] = fields[n] ?? ['', () => undefined];
        return (
          <label key={`${red}${black}`}>
            {red} to {black}, V
            <input
              // Both hands are on the probes: what is read is typed at once.
              // eslint-disable-next-line jsx-a11y/no-autofocus
              autoFocus={n === 0}
              inputMode="decimal"
              value={text}
              aria-invalid={wrong === n && volts[n] === undefined}
              onChange={({ target }) => type(target.value)}
            />
          </label>
        );
      })}
      <Button type="submit" look="main" big>
        Take them
      </Button>
      <p role="status" className={styles['judged']}>
        {wrong !== undefined && volts[wrong] === undefined
          ? `Give ${PAIRS[wrong]?.join(' to ') ?? ''} in volts, such as ${truth.supplyVolts}.`
          : said
            ? said.state === 'good'
              ? `Good, as far as a meter sees. It cannot see: ${sayFaults(said.mayBe, ' and ')}.`
              : `Struck: ${sayFaults(said.mayBe)}.`
            : `A line that is right reads about ${truth.supplyVolts}, ${truth.supplyVolts} and 0 V.`}
      </p>
      <p className={styles['hint']}>
        Phantom off, near 0 Ω from 2 to 3 suggests a short; know first what the input itself reads.
      </p>
    </form>
  );
}
