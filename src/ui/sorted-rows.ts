import {
  createTable,
  getCoreRowModel,
  getFilteredRowModel,
  getSortedRowModel,
  type ColumnDef,
} from '@tanstack/react-table';
import type { ReactNode } from 'react';

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

/** What a table is sorted by: a column's head, and which way. */
export interface Sorting {
  readonly by: string;
  readonly down: boolean;
}

/** The rows of a table in their order, those in which what is looked for stands. Rows that are alike keep the order in which they come. */
export function sortedRows<Row>(
  rows: readonly Row[],
  columns: readonly SortedColumn<Row>[],
  sorting: Sorting | undefined,
  find: string,
): readonly Row[] {
  const table = createTable<Row>({
    data: rows as Row[],
    columns: columns.map(({ head, value }): ColumnDef<Row> => ({
      id: head,
      accessorFn: value,
      sortingFn: 'alphanumeric',
    })),
    state: {
      sorting: sorting ? [{ id: sorting.by, desc: sorting.down }] : [],
      globalFilter: find,
      columnFilters: [],
    },
    onStateChange: () => undefined,
    renderFallbackValue: null,
    globalFilterFn: 'includesString',
    getColumnCanGlobalFilter: () => true,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
    getFilteredRowModel: getFilteredRowModel(),
  });
  return table.getRowModel().rows.map(({ original }) => original);
}
