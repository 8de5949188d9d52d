import { useId, type ReactNode } from 'react';
import { get, type FieldErrors } from 'react-hook-form';
import styles from './Workshop.module.css';

/** A labelled field with its problem beneath. */
export function Field({
  label,
  name,
  errors,
  children,
}: {
  label: string;
  /** The field whose problem is shown. */
  name: string;
  errors: FieldErrors;
  children: (props: { 'aria-invalid': boolean; 'aria-describedby': string | undefined }) => ReactNode;
}) {
  const id = useId();
  const problem = (get(errors, name) as { readonly message?: string } | undefined)?.message;
  return (
    <div className={styles['field']}>
      <label>
        <span>{label}</span>
        {children({ 'aria-invalid': problem !== undefined, 'aria-describedby': problem ? id : undefined })}
      </label>
      {problem && (
        <span id={id} role="alert" className={styles['problem']}>
          {problem}
        </span>
      )}
    </div>
  );
}
