import { useId, useState } from 'react';
import { USUAL_BOX, USUAL_RIM } from '../../../core/drilling';
import type { DrillingInWords } from '../../../server/leads/drilling';
import { ApiProblem, ask, useStored } from '../../app';
import { Button, Mark } from '../../../ui';
import styles from '../Stage.module.css';

export interface DrillingProps {
  readonly id: string;
  readonly is: 'box' | 'cover';
}

/** What is measured of it: as the server calls it, as the form does, and what stands there before anything is typed. */
type Field = readonly [name: string, says: string, usual?: string];
const DRILLED: Readonly<
  Record<'box' | 'cover', { readonly heading: string; readonly fields: readonly Field[] }>
> = {
  box: {
    heading: 'Drilling the box',
    fields: [
      ['length', 'Length inside'],
      ['width', 'Width inside'],
      ['depth', 'Depth inside, front to lid'],
      ['wall', 'Wall', USUAL_BOX.wall],
      ['boss', 'Corner posts, each side', USUAL_BOX.boss],
    ],
  },
  cover: {
    heading: 'Drilling the cover',
    fields: [
      ['across', 'Cover inside its rim, wide'],
      ['high', 'Cover, high (empty: round)'],
      ['rim', 'Wall of the rim', USUAL_RIM],
      ['deep', 'Depth inside, cover to what it closes on'],
      ['behind', 'Taken behind its middle, wide'],
      ['tall', 'Taken behind, high (empty: round)'],
    ],
  },
};
type Measures = Readonly<Record<string, string>>;

/** The measures of the box or cover, whether all has room in it, and the sheet to drill by. */
export function Drilling({ id, is }: DrillingProps) {
  const { heading, fields } = DRILLED[is];
  const [typed, keep] = useStored<Measures>(`${is}.${id}`, {});
  const measures = Object.fromEntries(fields.map(([name, , usual = '']) => [name, typed[name] ?? usual]));
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
    <section aria-label={heading}>
      <h2>{heading}</h2>
      <form
        className={styles['row']}
        onSubmit={(event) => {
          event.preventDefault();
          void look();
        }}
      >
        {fields.map(([field, says]) => (
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
