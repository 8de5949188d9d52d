import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { sayAmount, SORT_NAMES, type ShelfPiece } from '../../core/stock';
import type { HeldLine } from '../../server/making/held';
import { useGot, useWorkshop } from '../app';
import type { Shelf } from '../../server/shelf/service';
import { Button, Mark, SettledField, SortedTable, Unseen } from '../../ui';
import { newId } from '../kept';
import { Field } from '../workshop/Field';
import { mmOf } from './Otherwise';
import { useHouse } from './Rules';
import styles from './Shelf.module.css';
import type { Happened } from './useShelf';

const DID = {
  cut: 'cut off',
  scrapped: 'thrown away',
  returned: 'came back',
  counted: 'there are really',
  placed: 'lies elsewhere now',
  marked: 'a stretch of it is bad',
  sound: 'none of it is bad after all',
} as const;
/** What is told with how much it was. */
const MUCH: readonly string[] = ['cut', 'scrapped', 'returned', 'counted'];

/** What it is, and how good: “opened reel, bad from 4.00 to 4.50 m”; “salvaged, worn, used in 2 leads”. */
function sayAs(piece: ShelfPiece): string {
  const { sort, bad, condition, reused } = piece;
  const where = bad.map(
    ({ fromMm, toMm }) => `${(fromMm / 1000).toFixed(2)} to ${(toMm / 1000).toFixed(2)} m`,
  );
  return [
    SORT_NAMES[sort],
    ...(condition === undefined ? [] : [condition]),
    ...(reused === undefined || reused === 0 ? [] : [`used in ${reused} ${reused === 1 ? 'lead' : 'leads'}`]),
    ...(where.length === 0 ? [] : [`bad from ${where.join(' and ')}`]),
  ].join(', ');
}

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
          {
            head: 'What',
            value: (each) => `${each.name}, ${sayAs(each)}`,
            cell: (each) => (
              <>
                {each.name}
                <br />
                <span className={styles['soft']}>{sayAs(each)}</span>
              </>
            ),
          },
          {
            head: 'Left',
            value: ({ left }) => left,
            cell: (each) => sayAmount(each, each.left),
            figures: true,
          },
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
        <>
          <Change key={piece.id} piece={piece} onHappened={onHappened} onDone={() => setChosen(undefined)} />
          <Level key={piece.item} piece={piece} />
        </>
      )}
      <Held />
    </>
  );
}

interface Typed {
  readonly kind: keyof typeof DID;
  readonly amount: string;
  readonly what: string;
  readonly place: string;
  readonly from: string;
  readonly to: string;
}

/** What can happen to a piece like this: only what is cut by length has bad stretches. */
const can = ({ unit, bad }: ShelfPiece, kind: string): boolean =>
  kind === 'marked' ? unit === 'mm' : kind === 'sound' ? bad.length > 0 : true;

/** What was typed as it is told to the shelf; or what is wrong, and where. */
function toldOf(
  piece: ShelfPiece,
  { kind, amount, what, place, from, to }: Typed,
):
  { readonly told: Partial<Happened> } | { readonly field: 'amount' | 'from' | 'to'; readonly says: string } {
  if (kind === 'placed') return { told: { place: place.trim() } };
  if (kind === 'sound') return { told: {} };
  if (kind === 'marked') {
    const [fromMm, toMm] = [mmOf(from), mmOf(to)];
    if (typeof fromMm === 'string') return { field: 'from', says: fromMm };
    if (typeof toMm === 'string') return { field: 'to', says: toMm };
    return { told: { fromMm, toMm } };
  }
  const why = what.trim() === '' ? {} : { what: what.trim() };
  if (piece.unit === 'pieces')
    return amount.trim() !== '' && Number.isInteger(Number(amount))
      ? { told: { amount: Number(amount), ...why } }
      : { field: 'amount', says: 'Count pieces in whole numbers.' };
  const mm = mmOf(amount);
  return typeof mm === 'string' ? { field: 'amount', says: mm } : { told: { amount: mm, ...why } };
}

/** Below how much of it there is to buy. */
function Level({ piece }: { readonly piece: ShelfPiece }) {
  const { levels = [] } = useWorkshop();
  const { settle, problem } = useHouse();
  const level = levels.find(({ item }) => item === piece.item);
  const isLong = piece.unit === 'mm';
  const write = (least: number): string => (least === 0 ? '' : isLong ? `${least / 1000} m` : String(least));
  const read = (text: string): number | undefined => {
    if (text.trim() === '') return 0;
    if (!isLong) return Number.isInteger(Number(text)) && Number(text) >= 0 ? Number(text) : undefined;
    const mm = mmOf(text);
    return typeof mm === 'number' ? mm : undefined;
  };
  return (
    <div className={styles['rules']}>
      <SettledField
        text={write(level?.least ?? 0)}
        read={read}
        write={write}
        otherwise={isLong ? 'Give a length, as 20 m, or nothing.' : 'Give a whole number, or nothing.'}
        onSettle={(least) =>
          void settle('levels', {
            item: piece.item,
            name: piece.name,
            unit: piece.unit,
            least: least === 0 ? null : least,
          })
        }
        label={`To buy where less than this is left of ${piece.name}`}
        input={{ maxLength: 20, placeholder: isLong ? '20 m' : '10' }}
      />
      {problem !== undefined && <p role="alert">{problem}</p>}
    </div>
  );
}

