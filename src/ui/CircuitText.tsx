import { useState } from 'react';
import styles from './FigureLine.module.css';

/** The circuit that a number came from, as SPICE text: written when it is asked for. */
export function CircuitText({ text }: { readonly text: () => Promise<string> }) {
  const [written, setWritten] = useState<string>();
  const write = (): void => {
    setWritten(undefined);
    void text().then(setWritten, () => setWritten('It could not be written: open it once more.'));
  };
  return (
    <details
      className={styles['circuit']}
      onToggle={({ currentTarget }) => (currentTarget.open ? write() : setWritten(undefined))}
    >
      <summary>The circuit it came from</summary>
      {written !== undefined && (
        // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex -- it scrolls: with the keyboard too.
        <pre tabIndex={0}>{written}</pre>
      )}
    </details>
  );
}
