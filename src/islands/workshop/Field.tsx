import { useId, type ReactNode } from 'react';
import type { Problem } from '../../core/quantity';
import styles from './Workshop.module.css';

/** A labelled field with its problem beneath. */
export function Field({
  label,
  path,
  problems,
  children,
}: {
  label: string;
  path: string;
  problems: readonly Problem[];
  children: (props: { 'aria-invalid': boolean; 'aria-describedby': string | undefined }) => ReactNode;
}) {
  const id = useId();
  const problem = problems.find((each) => each.path === path || each.path.startsWith(`entry.${path}`));
  return (
    <div className={styles['field']}>
      <label>
        <span>{label}</span>
        {children({ 'aria-invalid': problem !== undefined, 'aria-describedby': problem ? id : undefined })}
      </label>
      {problem && (
        <span id={id} role="alert" className={styles['problem']}>
          {problem.says}
        </span>
      )}
    </div>
  );
}

/** A number typed with a point or a comma; not a number where it is none. */
export const figure = (text: string): number =>
  text.trim() === '' ? Number.NaN : Number(text.replace(',', '.'));

/** What a save came to: nothing to say, or the problems by field. */
export type Saved = readonly Problem[];
