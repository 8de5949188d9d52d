import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useDeferredValue, useRef, useState } from 'react';
import { unitNumber } from '../../core/kit';
import type { BoardCounts, BoardJob, BoardLead, BoardUnit } from '../../server/board/service';
import { Button, ButtonLink, LeadStrip, Mark, Tape, Unseen } from '../../ui';
import { ApiProblem, ask, fileName, Frame, got, PutAway, useGot, useKeys } from '../app';
import { newId, useTyped } from '../kept';
import { ImportFile } from './ImportFile';
import { Takes } from './Takes';
import { count, LeaveDemo } from './LeaveDemo';
import styles from './Board.module.css';

const KEYS = [
  ['/', 'find a lead'],
  ['Tab', 'from lead to lead'],
  ['Enter', 'open the lead'],
] as const;

export function Board() {
  return (
    <Frame keys={KEYS}>
      <Jobs />
    </Frame>
  );
}

/** What of the board is looked at. */
interface Wanted {
  readonly find: string;
  readonly away: boolean;
}

/** The address of what is looked at: of one job, or after so many. */
function addressOf(
  { find, away }: Wanted,
  more: { readonly job?: string; readonly after?: number } = {},
): string {
  const asked = new URLSearchParams({
    ...(find.trim() === '' ? {} : { find: find.trim() }),
    ...(away ? { away: '1' } : {}),
    ...(more.job === undefined ? {} : { job: more.job }),
    ...(more.after === undefined ? {} : { after: `${more.after}` }),
  }).toString();
  return `/api/board${asked === '' ? '' : `?${asked}`}`;
}

function Jobs() {
  const [typed, setTyped] = useState('');
  const [away, setAway] = useState(false);
  const find = useDeferredValue(typed);
  const wanted: Wanted = { find, away };
  const field = useRef<HTMLInputElement>(null);
  useKeys({ '/': () => field.current?.focus() });
  const { data, error } = useQuery({
    ...got<BoardJob[]>(addressOf(wanted)),
    placeholderData: keepPreviousData,
  });
  const { data: counts } = useGot<BoardCounts>('/api/board/counts');
  const searched = find.trim() !== '';
  return (
    <main id="main" tabIndex={-1}>
      <div className={styles['head']}>
        <h1 tabIndex={-1}>The board</h1>
        <label className={styles['find']}>
          Find{' '}
          <input
            ref={field}
            type="search"
            value={typed}
            maxLength={200}
            onChange={(event) => setTyped(event.target.value)}
          />
        </label>
      </div>
      {!data && <p className={styles['empty']}>{error ? 'Waiting for the jobs…' : 'Fetching the jobs…'}</p>}
      {data?.length === 0 && (
        <p className={styles['empty']}>
          {searched
            ? `Nothing here is called “${find.trim()}”, and nothing is for that.`
            : (counts?.jobs ?? 0) > 0
              ? 'All jobs are put away.'
              : 'Jobs and their leads hang here. Start by naming the first job below.'}
        </p>
      )}
      {data && <JobsFrom key={addressOf(wanted)} jobs={data} wanted={wanted} after={0} />}
      <NewJob />
      {counts && <AwayLine counts={counts} shown={away} onShow={setAway} />}
      {counts && <LeaveDemo jobs={counts.demo} />}
    </main>
  );
}

/** Jobs, and those that come after them once they are asked for. */
function JobsFrom({ jobs, wanted, after }: { jobs: readonly BoardJob[]; wanted: Wanted; after: number }) {
  const [more, setMore] = useState(false);
  const next = after + jobs.length;
  const left = (jobs[0]?.of ?? 0) - next;
  return (
    <>
      {jobs.map((job) => (
        <Job key={job.id} job={job} wanted={wanted} />
      ))}
      {left > 0 &&
        (more ? (
          <JobsAfter wanted={wanted} after={next} />
        ) : (
          <p className={styles['foot']}>
            <Button onClick={() => setMore(true)}>Show more of the other {count(left, 'job')}</Button>
          </p>
        ))}
    </>
  );
}

