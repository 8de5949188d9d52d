import { useState } from 'react';
import { readWays, writeWays } from '../../core/sweep';
import type { Venue } from '../../server/stage/service';
import { Button } from '../../ui';
import { ApiProblem, put, useStored } from '../app';
import { newId } from '../kept';
import styles from './Stage.module.css';

interface Typed {
  readonly name: string;
  readonly lines: string;
  /** What it was changed from. */
  readonly base: number;
}

/** A venue with its lines: what is half typed is kept in this browser. */
// eslint-disable-next-line max-lines-per-function -- one form, read from top to bottom as it is seen.
export function VenueForm({
  venue,
  onKept,
}: {
  readonly venue: Venue | undefined;
  readonly onKept: (id: string) => void;
}) {
  const [id] = useState(() => venue?.id ?? newId());
  const asItIs: Typed = {
    name: venue?.name ?? '',
    lines: venue ? writeWays(venue.lines) : '',
    base: venue?.revision ?? 0,
  };
  const [kept, keep] = useStored<Typed | null>(`venue.${venue?.id ?? 'new'}`, null);
  const typed = kept ?? asItIs;
  const [problem, setProblem] = useState<{ readonly says: string; readonly path: string }>();
  const [theirs, setTheirs] = useState<Venue>();
  const change = (more: Partial<Typed>): void => keep(() => ({ ...typed, ...more }));
  const save = async (base = typed.base): Promise<void> => {
    setProblem(undefined);
    const read = readWays(typed.lines);
    if (typed.name.trim() === '') return setProblem({ says: 'The venue needs a name.', path: 'name' });
    if (!read.ok) {
      const [first] = read.problems;
      return setProblem({ says: first?.says ?? '', path: first?.path ?? 'lines' });
    }
    try {
      await put('/api/venues', { id, base, name: typed.name.trim(), lines: read.value });
      keep(() => null);
      onKept(id);
    } catch (error) {
      if (error instanceof ApiProblem && error.problems[0]?.code === 'stage.changed')
        setTheirs(error.more['now'] as Venue);
      setProblem({
        says: error instanceof ApiProblem ? error.message : 'The server did not answer: press again.',
        path: '',
      });
    }
  };
  return (
    <form
      aria-label={venue ? `Lines of ${venue.name}` : 'A venue'}
      className={styles['venue']}
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <label>
        its name{' '}
        <input
          value={typed.name}
          maxLength={80}
          aria-invalid={problem?.path === 'name'}
          onChange={({ target }) => change({ name: target.value })}
        />
      </label>
      <label>
        its lines, a group a line
        <textarea
          rows={5}
          value={typed.lines}
          maxLength={4000}
          placeholder={'1-16 stage box\n17-22 puppet bridge\n23, 24 gallery, phantom stays on'}
          aria-invalid={problem !== undefined && problem.path.startsWith('line')}
          onChange={({ target }) => change({ lines: target.value })}
        />
      </label>
      {problem && (
        <p role="alert" className={styles['problem']}>
          {problem.path.startsWith('line ') && <b>{problem.path}: </b>}
          {problem.says}
        </p>
      )}
      <p className={styles['row']}>
        {theirs ? (
          <>
            <Button
              onClick={() => {
                keep(() => ({ name: theirs.name, lines: writeWays(theirs.lines), base: theirs.revision }));
                setTheirs(undefined);
                setProblem(undefined);
              }}
            >
              Load theirs
            </Button>
            <Button onClick={() => void save(theirs.revision)}>Keep mine on top</Button>
          </>
        ) : (
          <Button type="submit">Keep the venue</Button>
        )}
      </p>
    </form>
  );
}
