import { useRef, useState } from 'react';
import { useForm, useWatch, type UseFormRegisterReturn } from 'react-hook-form';
import { CABLES, CONNECTORS, type CableEntry, type ConnectorEntry } from '../../core/catalogue';
import { parseLength } from '../../core/quantity';
import { Button } from '../../ui';
import { useWorkshop } from '../app';
import { newId } from '../kept';
import { Field } from '../workshop/Field';
import styles from './Shelf.module.css';
import type { Happened } from './useShelf';

interface Typed {
  readonly item: string;
  readonly amount: string;
  readonly sort: 'reel' | 'opened' | 'offcut';
  readonly place: string;
}

/** How much it is: a length of cable in mm, or so many pieces. */
function amountOf(text: string, isCable: boolean): number | string {
  if (isCable) {
    const read = parseLength(text);
    return read.ok ? read.value : (read.problems[0]?.says ?? '');
  }
  const many = Number(text.trim());
  return Number.isInteger(many) && many > 0 ? many : 'Count pieces in whole numbers, from 1.';
}

/** Connectors that are bought and lie there: pads and loose ends are not. */
const BOUGHT = CONNECTORS.filter(({ mount }) => mount === 'cable' || mount === 'panel');

/** What is sent again after no answer came is the same piece. */
const freshIds = () => ({ id: newId(), piece: newId() });

/** Something new comes onto the shelf. */
export function TakeIn({
  onHappened,
}: {
  readonly onHappened: (events: readonly Happened[]) => Promise<string | undefined>;
}) {
  const own = useWorkshop();
  const [said, setSaid] = useState('');
  const ids = useRef(freshIds());
  const { register, handleSubmit, control, reset, setError, formState } = useForm<Typed>({
    defaultValues: { item: CABLES[0]?.id ?? '', amount: '', sort: 'reel', place: '' },
  });
  const cables: readonly CableEntry[] = [...own.cables, ...CABLES];
  const connectors: readonly ConnectorEntry[] = [...own.connectors, ...BOUGHT];
  const item = useWatch({ control, name: 'item' });
  const cable = cables.find(({ id }) => id === item);
  const { errors } = formState;
  const save = async (typed: Typed): Promise<void> => {
    const amount = amountOf(typed.amount, cable !== undefined);
    if (typeof amount === 'string') return setError('amount', { message: amount });
    const name = cable?.name ?? connectors.find(({ id }) => id === item)?.name ?? item;
    const problem = await onHappened([
      {
        ...ids.current,
        kind: 'taken-in',
        item,
        name,
        amount,
        unit: cable ? 'mm' : 'pieces',
        sort: cable ? typed.sort : 'bag',
        ...(typed.place.trim() === '' ? {} : { place: typed.place.trim() }),
      },
    ]);
    if (problem !== undefined) return setError('amount', { message: problem });
    ids.current = freshIds();
    reset({ ...typed, amount: '' });
    setSaid(`${name} is on the shelf.`);
  };
  return (
    <form
      className={styles['form']}
      aria-label="Take in"
      onSubmit={(event) => {
        event.preventDefault();
        void handleSubmit(save)();
      }}
    >
      <h2>Take in</h2>
      <div className={styles['fields']}>
        <Field label="What" name="item" errors={errors}>
          {(props) => <What {...props} field={register('item')} cables={cables} connectors={connectors} />}
        </Field>
        <Field label={cable ? 'How long' : 'How many'} name="amount" errors={errors}>
          {(props) => (
            <input {...props} {...register('amount')} maxLength={40} placeholder={cable ? '100 m' : '10'} />
          )}
        </Field>
        {cable && (
          <Field label="It is" name="sort" errors={errors}>
            {(props) => (
              <select {...props} {...register('sort')}>
                <option value="reel">a whole reel</option>
                <option value="opened">an opened reel</option>
                <option value="offcut">an offcut</option>
              </select>
            )}
          </Field>
        )}
        <Field label="Where it lies" name="place" errors={errors}>
          {(props) => <input {...props} {...register('place')} maxLength={80} />}
        </Field>
      </div>
      <Button type="submit" disabled={formState.isSubmitting}>
        Take it in
      </Button>{' '}
      <span role="status">{said}</span>
    </form>
  );
}

/** Everything that may lie there. */
function What({
  field,
  cables,
  connectors,
  ...props
}: {
  readonly field: UseFormRegisterReturn;
  readonly cables: readonly CableEntry[];
  readonly connectors: readonly ConnectorEntry[];
}) {
  const options = (of: readonly { readonly id: string; readonly name: string }[]) =>
    of.map(({ id, name }) => (
      <option key={id} value={id}>
        {name}
      </option>
    ));
  return (
    <select {...props} {...field}>
      <optgroup label="Cable">{options(cables)}</optgroup>
      <optgroup label="Connectors">{options(connectors)}</optgroup>
    </select>
  );
}