function JobsAfter({ wanted, after }: { wanted: Wanted; after: number }) {
  const { data } = useGot<BoardJob[]>(addressOf(wanted, { after }));
  return data ? (
    <JobsFrom jobs={data} wanted={wanted} after={after} />
  ) : (
    <p className={styles['empty']}>Fetching more jobs…</p>
  );
}

/** A job, what can be done with it, and those of its leads that are shown: some, all, or none where it is folded. */
function Job({ job, wanted }: { job: BoardJob; wanted: Wanted }) {
  return (
    <section className={`${styles['job']} ${job.away ? styles['away'] : ''}`} aria-labelledby={job.id}>
      <div className={styles['jobHead']}>
        <h2 id={job.id}>
          <Tape>{job.name}</Tape>
        </h2>
        <p className={styles['note']}>{job.note}</p>
        {job.away && <Mark kind="note" word="Put away" />}
        <ButtonLink href={`/lead/new?job=${job.id}`}>Add a lead</ButtonLink>
        <ButtonLink look="plain" href={`/api/jobs/${job.id}/export`} download={`${fileName(job.name)}.json`}>
          Export
        </ButtonLink>
        <ImportFile jobId={job.id} jobName={job.name} />
        <PutAway
          of={`/api/jobs/${job.id}`}
          name={job.name}
          away={job.away}
          built={job.built}
          leads={job.all}
        />
      </div>
      {job.all > 0 && <Takes job={job} />}
      {job.all === 0 && <p className={styles['empty']}>No leads yet. Add one by saying what it is for.</p>}
      <ul className={styles['leads']}>
        <LeadsFrom job={job} wanted={wanted} after={0} />
      </ul>
    </section>
  );
}

/** Leads of a job, and those that come after them once they are asked for. */
function LeadsFrom({ job, wanted, after }: { job: BoardJob; wanted: Wanted; after: number }) {
  const [more, setMore] = useState(false);
  const next = after + job.leads.length;
  const left = job.count - next;
  return (
    <>
      {job.leads.map((lead) => (
        <LeadRow key={lead.id} lead={lead} />
      ))}
      {left > 0 &&
        (more ? (
          <LeadsAfter job={job.id} wanted={wanted} after={next} />
        ) : (
          <li>
            <Button look="plain" onClick={() => setMore(true)}>
              {next === 0
                ? `Unfold its ${count(left, 'lead')}`
                : `Show more: ${count(left, 'lead')} hang here too`}
              <Unseen> of {job.name}</Unseen>
            </Button>
          </li>
        ))}
    </>
  );
}

function LeadsAfter({ wanted, job, after }: { wanted: Wanted; job: string; after: number }) {
  const { data } = useGot<BoardJob[]>(addressOf(wanted, { job, after }));
  const [found] = data ?? [];
  return found ? (
    <LeadsFrom job={found} wanted={wanted} after={after} />
  ) : (
    <li className={styles['empty']}>{data ? '' : 'Fetching more leads…'}</li>
  );
}

/** How much is put away, and whether it is shown. */
function AwayLine({
  counts,
  shown,
  onShow,
}: {
  counts: BoardCounts;
  shown: boolean;
  onShow: (shown: boolean) => void;
}) {
  const { jobsAway, leadsAway } = counts;
  if (jobsAway + leadsAway === 0) return null;
  return (
    <p className={styles['foot']}>
      Put away:{' '}
      {[count(jobsAway, 'job'), count(leadsAway, 'lead')].filter((each) => each !== '').join(' and ')}.{' '}
      <Button look="plain" aria-pressed={shown} onClick={() => onShow(!shown)}>
        {shown ? 'Hide what is put away' : 'Show what is put away'}
      </Button>
    </p>
  );
}

