import { Frame, type KeyHelp } from '../app';
import type { PageProps } from '../app/page-props';
import { Before } from './Before';
import { Kept } from './Kept';
import { Planned } from './Planned';
import styles from './Sweep.module.css';
import { useSweep, type SweepOnPage } from './useSweep';
import { Walk } from './Walk';

const KEYS: Readonly<Record<string, KeyHelp>> = {
  walk: [
    ['space, PgDn', 'both lit, and on'],
    ['2, 3', 'only that lamp is lit'],
    ['1', 'one is lit, which is not known'],
    ['0', 'none is lit'],
    ['f', 'it flickers'],
    ['n', 'note'],
    ['PgUp', 'back'],
  ],
};

/** The parts of a sweep, in the order in which it goes. */
const PARTS = [
  ['before', 'Before'],
  ['walk', 'Line by line'],
  ['plan', 'Planned anew'],
] as const;

/** One sweep of the lines of a venue: what comes first, line by line, and what is made of it. */
export function SweepPage({ id = '', stage = 'walk' }: PageProps) {
  const page = useSweep(id);
  const { sweep, error } = page;
  return (
    <Frame
      bare={stage === 'walk'}
      keys={KEYS[stage] ?? []}
      trail={
        <>
          <a href="/">the board</a> {sweep?.job && <a href={`/stage/${sweep.job.id}`}>its stage</a>}
        </>
      }
    >
      <main id="main" tabIndex={-1} className={styles['page']}>
        {!sweep ? (
          <h1>{error ? error.message : 'Fetching the lines…'}</h1>
        ) : (
          <Parts id={id} stage={stage} page={{ ...page, sweep }} />
        )}
      </main>
    </Frame>
  );
}

function Parts({
  id,
  stage,
  page,
}: {
  readonly id: string;
  readonly stage: string;
  readonly page: SweepOnPage;
}) {
  const { sweep } = page;
  return (
    <>
      <div className={styles['head']}>
        <h1>{sweep.venue.name}</h1>
        <nav aria-label="Parts of this sweep">
          {PARTS.map(([part, says]) => (
            <a key={part} href={`/sweep/${id}/${part}`} aria-current={part === stage ? 'page' : undefined}>
              {says}
            </a>
          ))}
        </nav>
        <Kept page={page} />
      </div>
      {stage === 'before' ? (
        <Before page={page} />
      ) : stage === 'plan' ? (
        <Planned page={page} />
      ) : (
        <Walk page={page} />
      )}
    </>
  );
}
