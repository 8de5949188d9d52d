import { COLOURS, type CableEntry, type ConnectorEntry } from '../../core/catalogue';
import { Button, Face, SortedTable, type SortedColumn } from '../../ui';
import styles from './Workshop.module.css';

interface Own<Entry> {
  readonly entries: readonly Entry[];
  readonly onRemove: (id: string) => void;
}

/** The button at the end of each line. */
const removal = <Entry extends { readonly id: string; readonly name: string }>(
  onRemove: (id: string) => void,
): SortedColumn<Entry> => ({
  head: 'on the list',
  unsorted: true,
  value: () => '',
  cell: ({ id, name }) => (
    <Button onClick={() => onRemove(id)} aria-label={`Take it off: ${name}`}>
      <span className={styles['whole']}>Take it off</span>
    </Button>
  ),
});

/** The house’s own connectors, sorted and found. */
export function OwnConnectors({ entries, onRemove }: Own<ConnectorEntry>) {
  const columns: readonly SortedColumn<ConnectorEntry>[] = [
    { head: 'name', value: ({ name }) => name, cell: ({ name }) => <b>{name}</b> },
    {
      head: 'face',
      unsorted: true,
      value: () => '',
      cell: (entry) => (
        <span className={styles['face']}>
          <Face connector={entry} side="mating" />
        </span>
      ),
    },
    { head: 'gender', value: ({ gender }) => (gender === 'none' ? 'no gender' : gender) },
    {
      head: 'contacts',
      value: ({ contacts }) => contacts.length,
      cell: ({ contacts }) => contacts.map((contact) => contact.id).join(' '),
    },
    removal(onRemove),
  ];
  return (
    <SortedTable name="As they were described" rows={entries} columns={columns} keyOf={({ id }) => id} />
  );
}

const sayConductors = ({ conductors }: CableEntry): string =>
  conductors
    .map((each) => (each.is === 'core' ? `${COLOURS[each.colour]} (${each.colour})` : each.is))
    .join(', ');

/** The house’s own cables. */
export function OwnCables({ entries, onRemove }: Own<CableEntry>) {
  const columns: readonly SortedColumn<CableEntry>[] = [
    { head: 'name', value: ({ name }) => name, cell: ({ name }) => <b>{name}</b> },
    { head: 'kind', value: ({ kind }) => kind },
    {
      head: 'jacket, mm',
      figures: true,
      value: ({ jacketMm }) => jacketMm ?? 0,
      cell: ({ jacketMm }) => jacketMm ?? 'not known',
    },
    { head: 'conductors', value: sayConductors },
    removal(onRemove),
  ];
  return (
    <SortedTable name="As they were described" rows={entries} columns={columns} keyOf={({ id }) => id} />
  );
}