const UNIT_STAGE = {
  bench: 'bench',
  prove: 'prove',
  label: 'bench',
  logged: 'log',
  'given up': 'log',
} as const;
const isClosed = ({ stage }: BoardUnit): boolean => stage === 'logged' || stage === 'given up';

function nextOf(lead: BoardLead): { href: string; says: string; done: number } {
  const open = lead.units.find((unit) => !isClosed(unit));
  const page = `/lead/${lead.id}`;
  if (open)
    return {
      href: open.stage === 'prove' ? `/unit/${open.id}/prove` : `/unit/${open.id}/bench`,
      says: open.next,
      done: 0.35 + (0.6 * open.done) / open.of,
    };
  // Of what was given up nothing is there: it is to be built as before.
  const gone = lead.units.filter(({ stage }) => stage === 'given up').length;
  if (lead.built > gone) return { href: `${page}/log`, says: 'in the log', done: 1 };
  if (lead.stops > 0) return { href: `${page}/intent`, says: 'something must change first', done: 0.1 };
  return { href: `${page}/wiring`, says: 'read the wiring, lay out the kit', done: 0.17 };
}

function LeadRow({ lead }: { lead: BoardLead }) {
  const next = nextOf(lead);
  return (
    <li className={`${styles['lead']} ${lead.away ? styles['away'] : ''}`}>
      <a href={`/lead/${lead.id}/intent`} className={styles['open']}>
        <span className={styles['leadName']}>
          <Tape size="small">{lead.name}</Tape>
        </span>
        <span className={styles['drawn']}>
          <LeadStrip strip={lead.strip} done={next.done} scale={0.95} />
        </span>
        <span className={styles['intent']}>{lead.says}</span>
      </a>
      <div className={styles['state']}>
        {lead.away && <Mark kind="note" word="Put away" />}
        {lead.stops > 0 && <Mark kind="stop" word={`${lead.stops} stop`} />}
        {lead.cautions > 0 && <Mark kind="caution" word={`${lead.cautions} caution`} />}
        {lead.units.map((unit) => (
          <UnitTag key={unit.id} lead={lead} unit={unit} />
        ))}
        {lead.built > lead.units.length && (
          <a href={`/lead/${lead.id}/log`} className={styles['unit']}>
            and {lead.built - lead.units.length} more
          </a>
        )}
      </div>
      <a className={styles['next']} href={next.href}>
        {next.says}
      </a>
    </li>
  );
}

function UnitTag({ lead, unit }: { lead: BoardLead; unit: BoardUnit }) {
  return (
    <a href={`/lead/${lead.id}/${UNIT_STAGE[unit.stage]}`} className={styles['unit']}>
      No. {unitNumber(unit.number)} {isClosed(unit) ? `· ${unit.stage}` : `· ${unit.done}/${unit.of}`}
    </a>
  );
}

function NewJob() {
  const client = useQueryClient();
  const [name, setName] = useTyped('new-job');
  const [id, setId] = useState(newId);
  const [said, setSaid] = useState('');
  const create = useMutation({
    mutationFn: () => ask('POST', '/api/jobs', { id, name: name.trim(), note: '' }),
    onSuccess: async () => {
      setName('');
      setSaid('');
      setId(newId());
      await client.invalidateQueries();
    },
    onError: (error) =>
      setSaid(error instanceof ApiProblem ? error.message : 'That did not work. Try again.'),
  });
  return (
    <form
      className={styles['newJob']}
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim() === '') setSaid('The job needs a name.');
        else create.mutate();
      }}
    >
      <label>
        New job{' '}
        <input
          value={name}
          maxLength={80}
          aria-describedby="job-problem"
          aria-invalid={said !== ''}
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <Button type="submit">Hang it up</Button>
      <p id="job-problem" role="alert" className={styles['problem']}>
        {said}
      </p>
    </form>
  );
}
