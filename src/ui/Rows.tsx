import type { Table } from '../core/signal';
import styles from './Rows.module.css';

/** Rows that no chart gives, under their name: a truth table, a list of values tried. */
export function Rows({ table }: { readonly table: Table }) {
  return (
    <table className={styles['table']}>
      <caption>{table.name}</caption>
      <thead>
        <tr>
          {table.head.map((name) => (
            <th scope="col" key={name}>
              {name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {table.rows.map((row) => (
          <tr key={row[0]}>
            {row.map((cell, n) =>
              n === 0 ? (
                <th scope="row" key={table.head[n]}>
                  {cell}
                </th>
              ) : (
                <td key={table.head[n]}>{cell}</td>
              ),
            )}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
