import { useState } from 'react';
import { heldEnds } from '../../core/described';
import { faceOf, pictureOf } from '../../core/drawing';
import { Picture } from '../../ui';
import styles from './Stage.module.css';

const nothing = (): void => undefined;

/** The faces of the ends that are said so far: two contacts touched one after the other are a line of what beeps. */
export function TouchPairs({
  text,
  onMeet,
}: {
  readonly text: string;
  readonly onMeet: (line: string) => void;
}) {
  const [first, setFirst] = useState<string>();
  const ends = heldEnds(text);
  if (ends.length === 0) return null;
  return (
    <div
      role="group"
      aria-label="Touch two contacts that beep to each other"
      className={styles['touchPairs']}
    >
      {ends.map(({ id, connector }) => (
        <figure key={id}>
          <Picture
            picture={pictureOf(faceOf(connector, 'mating', id), { typeMm: 2 })}
            says={`End ${id}, as it mates`}
            picked={first}
            onLight={nothing}
            onPick={(contact) => {
              if (first !== undefined && first !== contact) onMeet(`${first} ${contact}`);
              setFirst(first === undefined ? contact : undefined);
            }}
          />
          <figcaption>
            <b>{id}</b> {connector.name.split(',')[0]}
          </figcaption>
        </figure>
      ))}
      <p role="status">
        {first === undefined
          ? 'Touch a contact, and then one that it beeps to: the line is written.'
          : `${first} beeps to…`}
      </p>
    </div>
  );
}
