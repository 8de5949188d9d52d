import { useEffect, useId, type InputHTMLAttributes, type ReactNode } from 'react';
import { useForm } from 'react-hook-form';
import styles from './SettledField.module.css';

export interface SettledFieldProps<T> {
  /** What stands. */
  readonly text: string;
  /** What a text says; undefined of one that cannot be it. */
  readonly read: (text: string) => T | undefined;
  /** How it is written once it is settled. */
  readonly write: (value: T) => string;
  /** What to give instead of what cannot be it. */
  readonly otherwise?: string;
  readonly onSettle: (value: T) => void;
  readonly label: ReactNode;
  readonly input?: Pick<
    InputHTMLAttributes<HTMLInputElement>,
    'inputMode' | 'maxLength' | 'placeholder' | 'className'
  >;
}

/** One value: kept when its field is left, or with Enter; what cannot be one stays as it was typed, with the reason. */
export function SettledField<T>({
  text,
  read,
  write,
  otherwise = '',
  onSettle,
  label,
  input,
}: SettledFieldProps<T>) {
  const id = useId();
  const { register, handleSubmit, reset, formState } = useForm({ defaultValues: { text } });
  const error = formState.errors.text?.message;
  const settle = handleSubmit(({ text: typed }) => {
    const value = read(typed);
    if (value === undefined || write(value) === text) return;
    onSettle(value);
    reset({ text: write(value) });
  });
  // What another window settled stands here too, unless something is being typed.
  useEffect(() => {
    if (!formState.isDirty) reset({ text });
  }, [text, formState.isDirty, reset]);
  const { onBlur, ...field } = register('text', {
    validate: (typed) => read(typed) !== undefined || otherwise,
  });
  return (
    <form
      className={styles['settled']}
      onSubmit={(event) => {
        event.preventDefault();
        void settle();
      }}
    >
      <label>
        {label}
        <input
          {...field}
          {...input}
          autoComplete="off"
          aria-invalid={error !== undefined}
          aria-describedby={error === undefined ? undefined : id}
          onBlur={(event) => {
            void onBlur(event);
            void settle();
          }}
        />
      </label>
      {error !== undefined && (
        <span id={id} role="alert">
          {error}
        </span>
      )}
    </form>
  );
}
