import { useId, useState } from 'react';
import { USUAL_BOX } from '../../../core/drilling';
import type { DrillingInWords } from '../../../server/leads/drilling';
import { ApiProblem, ask, useStored } from '../../app';
import { Button, Mark } from '../../../ui';
import styles from '../Stage.module.css';

const FIELDS = [
  ['length', 'Length inside'],
  ['width', 'Width inside'],
  ['depth', 'Depth inside, front to lid'],
  ['wall', 'Wall'],
  ['boss', 'Corner posts, each side'],
] as const;
type Field = (typeof FIELDS)[number][0];
type Measures = Readonly<Record<Field, string>>;
const NOTHING: Measures = { length: '', width: '', depth: '', ...USUAL_BOX };

/** The measures of the box, whether all has room in it, and the sheet to drill by. */
export function Drilling({ id }: { readonly id: string }) {
  const [measures, keep] = useStored<Measures>(`box.${id}`, NOTHING);
  /** What was answered, and to which measures: of others it says nothing. */
  const [answer, setAnswer] = useState<{
    readonly at: string;
    readonly says?: readonly string[];
    readonly problem?: { readonly path: string; readonly says: string };
  }>();
  const about = useId();
  const query = new URLSearchParams(measures).toString();
  const look = async (): Promise<void> => {
    try {
      const { says } = await ask<DrillingInWords>('GET', `/api/leads/${id}/drilling?${query}`);
      setAnswer({ at: query, says });
    } catch (error) {
      const [first] = error instanceof ApiProblem ? error.problems : [];
      const says = first?.says ?? 'The server did not answer. Try again.';
      setAnswer({ at: query, problem: { path: first?.path ?? '', says } });
    }
  };
  const { says: room, problem } = answer?.at === query ? answer : {};
  return (
    <section aria-label="Drilling the box">
      <h2>Drilling the box</h2>
      <form
        className={styles['row']}
        onSubmit={(event) => {
          event.preventDefault();
          void look();
        }}
      >
        {FIELDS.map(([field, says]) => (
          <label key={field}>
            {says}{' '}
            <input
              className={styles['field']}
              size={7}
              maxLength={40}
              value={measures[field]}
              aria-invalid={problem?.path === field}
              aria-describedby={problem?.path === field ? about : undefined}
              onChange={({ target }) => keep((now) => ({ ...now, [field]: target.value }))}
            />
          </label>
        ))}
        <Button type="submit">Is there room?</Button>
      </form>
      <div id={about} role="status">
        {problem && (
          <p className={styles['problem']}>
            <Mark kind="stop" /> {problem.says}
          </p>
        )}
        {room && (
          <>
            <p>
              There is room.{' '}
              <a href={`/api/leads/${id}/drilling.pdf?${query}`} target="_blank" rel="noreferrer">
                Drilling sheet, at true size
              </a>
            </p>
            <ul>
              {room.map((line) => (
                <li key={line}>{line}</li>
              ))}
            </ul>
          </>
        )}
      </div>
    </section>
  );
}
