import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import type { ShelfPiece } from '../../core/stock';
import { parseLength } from '../../core/quantity';
import { Button } from '../../ui';
import { newId } from '../kept';
import { Field } from '../workshop/Field';
import styles from './Shelf.module.css';
import type { Happened } from './useShelf';

interface Typed {
  readonly kind: 'left' | 'bad' | 'cut';
  readonly left: string;
  readonly from: string;
  readonly to: string;
}

/** A length in mm, 0 among them; or what is wrong with it. */
export function mmOf(text: string): number | string {
  if (/^\s*0\s*(m|mm|cm)?\s*$/.test(text)) return 0;
  const read = parseLength(text);
  return read.ok ? read.value : (read.problems[0]?.says ?? '');
}

/** What the cutter did or found that no plan knew: told in one act, and the rest is planned anew. */
// eslint-disable-next-line max-lines-per-function -- one form, read from top to bottom as it is seen.
export function Otherwise({
  piece,
  name,
  asPlanned,
  onHappened,
  onDone,
}: {
  readonly piece: ShelfPiece | undefined;
  /** Which piece of the plan it is, in words. */
  readonly name: string;
  /** What happens to the shelf when it is cut as it was planned. */
  readonly asPlanned: readonly Happened[];
  readonly onHappened: (events: readonly Happened[]) => Promise<string | undefined>;
  readonly onDone: (happened: boolean) => void;
}) {
  const { register, handleSubmit, control, setError, formState } = useForm<Typed>({
    defaultValues: { kind: 'bad', left: '', from: '', to: '' },
  });
  const [id] = useState(newId);
  const kind = useWatch({ control, name: 'kind' });
  const { errors } = formState;
  if (!piece) return null;
  const tell = async (typed: Typed): Promise<void> => {
    const fields = typed.kind === 'bad' ? (['from', 'to'] as const) : (['left'] as const);
    const read = fields.map((name) => ({ name, mm: mmOf(typed[name]) }));
    const wrong = read.filter(({ mm }) => typeof mm === 'string');
    for (const { name, mm } of wrong) setError(name, { message: String(mm) });
    if (wrong.length > 0) return;
    const [first, second] = read.map(({ mm }) => Number(mm));
    const counted: Happened = {
      id,
      piece: piece.id,
      kind: 'counted',
      amount: first ?? 0,
      what: 'cut otherwise than planned',
    };
    const problem = await onHappened(
      typed.kind === 'bad'
        ? [{ id, piece: piece.id, kind: 'marked', fromMm: first ?? 0, toMm: second ?? 0 }]
        : [...(typed.kind === 'cut' ? asPlanned : []), counted],
    );
    if (problem !== undefined) return setError(typed.kind === 'bad' ? 'to' : 'left', { message: problem });
    onDone(true);
  };
  return (
    <form
      className={styles['form']}
      aria-label={`What is otherwise with ${piece.name}`}
      onSubmit={(event) => {
        event.preventDefault();
        void handleSubmit(tell)();
      }}
    >
      <h4>{name}</h4>
      <div className={styles['fields']}>
        <Field label="What is otherwise" name="kind" errors={errors}>
          {(props) => (
            <select {...props} {...register('kind')}>
              <option value="bad">a bad stretch was found</option>
              <option value="cut">it is cut, and another length is left of it</option>
              <option value="left">it is not as long as that; nothing is cut yet</option>
            </select>
          )}
        </Field>
        {kind === 'bad' ? (
          <>
            <Field label="It begins so far from the free end" name="from" errors={errors}>
              {(props) => <input {...props} {...register('from')} maxLength={40} placeholder="4 m" />}
            </Field>
            <Field label="and ends" name="to" errors={errors}>
              {(props) => <input {...props} {...register('to')} maxLength={40} placeholder="4.5 m" />}
            </Field>
          </>
        ) : (
          <Field label={kind === 'cut' ? 'There are left of it' : 'It is really'} name="left" errors={errors}>
            {(props) => <input {...props} {...register('left')} maxLength={40} placeholder="12.4 m" />}
          </Field>
        )}
      </div>
      <p className={styles['row']}>
        <Button type="submit" disabled={formState.isSubmitting}>
          Write it down and plan anew
        </Button>
        <Button look="plain" onClick={() => onDone(false)}>
          never mind
        </Button>
      </p>
    </form>
  );
}
