import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { unitNumber } from '../../core/kit';
import type { BoardJob, BoardLead, BoardUnit } from '../../server/board/service';
import { Button, ButtonLink, LeadStrip, Mark, Tape } from '../../ui';
import { ApiProblem, ask, fileName, Frame, PutAway, sayIntent, useKeys } from '../app';
import { newId, useTyped } from '../kept';
import { ImportFile } from './ImportFile';
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

function Jobs() {
  const { data, error } = useQuery({
    queryKey: ['board'],
    queryFn: () => ask<BoardJob[]>('GET', '/api/board'),
  });
  const [wanted, setWanted] = useState('');
  const find = useRef<HTMLInputElement>(null);
  useKeys({ '/': () => find.current?.focus() });
  const [showAway, setShowAway] = useState(false);
  const searched = wanted.trim() !== '';
  // What was put away is found again by its name.
  const atHand = ({ away }: { readonly away: boolean }): boolean => !away || showAway || searched;
  const shown = (lead: BoardLead): boolean =>
    atHand(lead) &&
    `${lead.name} ${sayIntent(lead.intent)} ${lead.units.map((u) => unitNumber(u.number)).join(' ')}`
      .toLowerCase()
      .includes(wanted.trim().toLowerCase());
  return (
    <main>
      <div className={styles['head']}>
        <h1>The board</h1>
        <label className={styles['find']}>
          Find{' '}
          <input
            ref={find}
            type="search"
            value={wanted}
            onChange={(event) => setWanted(event.target.value)}
          />
        </label>
      </div>
      {!data && <p className={styles['empty']}>{error ? 'Waiting for the jobs…' : 'Fetching the jobs…'}</p>}
      {data?.length === 0 && (
        <p className={styles['empty']}>
          Jobs and their leads hang here. Start by naming the first job below.
        </p>
      )}
      {data?.filter(atHand).map((job) => (
        <Job key={job.id} job={job} shown={shown} />
      ))}
      <NewJob />
      {data && <AwayLine jobs={data} shown={showAway} onShow={setShowAway} />}
      {data && <LeaveDemo jobs={data} />}
    </main>
  );
}

/** A job, what can be done with it, and those of its leads that are shown. */
function Job({ job, shown }: { job: BoardJob; shown: (lead: BoardLead) => boolean }) {
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
          built={job.leads.some((lead) => lead.units.length > 0)}
          leads={job.leads.length}
        />
      </div>
      {job.leads.length === 0 && (
        <p className={styles['empty']}>No leads yet. Add one by saying what it is for.</p>
      )}
      <ul className={styles['leads']}>
        {job.leads.filter(shown).map((lead) => (
          <LeadRow key={lead.id} lead={lead} />
        ))}
      </ul>
    </section>
  );
}

/** How much is put away, and whether it is shown. */
function AwayLine({
  jobs,
  shown,
  onShow,
}: {
  jobs: readonly BoardJob[];
  shown: boolean;
  onShow: (shown: boolean) => void;
}) {
  const away = jobs.filter((job) => job.away).length;
  const leads = jobs
    .filter((job) => !job.away)
    .flatMap((job) => job.leads.filter((lead) => lead.away)).length;
  if (away + leads === 0) return null;
  return (
    <p className={styles['foot']}>
      Put away: {[count(away, 'job'), count(leads, 'lead')].filter((each) => each !== '').join(' and ')}.{' '}
      <Button look="plain" aria-pressed={shown} onClick={() => onShow(!shown)}>
        {shown ? 'Hide what is put away' : 'Show what is put away'}
      </Button>
    </p>
  );
}

const UNIT_STAGE = { bench: 'bench', prove: 'prove', label: 'bench', logged: 'log' } as const;

function nextOf(lead: BoardLead): { href: string; says: string; done: number } {
  const open = lead.units.find((unit) => unit.stage !== 'logged');
  const page = `/lead/${lead.id}`;
  if (open)
    return {
      href: open.stage === 'prove' ? `/unit/${open.id}/prove` : `/unit/${open.id}/bench`,
      says: open.next,
      done: 0.35 + (0.6 * open.done) / open.of,
    };
  if (lead.units.length > 0) return { href: `${page}/log`, says: 'in the log', done: 1 };
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
          <LeadStrip assembly={lead.assembly} done={next.done} scale={0.95} />
        </span>
        <span className={styles['intent']}>{sayIntent(lead.intent)}</span>
      </a>
      <div className={styles['state']}>
        {lead.away && <Mark kind="note" word="Put away" />}
        {lead.stops > 0 && <Mark kind="stop" word={`${lead.stops} stop`} />}
        {lead.cautions > 0 && <Mark kind="caution" word={`${lead.cautions} caution`} />}
        {lead.units.map((unit) => (
          <UnitTag key={unit.id} lead={lead} unit={unit} />
        ))}
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
      No. {unitNumber(unit.number)} {unit.stage === 'logged' ? '· logged' : `· ${unit.done}/${unit.of}`}
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
      await client.invalidateQueries({ queryKey: ['board'] });
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
