import { useEffect, useId } from 'react';
import { useForm } from 'react-hook-form';
import { Unseen } from '../../../ui';
import styles from './Kit.module.css';

/** A price as it is typed, with a point or a comma; nothing typed is none. */
function priceOf(text: string): number | null | undefined {
  const typed = text.trim().replace(',', '.');
  if (typed === '') return null;
  const value = Number(typed);
  return Number.isFinite(value) && value >= 0 && value <= 1e6 ? value : undefined;
}
const textOf = (price: number | undefined): string =>
  price === undefined
    ? ''
    : Math.abs(price * 100 - Math.round(price * 100)) < 1e-9
      ? price.toFixed(2)
      : String(price);

/** One price: kept when it is left, or with Enter; what cannot be one stays as it was typed, with the reason. */
export function PriceField({
  name,
  price,
  onSettle,
}: {
  readonly name: string;
  readonly price: number | undefined;
  readonly onSettle: (price: number | null) => void;
}) {
  const id = useId();
  const { register, handleSubmit, reset, formState } = useForm({
    values: { price: textOf(price) },
    resetOptions: { keepDirtyValues: true },
  });
  const error = formState.errors.price?.message;
  const settle = handleSubmit(({ price: text }) => {
    const typed = priceOf(text);
    if (typed === undefined || typed === (price ?? null)) return;
    onSettle(typed);
    reset({ price: typed === null ? '' : textOf(typed) });
  });
  // What another window settled stands here too, unless something is being typed.
  useEffect(() => {
    if (!formState.isDirty) reset({ price: textOf(price) });
  }, [price, formState.isDirty, reset]);
  const { onBlur, ...field } = register('price', {
    validate: (text) => priceOf(text) !== undefined || 'Give a price, such as 3.20, or nothing.',
  });
  return (
    <form
      className={styles['price']}
      onSubmit={(event) => {
        event.preventDefault();
        void settle();
      }}
    >
      <label>
        <Unseen>{name}</Unseen>
        <input
          {...field}
          inputMode="decimal"
          maxLength={12}
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
