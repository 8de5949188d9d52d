import { useEffect } from 'react';
import { useForm } from 'react-hook-form';
import { Unseen } from '../../../ui';
import styles from './Kit.module.css';

/** Which of the house’s own tools it is: kept when the field is left, or with Enter; emptied it is forgotten. */
export function OwnTool({
  name,
  ours,
  onSettle,
}: {
  readonly name: string;
  readonly ours: string;
  readonly onSettle: (ours: string) => void;
}) {
  const { register, handleSubmit, reset, formState } = useForm({ values: { ours } });
  const settle = handleSubmit((typed) => {
    const said = typed.ours.trim();
    if (said === ours) return;
    onSettle(said);
    reset({ ours: said });
  });
  // What another window settled stands here too, unless something is being typed.
  useEffect(() => {
    if (!formState.isDirty) reset({ ours });
  }, [ours, formState.isDirty, reset]);
  const { onBlur, ...field } = register('ours');
  return (
    <form
      className={styles['ours']}
      onSubmit={(event) => {
        event.preventDefault();
        void settle();
      }}
    >
      <label>
        <Unseen>{name}: </Unseen>ours
        <input
          {...field}
          maxLength={80}
          autoComplete="off"
          onBlur={(event) => {
            void onBlur(event);
            void settle();
          }}
        />
      </label>
    </form>
  );
}
