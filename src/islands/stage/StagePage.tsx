import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { Stage } from '../../server/stage/service';
import { Button, Tape } from '../../ui';
import { ApiProblem, ask, Frame, useGot, usePlace, useStored, When } from '../app';
import type { PageProps } from '../app/page-props';
import { newId } from '../kept';
import { InputsForm } from './InputsForm';
import styles from './Stage.module.css';
import { VenueForm } from './VenueForm';

const KEYS = [['Tab', 'from field to field']] as const;

/** The stage of a job before the show: where it is, its lines, what goes onto them, and the sweeps. */
export function StagePage({ id = '' }: PageProps) {
  const { data: stage, error } = useGot<Stage>(`/api/stage/${id}`);
  return (
    <Frame
      keys={KEYS}
      trail={
        <>
          <a href="/">the board</a> <a href={`/job/${id}`}>what it takes</a>
        </>
      }
    >
      <main id="main" tabIndex={-1} className={styles['page']}>
        {!stage ? (
          <h1>{error ? error.message : 'Fetching its stage…'}</h1>
        ) : (
          <>
            <h1>
              The stage of <Tape>{stage.job.name}</Tape>
            </h1>
            <div className={styles['two']}>
              <Tonight stage={stage} />
              <Sweeps stage={stage} />
            </div>
            <InputsForm stage={stage} />
          </>
        )}
      </main>
    </Frame>
  );
}

/** Where it is tonight, and who begins: the last venue that was swept is the one until another is chosen. */
// eslint-disable-next-line max-lines-per-function -- one form, read from top to bottom as it is seen.
function Tonight({ stage }: { readonly stage: Stage }) {
  const client = useQueryClient();
  const { go } = usePlace();
  const [by, keepBy] = useStored('builder', '');
  const [chosen, choose] = useState<string>();
  const [editing, setEditing] = useState<string>();
  const [said, setSaid] = useState('');
  // Pressed again it is the same sweep.
  const [sweepId, setSweepId] = useState(newId);
  const usual = stage.venues.find(({ name }) => name === stage.sweeps[0]?.venue) ?? stage.venues.at(-1);
  const venue = stage.venues.find(({ id }) => id === chosen) ?? usual;
  const begin = async (): Promise<void> => {
    if (!venue) return setSaid('Say where it is first: a venue with its lines.');
    if (by.trim() === '') return setSaid('Say who sweeps: it stands beside all that is seen.');
    try {
      await ask('POST', '/api/sweeps', {
        id: sweepId,
        jobId: stage.job.id,
        venueId: venue.id,
        by: by.trim(),
        at: new Date().toISOString(),
      });
    } catch (error) {
      // Its answer was lost the last time: it is there.
      if (!(error instanceof ApiProblem) || error.problems[0]?.code !== 'id.taken')
        return setSaid(
          error instanceof ApiProblem ? error.message : 'The server did not answer: press again.',
        );
    }
    setSweepId(newId());
    await client.invalidateQueries({ queryKey: [`/api/stage/${stage.job.id}`] });
    go(`/sweep/${sweepId}/before`);
  };
  return (
    <section aria-label="Tonight">
      <h2>Tonight</h2>
      <div className={styles['row']}>
        {stage.venues.length > 0 && (
          <label>
            in{' '}
            <select value={venue?.id ?? ''} onChange={({ target }) => choose(target.value)}>
              {stage.venues.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          </label>
        )}
        {venue && <span>{venue.lines.length} lines</span>}
        {venue && (
          <Button look="plain" onClick={() => setEditing(editing === venue.id ? undefined : venue.id)}>
            its lines
          </Button>
        )}
        <Button look="plain" onClick={() => setEditing(editing === 'new' ? undefined : 'new')}>
          another venue
        </Button>
      </div>
      {(editing !== undefined || stage.venues.length === 0) && (
        <VenueForm
          key={editing ?? 'new'}
          venue={stage.venues.find(({ id }) => id === editing)}
          onKept={(id) => {
            setEditing(undefined);
            choose(id);
            void client.invalidateQueries({ queryKey: [`/api/stage/${stage.job.id}`] });
          }}
        />
      )}
      <div className={styles['row']}>
        <label>
          swept by{' '}
          <input
            value={by}
            maxLength={80}
            autoComplete="name"
            onChange={({ target }) => keepBy(() => target.value)}
          />
        </label>
        <Button look="main" onClick={() => void begin()}>
          Begin a sweep
        </Button>
      </div>
      <p role="status">{said}</p>
    </section>
  );
}

function Sweeps({ stage: { sweeps } }: { readonly stage: Stage }) {
  return (
    <section aria-label="Sweeps">
      <h2>Sweeps</h2>
      {sweeps.length === 0 && (
        <p className={styles['soft']}>None yet. The next one starts from the last result of its venue.</p>
      )}
      <ul className={styles['sweeps']}>
        {sweeps.map(({ id, venue, at, by, good, bad, open }) => (
          <li key={id}>
            <a href={`/sweep/${id}/${open > 0 ? 'walk' : 'plan'}`}>{venue}</a>
            <span className={styles['soft']}>
              {by}: {good} good, {bad} struck{open > 0 ? `, ${open} not looked at` : ''}; <When at={at} />
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
