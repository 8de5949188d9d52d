import { Children, createContext, isValidElement, useContext, useId, type ReactNode } from 'react';
import type { Problem } from '../../core/quantity';
import styles from '../app/Sentence.module.css';

interface SlotProps {
  readonly label: string;
  readonly path: string;
  readonly problems: readonly Problem[];
  readonly value: string;
  readonly onChange: (value: string) => void;
}

/** Whether what else could be picked is on the page too. */
export const WholeSlots = createContext(true);

/** A slot of the sentence that is picked. */
export function Slot({
  label,
  path,
  problems,
  value,
  onChange,
  children,
}: SlotProps & { readonly children: ReactNode }) {
  const id = useId();
  const problem = problems.find((each) => each.path === path);
  const isWhole = useContext(WholeSlots);
  return (
    <span className={styles['slot']}>
      <select
        aria-label={label}
        aria-invalid={problem !== undefined}
        aria-describedby={problem ? id : undefined}
        value={value}
        onChange={(event) => onChange(event.target.value)}
      >
        {isWhole ? children : picked(children, value)}
      </select>
      <Said id={id} problem={problem} />
    </span>
  );
}

const picked = (options: ReactNode, value: string): ReactNode =>
  Children.toArray(options).filter(
    (each) => isValidElement<{ readonly value?: string }>(each) && each.props.value === value,
  );

/** A slot of the sentence that is typed. */
export function TextSlot({
  label,
  path,
  problems,
  value,
  onChange,
  placeholder,
}: SlotProps & { readonly placeholder: string }) {
  const id = useId();
  const problem = problems.find((each) => each.path === path);
  return (
    <span className={styles['slot']}>
      <input
        aria-label={label}
        aria-invalid={problem !== undefined}
        aria-describedby={problem ? id : undefined}
        value={value}
        placeholder={placeholder}
        maxLength={80}
        onChange={(event) => onChange(event.target.value)}
      />
      <Said id={id} problem={problem} />
    </span>
  );
}

const Said = ({ id, problem }: { id: string; problem: Problem | undefined }) =>
  problem ? (
    <span id={id} role="alert" className={styles['problem']}>
      {problem.says}
    </span>
  ) : null;

/** The options of a slot, from names by value. */
export const options = (names: Readonly<Record<string, string>>): ReactNode =>
  Object.entries(names).map(([value, name]) => (
    <option key={value} value={value}>
      {name}
    </option>
  ));
