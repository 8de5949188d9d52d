import { ArrowDown, ArrowUp } from 'lucide-react';
import { useState } from 'react';
import type { SortedColumn, Sorting } from './sorted-rows';
import { useLater } from './useLater';
import styles from './SortedTable.module.css';

/** So few are seen at once: they are not looked for. */
const FEW = 6;
/** What sorts and finds. */
const sorter = async () => (await import('./sorted-rows')).sortedRows;

/** A table that is sorted by pressing a column's head, and, where it is long, searched; as its rows come at first. */
export function SortedTable<Row>({
  name,
  rows,
  columns,
  keyOf,
}: {
  readonly name: string;
  readonly rows: readonly Row[];
  readonly columns: readonly SortedColumn<Row>[];
  readonly keyOf: (row: Row) => string;
}) {
  const [find, setFind] = useState('');
  const [sorting, setSorting] = useState<Sorting>();
  const sort = useLater(sorter);
  const found = sort && (sorting || find !== '') ? sort(rows, columns, sorting, find) : rows;
  return (
    <div className={styles['around']}>
      {rows.length > FEW && (
        <label className={styles['find']}>
          find <input type="search" value={find} onChange={(event) => setFind(event.target.value)} />
          <span role="status">{find === '' || !sort ? '' : `${found.length} of ${rows.length}`}</span>
        </label>
      )}
      <table className={styles['table']}>
        <caption>{name}</caption>
        <thead>
          <tr>
            {columns.map(({ head, figures, unsorted }) =>
              unsorted ? (
                <th key={head} scope="col">
                  {head}
                </th>
              ) : (
                <Head
                  key={head}
                  head={head}
                  sorted={sorting?.by === head ? sorting : undefined}
                  onPress={() =>
                    setSorting(nextOf(head, sorting?.by === head ? sorting : undefined, figures ?? false))
                  }
                />
              ),
            )}
          </tr>
        </thead>
        <tbody>
          {found.map((row) => (
            <tr key={keyOf(row)}>
              {columns.map(({ head, value, cell, figures }) => (
                <td key={head} className={figures && styles['figures']}>
                  {cell ? cell(row) : value(row)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** What a press on a column's head sorts by next: figures the largest on top, words from A; the other way; as they come. */
const nextOf = (by: string, sorted: Sorting | undefined, down: boolean): Sorting | undefined =>
  !sorted ? { by, down } : sorted.down === down ? { by, down: !down } : undefined;

/** A column's name, pressed to sort by it. */
function Head({
  head,
  sorted,
  onPress,
}: {
  readonly head: string;
  readonly sorted: Sorting | undefined;
  readonly onPress: () => void;
}) {
  return (
    <th scope="col" aria-sort={sorted ? (sorted.down ? 'descending' : 'ascending') : 'none'}>
      <button type="button" onClick={onPress}>
        {head}
        <span aria-hidden="true" className={styles['arrow']}>
          {sorted && (sorted.down ? <ArrowDown size={14} /> : <ArrowUp size={14} />)}
        </span>
      </button>
    </th>
  );
}