/** What is held for whom. */
function Held() {
  const { data } = useGot<{ readonly held: readonly HeldLine[] }>('/api/shelf/held');
  const { data: shelf } = useGot<Shelf>('/api/shelf');
  const held = data?.held ?? [];
  if (held.length === 0) return null;
  const jobs = [...new Map(held.map(({ job, name }) => [job, name]))];
  const nameOf = (item: string): string => shelf?.pieces.find((piece) => piece.item === item)?.name ?? item;
  return (
    <section aria-label="What is held">
      <h2>What is held</h2>
      {jobs.map(([job, name]) => (
        <p key={job}>
          for <a href={`/job/${job}`}>{name}</a>:{' '}
          {held
            .filter((each) => each.job === job)
            .map(
              (each) =>
                `${sayAmount(each, each.much)} ${each.unit === 'mm' ? 'of ' : '× '}${nameOf(each.item)}`,
            )
            .join('; ')}
        </p>
      ))}
    </section>
  );
}

/** What there is less of than the house wants to have. */
export function ToBuy({ pieces }: { readonly pieces: readonly ShelfPiece[] }) {
  const { levels = [] } = useWorkshop();
  const low = levels.flatMap((level) => {
    const left = pieces
      .filter(({ item, sort }) => item === level.item && sort !== 'salvaged' && sort !== 'lead')
      .reduce((sum, piece) => sum + piece.left, 0);
    return left < level.least ? [{ ...level, left }] : [];
  });
  if (low.length === 0) return null;
  return (
    <section aria-label="To buy">
      <h2>
        <Mark kind="caution" word="To buy" />
      </h2>
      <ul className={styles['low']}>
        {low.map((each) => (
          <li key={each.item}>
            {each.name}: {sayAmount(each, each.left)} left, {sayAmount(each, each.least)} wanted
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Something happened to one piece. */
// eslint-disable-next-line max-lines-per-function -- one form, read from top to bottom as it is seen.
function Change({
  piece,
  onHappened,
  onDone,
}: {
  readonly piece: ShelfPiece;
  readonly onHappened: Props['onHappened'];
  readonly onDone: () => void;
}) {
  const { register, handleSubmit, control, setError, formState } = useForm<Typed>({
    defaultValues: { kind: 'cut', amount: '', what: '', place: piece.place, from: '', to: '' },
  });
  const [id] = useState(newId);
  const { errors } = formState;
  const kind = useWatch({ control, name: 'kind' });
  const save = async (typed: Typed): Promise<void> => {
    const read = toldOf(piece, typed);
    if ('field' in read) return setError(read.field, { message: read.says });
    const problem = await onHappened([{ id, piece: piece.id, kind: typed.kind, ...read.told }]);
    if (problem !== undefined)
      return setError(typed.kind === 'marked' ? 'to' : MUCH.includes(typed.kind) ? 'amount' : 'kind', {
        message: problem,
      });
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
              {Object.entries(DID)
                .filter(([id]) => can(piece, id))
                .map(([id, says]) => (
                  <option key={id} value={id}>
                    {says}
                  </option>
                ))}
            </select>
          )}
        </Field>
        {MUCH.includes(kind) && (
          <>
            <Field
              label={piece.unit === 'mm' ? 'How much, as 6 m' : 'How many'}
              name="amount"
              errors={errors}
            >
              {(props) => <input {...props} {...register('amount')} maxLength={40} />}
            </Field>
            <Field label="For what" name="what" errors={errors}>
              {(props) => <input {...props} {...register('what')} maxLength={200} />}
            </Field>
          </>
        )}
        {kind === 'placed' && (
          <Field label="Where it lies" name="place" errors={errors}>
            {(props) => <input {...props} {...register('place')} maxLength={80} />}
          </Field>
        )}
        {kind === 'marked' && (
          <>
            <Field label="It begins so far from the free end" name="from" errors={errors}>
              {(props) => <input {...props} {...register('from')} maxLength={40} placeholder="4 m" />}
            </Field>
            <Field label="and ends" name="to" errors={errors}>
              {(props) => <input {...props} {...register('to')} maxLength={40} placeholder="4.5 m" />}
            </Field>
          </>
        )}
      </div>
      <Button type="submit" disabled={formState.isSubmitting}>
        Write it down
      </Button>
    </form>
  );
}
