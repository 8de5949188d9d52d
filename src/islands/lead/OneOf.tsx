import { useId, useState, type ReactNode } from 'react';
import type { Edit } from '../../core/lead';
import { Button } from '../../ui';
import styles from './Stage.module.css';

/** Something that may be done: under what heading, in words, and the edit that does it. */
export interface Choosable {
  readonly group: string;
  readonly says: string;
  readonly edit: Edit;
}

const keyOf = ({ group, says }: Choosable): string => `${group} ${says}`;

/** One of several things that may be done, chosen from its group and done; the others go on standing there. */
export function OneOf<T extends Choosable>({
  label,
  of,
  says = (each) => each.says,
  onEdit,
  children,
}: {
  readonly label: ReactNode;
  readonly of: readonly T[];
  /** How it stands in the list. */
  readonly says?: (each: T) => string;
  readonly onEdit: (edit: Edit) => void;
  /** What else may be done, behind it. */
  readonly children?: ReactNode;
}) {
  const [wanted, setWanted] = useState('');
  const id = useId();
  const chosen = of.find((each) => keyOf(each) === wanted);
  const groups = [...new Set(of.map(({ group }) => group))];
  if (of.length === 0) return null;
  return (
    <form
      className={styles['row']}
      onSubmit={(event) => {
        event.preventDefault();
        if (chosen) onEdit(chosen.edit);
        setWanted('');
      }}
    >
      <label htmlFor={id}>{label}</label>
      <select id={id} value={chosen ? wanted : ''} onChange={(event) => setWanted(event.target.value)}>
        <option value="">choose…</option>
        {groups.map((group) => (
          <optgroup key={group} label={group}>
            {of
              .filter((each) => each.group === group)
              .map((each) => (
                <option key={keyOf(each)} value={keyOf(each)}>
                  {says(each)}
                </option>
              ))}
          </optgroup>
        ))}
      </select>
      <Button type="submit" disabled={!chosen}>
        Do it
      </Button>
      {children}
    </form>
  );
}
