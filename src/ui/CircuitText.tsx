import { useState } from 'react';
import { deckText, type Circuit } from '../core/circuit';
import styles from './FigureLine.module.css';

/** The circuit that a number came from, as SPICE text: written when it is asked for. */
export function CircuitText({
  title,
  circuit,
}: {
  readonly title: string;
  readonly circuit: Circuit | (() => Circuit);
}) {
  const [open, setOpen] = useState(false);
  return (
    <details className={styles['circuit']} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>The circuit it came from</summary>
      {open && (
        // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex -- it scrolls: with the keyboard too.
        <pre tabIndex={0}>
          {deckText({
            title,
            circuit: typeof circuit === 'function' ? circuit() : circuit,
            op: true,
            ac: { spacing: 'dec', points: 20, from: 10, to: 100_000 },
            print: { op: [], ac: [] },
          })}
        </pre>
      )}
    </details>
  );
}
