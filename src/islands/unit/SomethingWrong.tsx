import { useEffect, useRef, useState } from 'react';
import { cutOff, reopened, type Operation, type OperationKind } from '../../core/bench';
import { sayList } from '../../core/quantity';
import { useTyped } from '../kept';
import { Button } from '../../ui';
import styles from './Unit.module.css';
import type { UnitOnPage } from './useUnit';

export interface WrongProps {
  readonly page: Pick<
    UnitOnPage,
    'unit' | 'operations' | 'before' | 'state' | 'readings' | 'events' | 'recordAll'
  >;
  /** The step at hand. */
  readonly at: string | undefined;
  readonly onClose: () => void;
}

/** What is only looked at or waited for: doing it again makes nothing anew. */
const LOOKED_AT: readonly OperationKind[] = ['inspect', 'measure', 'prove', 'label', 'cool'];

/** What is wrong, and from which step on it is done again. */
export function SomethingWrong({ page, at, onClose }: WrongProps) {
  const { unit, operations, before, state } = page;
  const [text, setText] = useTyped(`wrong:${unit.id}`);
  const [from, setFrom] = useState('');
  const [problem, setProblem] = useState('');
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => {
    field.current?.focus({ preventScroll: true });
    field.current?.scrollIntoView({ block: 'center' });
  }, []);
  const done = operations.filter(({ id }) => state.done.has(id)).reverse();
  const again = reopened({ operations, before }, state.done, from);
  const save = (): void => {
    if (text.trim() === '' && from === '') return onClose();
    if (text.trim() === '') return setProblem('Say what is wrong: it stays with this lead.');
    const isMadeAnew = again.some(({ kind }) => !LOOKED_AT.includes(kind));
    const isTaken = page.recordAll([
      { kind: 'wrong', operation: from === '' ? at : from, text: text.trim() },
      ...again.map(({ id }) => ({ kind: 'undo' as const, operation: id })),
      // What was measured before is of a lead that is no more.
      ...(isMadeAnew && page.readings.length > 0 ? [{ kind: 'mended' as const, operation: from }] : []),
    ]);
    if (!isTaken) return;
    setText('');
    onClose();
  };
  return (
    <form
      className={styles['write']}
      aria-label="Something is wrong"
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      <label>
        What is wrong
        <input
          ref={field}
          value={text}
          maxLength={2000}
          aria-invalid={problem !== ''}
          onChange={(event) => setText(event.target.value)}
          onKeyDown={(event) => event.key === 'Escape' && onClose()}
        />
      </label>
      <label>
        Do again
        <select value={from} onChange={(event) => setFrom(event.target.value)}>
          <option value="">nothing: it is only noted</option>
          {done.map(({ id, title }) => (
            <option key={id} value={id}>
              {title}
            </option>
          ))}
        </select>
      </label>
      <Button type="submit">{from === '' ? 'Keep it' : 'Keep it, and do these again'}</Button>
      <Button onClick={onClose}>Leave it</Button>
      {problem !== '' && (
        <p role="alert" className={styles['reopened']}>
          {problem}
        </p>
      )}
      {again.length > 0 && <Again steps={[...again].reverse()} />}
    </form>
  );
}

/** What is open again, in the order in which it is done. */
function Again({ steps }: { readonly steps: readonly Operation[] }) {
  const cut = cutOff(steps);
  return (
    <div className={styles['reopened']}>
      {steps.length === 1 ? 'One step is open again:' : `${steps.length} steps are open again:`}
      <ol>
        {steps.map(({ id, title }) => (
          <li key={id}>{title}</li>
        ))}
      </ol>
      {cut.length > 0 && (
        <p>
          {cut.length === 1 ? `End ${cut.join()} is` : `Ends ${sayList(cut)} are`} glued shut: cut off behind
          the plug, and a new one taken. The lead is shorter by that.
        </p>
      )}
      {steps.some(({ kind }) => kind === 'cut') && (
        <p>
          Cable off a reel is taken from <a href="/shelf">the shelf</a> once more, where enough of it lies
          there. Take in there as an offcut what is good of the old piece.
        </p>
      )}
    </div>
  );
}
