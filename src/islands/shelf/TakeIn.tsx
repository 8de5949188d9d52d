import { useRef, useState } from 'react';
import { useForm, useWatch, type UseFormRegisterReturn } from 'react-hook-form';
import { CABLES, CONNECTORS, type CableEntry, type ConnectorEntry } from '../../core/catalogue';
import { parseLength } from '../../core/quantity';
import { CONDITIONS } from '../../core/stock';
import { Button } from '../../ui';
import { useWorkshop } from '../app';
import { newId } from '../kept';
import { Field } from '../workshop/Field';
import styles from './Shelf.module.css';
import type { Happened } from './useShelf';

interface Typed {
  readonly item: string;
  readonly amount: string;
  readonly sort: 'reel' | 'opened' | 'offcut' | 'bag' | 'salvaged' | 'lead';
  readonly condition: (typeof CONDITIONS)[number];
  readonly reused: string;
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
// eslint-disable-next-line max-lines-per-function -- one form, read from top to bottom as it is seen.
export function TakeIn({
  onHappened,
}: {
  readonly onHappened: (events: readonly Happened[]) => Promise<string | undefined>;
}) {
  const own = useWorkshop();
  const [said, setSaid] = useState('');
  const ids = useRef(freshIds());
  const { register, handleSubmit, control, reset, setError, formState } = useForm<Typed>({
    defaultValues: {
      item: CABLES[0]?.id ?? '',
      amount: '',
      sort: 'reel',
      condition: 'like new',
      reused: '1',
      place: '',
    },
  });
  const cables: readonly CableEntry[] = [...own.cables, ...CABLES];
  const connectors: readonly ConnectorEntry[] = [...own.connectors, ...BOUGHT];
  const item = useWatch({ control, name: 'item' });
  const cable = cables.find(({ id }) => id === item);
  const chosen = useWatch({ control, name: 'sort' });
  // What a connector is is never a reel, and the other way round.
  const sort = cable
    ? chosen === 'bag' || chosen === 'salvaged'
      ? 'reel'
      : chosen
    : chosen === 'salvaged'
      ? chosen
      : 'bag';
  const isUsed = sort === 'salvaged' || sort === 'lead';
  const isLength = cable !== undefined && sort !== 'lead';
  const { errors } = formState;
  const save = async (typed: Typed): Promise<void> => {
    const amount = amountOf(typed.amount, isLength);
    if (typeof amount === 'string') return setError('amount', { message: amount });
    const reused = Number(typed.reused);
    if (isUsed && !(Number.isInteger(reused) && reused >= 0 && reused <= 100))
      return setError('reused', { message: 'Count in whole numbers, from 0 to 100.' });
    const called = cable?.name ?? connectors.find(({ id }) => id === item)?.name ?? item;
    const name = sort === 'lead' ? `Lead of ${called}`.slice(0, 120) : called;
    const problem = await onHappened([
      {
        ...ids.current,
        kind: 'taken-in',
        item: sort === 'lead' ? `lead ${item}`.slice(0, 120) : item,
        name,
        amount,
        unit: isLength ? 'mm' : 'pieces',
        sort,
        ...(isUsed ? { condition: typed.condition, reused } : {}),
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
        <Field label={isLength ? 'How long' : 'How many'} name="amount" errors={errors}>
          {(props) => (
            <input
              {...props}
              {...register('amount')}
              maxLength={40}
              placeholder={isLength ? '100 m' : '10'}
            />
          )}
        </Field>
        <Field label="It is" name="sort" errors={errors}>
          {(props) => (
            <select {...props} {...register('sort')} value={sort}>
              {cable ? (
                <>
                  <option value="reel">a whole reel</option>
                  <option value="opened">an opened reel</option>
                  <option value="offcut">an offcut</option>
                  <option value="lead">a whole lead, bought or retired</option>
                </>
              ) : (
                <>
                  <option value="bag">new</option>
                  <option value="salvaged">salvaged from a lead</option>
                </>
              )}
            </select>
          )}
        </Field>
        {isUsed && (
          <>
            <Field label="How good it is" name="condition" errors={errors}>
              {(props) => (
                <select {...props} {...register('condition')}>
                  {CONDITIONS.map((each) => (
                    <option key={each}>{each}</option>
                  ))}
                </select>
              )}
            </Field>
            <Field label="In how many leads it was" name="reused" errors={errors}>
              {(props) => <input {...props} {...register('reused')} maxLength={3} inputMode="numeric" />}
            </Field>
          </>
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
