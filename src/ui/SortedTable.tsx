import {
  getCoreRowModel,
  getFilteredRowModel,
  getSortedRowModel,
  useReactTable,
  type Column,
  type ColumnDef,
} from '@tanstack/react-table';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import styles from './SortedTable.module.css';

/** A column: what it is sorted and found by, and what stands in it where that is more than the same in words. */
export interface SortedColumn<Row> {
  readonly head: string;
  readonly value: (row: Row) => string | number;
  readonly cell?: (row: Row) => ReactNode;
  /** Whether it holds figures, under each other. */
  readonly figures?: true;
  /** What is looked at or pressed, and put in no order. */
  readonly unsorted?: true;
}

const SAID = { asc: 'ascending', desc: 'descending', none: 'none' } as const;
/** So few are seen at once: they are not looked for. */
const FEW = 6;

/** A table that is sorted by pressing a column's head, and, where it is long, searched. */
export function SortedTable<Row>({
  name,
  rows,
  columns,
  keyOf,
  sortedBy,
}: {
  readonly name: string;
  readonly rows: readonly Row[];
  readonly columns: readonly SortedColumn<Row>[];
  readonly keyOf: (row: Row) => string;
  /** The column that it is sorted by at first, the largest on top; as they come otherwise. */
  readonly sortedBy?: string;
}) {
  const [find, setFind] = useState('');
  const [sorting, setSorting] = useState(sortedBy === undefined ? [] : [{ id: sortedBy, desc: true }]);
  // eslint-disable-next-line react-hooks/incompatible-library -- nothing of it is kept between two pictures.
  const table = useReactTable({
    data: rows as Row[],
    columns: columns.map(({ head, value, unsorted }): ColumnDef<Row> => ({
      id: head,
      accessorFn: value,
      sortingFn: 'alphanumeric',
      enableSorting: !unsorted,
    })),
    state: { sorting, globalFilter: find },
    onSortingChange: setSorting,
    globalFilterFn: 'includesString',
    getColumnCanGlobalFilter: () => true,
    getRowId: keyOf,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
    getFilteredRowModel: getFilteredRowModel(),
  });
  const found = table.getRowModel().rows;
  return (
    <div className={styles['around']}>
      {rows.length > FEW && (
        <label className={styles['find']}>
          find <input type="search" value={find} onChange={(event) => setFind(event.target.value)} />
          <span role="status">{find === '' ? '' : `${found.length} of ${rows.length}`}</span>
        </label>
      )}
      <table className={styles['table']}>
        <caption>{name}</caption>
        <thead>
          <tr>
            {table.getFlatHeaders().map(({ column }) => (
              <Head key={column.id} column={column} />
            ))}
          </tr>
        </thead>
        <tbody>
          {found.map(({ id, original }) => (
            <tr key={id}>
              {columns.map(({ head, value, cell, figures }) => (
                <td key={head} className={figures && styles['figures']}>
                  {cell ? cell(original) : value(original)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** A column's name, pressed to sort by it where that means something. */
function Head<Row>({ column }: { readonly column: Column<Row> }) {
  if (!column.getCanSort()) return <th scope="col">{column.id}</th>;
  const sorted = column.getIsSorted();
  return (
    <th scope="col" aria-sort={SAID[sorted || 'none']}>
      <button type="button" onClick={column.getToggleSortingHandler()}>
        {column.id}
        <span aria-hidden="true" className={styles['arrow']}>
          {sorted === 'asc' && <ArrowUp size={14} />}
          {sorted === 'desc' && <ArrowDown size={14} />}
        </span>
      </button>
    </th>
  );
}
