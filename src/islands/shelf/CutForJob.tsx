import { useState } from 'react';
import type { ShelfPiece } from '../../core/stock';
import type { JobName } from '../../server/jobs/service';
import type { JobCut, JobCuts } from '../../server/making/cuts';
import { searchOf, useGot, usePlace, useWorkshop } from '../app';
import { HowMany } from '../../ui';
import { useMaking } from '../job/useMaking';
import { CutCable } from './CutCable';
import { Rules, rulesOf } from './Rules';
import styles from './Shelf.module.css';
import type { Happened } from './useShelf';

/** So many of one lead at the most. */
const MOST = 1000;

interface Props {
  readonly pieces: readonly ShelfPiece[];
  readonly onHappened: (events: readonly Happened[]) => Promise<string | undefined>;
}

/** Which job, and what of it is to be cut from what. */
export function CutForJob(props: Props) {
  const place = usePlace();
  const asked = new URLSearchParams(searchOf(place)).get('job') ?? '';
  const [job, setJob] = useState(asked);
  const { data: jobs = [] } = useGot<JobName[]>('/api/jobs');
  return (
    <section aria-label="What is to be cut">
      <h2>What is to be cut</h2>
      <label className={styles['job']}>
        for{' '}
        <select
          value={job}
          onChange={({ target }) => {
            setJob(target.value);
            history.replaceState(null, '', target.value === '' ? '/shelf' : `/shelf?job=${target.value}`);
          }}
        >
          <option value="">no job yet</option>
          {jobs.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      {job !== '' && <OfJob key={job} id={job} {...props} />}
    </section>
  );
}

function OfJob({ id, ...props }: Props & { readonly id: string }) {
  const { data, settle, problem } = useMaking<JobCuts>(id, `/api/jobs/${id}/cuts`);
  const rules = rulesOf(useWorkshop());
  if (!data) return <p className={styles['soft']}>Fetching its leads…</p>;
  if (data.cuts.length === 0) return <p className={styles['soft']}>No lead of this job takes any cable.</p>;
  const leads = data.leads.filter(({ lead }) => data.cuts.some((cut) => cut.lead === lead));
  const cables = [...new Map(data.cuts.map(({ item, cable }) => [item, cable]))];
  return (
    <>
      <ul className={styles['leads']} aria-label="How many of each">
        {leads.map(({ lead, name, count, pairs, started }) => (
          <li key={lead}>
            <label>
              <HowMany
                count={count}
                least={0}
                most={MOST}
                onCount={(next) => settle({ lead, count: next, pairs })}
              />
              {name}
            </label>
            <span className={styles['soft']}>
              {[
                ...(pairs ? ['in pairs'] : []),
                ...(started > 0 ? [`${started} started`] : []),
                sayCuts(data.cuts.filter((cut) => cut.lead === lead)),
              ].join(', ')}
            </span>
          </li>
        ))}
      </ul>
      {problem !== undefined && <p role="alert">{problem}</p>}
      <div className={styles['row']}>
        <Rules rules={rules} />
        <a href={`/api/jobs/${id}/cuts.pdf`} target="_blank" rel="noreferrer">
          Cut list on paper
        </a>
      </div>
      {cables.map(([item, cable]) => (
        <CutCable
          key={item}
          job={id}
          item={item}
          cable={cable}
          cuts={data.cuts.filter((cut) => cut.item === item)}
          free={data.pieces}
          rules={rules}
          kept={data.plans.find((each) => each.item === item)}
          {...props}
        />
      ))}
    </>
  );
}

/** How many of each cable of a lead are still to be cut: “2 × 5.966 m to cut”. */
function sayCuts(cuts: readonly JobCut[]): string {
  const open = cuts.filter(({ toCut }) => toCut > 0);
  return open.length === 0
    ? 'nothing to cut'
    : `${open.map(({ mm, toCut }) => `${toCut} × ${(mm / 1000).toFixed(3)} m`).join(' and ')} to cut`;
}
