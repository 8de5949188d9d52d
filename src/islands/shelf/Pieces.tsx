import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { sayAmount, type ShelfPiece } from '../../core/stock';
import { parseLength } from '../../core/quantity';
import { Button, SortedTable, Unseen } from '../../ui';
import { newId } from '../kept';
import { Field } from '../workshop/Field';
import styles from './Shelf.module.css';
import type { Happened } from './useShelf';

const SORT: Readonly<Record<ShelfPiece['sort'], string>> = {
  reel: 'reel',
  opened: 'opened reel',
  offcut: 'offcut',
  bag: 'bag',
};

const DID = {
  cut: 'cut off',
  scrapped: 'thrown away',
  returned: 'came back',
  counted: 'there are really',
} as const;

interface Props {
  readonly pieces: readonly ShelfPiece[];
  readonly onHappened: (events: readonly Happened[]) => Promise<string | undefined>;
}

/** Every piece of which something is left. */
export function Pieces({ pieces, onHappened }: Props) {
  const [chosen, setChosen] = useState<string>();
  const there = pieces.filter(({ left }) => left > 0);
  const piece = there.find(({ id }) => id === chosen);
  if (there.length === 0)
    return (
      <p className={styles['soft']}>Nothing yet: take in what lies there, reel by reel and bag by bag.</p>
    );
  return (
    <>
      <SortedTable
        name="Pieces of the shelf"
        rows={there}
        keyOf={({ id }) => id}
        columns={[
          { head: 'What', value: ({ name }) => name },
          {
            head: 'Left',
            value: ({ left }) => left,
            cell: (each) => sayAmount(each, each.left),
            figures: true,
          },
          { head: 'As', value: ({ sort }) => SORT[sort] },
          { head: 'Place', value: ({ place }) => place },
          {
            head: '',
            unsorted: true,
            value: () => '',
            cell: (each) => (
              <Button
                look="plain"
                aria-pressed={each.id === chosen}
                onClick={() => setChosen(each.id === chosen ? undefined : each.id)}
              >
                change
                <Unseen>
                  {' '}
                  {each.name}, {sayAmount(each, each.left)}
                </Unseen>
              </Button>
            ),
          },
        ]}
      />
      {piece && (
        <Change key={piece.id} piece={piece} onHappened={onHappened} onDone={() => setChosen(undefined)} />
      )}
    </>
  );
}

interface Typed {
  readonly kind: keyof typeof DID;
  readonly amount: string;
  readonly what: string;
}

/** Something happened to one piece. */
function Change({
  piece,
  onHappened,
  onDone,
}: {
  readonly piece: ShelfPiece;
  readonly onHappened: Props['onHappened'];
  readonly onDone: () => void;
}) {
  const { register, handleSubmit, setError, formState } = useForm<Typed>({
    defaultValues: { kind: 'cut', amount: '', what: '' },
  });
  const [id] = useState(newId);
  const { errors } = formState;
  const amountOf = (text: string, kind: Typed['kind']): number | string => {
    if (kind === 'counted' && /^\s*0\s*m?\s*$/.test(text)) return 0;
    if (piece.unit === 'pieces')
      return text.trim() !== '' && Number.isInteger(Number(text))
        ? Number(text)
        : 'Count pieces in whole numbers.';
    const read = parseLength(text);
    return read.ok ? read.value : (read.problems[0]?.says ?? '');
  };
  const save = async ({ kind, amount: text, what }: Typed): Promise<void> => {
    const amount = amountOf(text, kind);
    if (typeof amount === 'string') return setError('amount', { message: amount });
    const problem = await onHappened([
      { id, piece: piece.id, kind, amount, ...(what.trim() === '' ? {} : { what: what.trim() }) },
    ]);
    if (problem !== undefined) return setError('amount', { message: problem });
    onDone();
  };
  return (
    <form
      className={styles['form']}
      aria-label={`Change ${piece.name}`}
      onSubmit={(event) => {
        event.preventDefault();
        void handleSubmit(save)();
      }}
    >
      <div className={styles['fields']}>
        <Field label="What happened" name="kind" errors={errors}>
          {(props) => (
            <select {...props} {...register('kind')}>
              {Object.entries(DID).map(([id, says]) => (
                <option key={id} value={id}>
                  {says}
                </option>
              ))}
            </select>
          )}
        </Field>
        <Field label={piece.unit === 'mm' ? 'How much, as 6 m' : 'How many'} name="amount" errors={errors}>
          {(props) => <input {...props} {...register('amount')} maxLength={40} />}
        </Field>
        <Field label="For what" name="what" errors={errors}>
          {(props) => <input {...props} {...register('what')} maxLength={200} />}
        </Field>
      </div>
      <Button type="submit" disabled={formState.isSubmitting}>
        Write it down
      </Button>
    </form>
  );
}
