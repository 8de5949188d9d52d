import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { findings } from '../../core/findings';
import { currentIntent, type Intent } from '../../core/wiring';
import { sayEdit, type Edit } from '../../core/lead';
import type { BoardJob } from '../../server/board/service';
import type { LeadSheet } from '../../server/leads/service';
import { Button, LeadStrip, Mark, Tape } from '../../ui';
import { ApiProblem, ask, fileName, Frame, sayIntent, stored, useKeys, useWorkshop, WORKSHOP } from '../app';
import { draft, newId, useAdopted } from '../kept';
import { IntentStage } from './IntentStage';
import { LeadHeader, NameTape } from './LeadHeader';
import { STAGES } from './stages';
import styles from './Stage.module.css';
import {
  hasIntent,
  readEdited,
  useLead,
  type EditedLead,
  type EditedIntent,
  type Read,
  type Saving,
} from './useLead';

const KEYS = [
  ['[  ]', 'stage before, stage after'],
  ['Ctrl+Z', 'undo the last change'],
  ['Tab', 'from slot to slot'],
] as const;

export function LeadPage({ id, stage }: { id: string; stage: string }) {
  return (
    <Frame keys={KEYS} trail={<a href="/">the board</a>}>
      <Sheet id={id} stage={stage} />
    </Frame>
  );
}

function Sheet({ id, stage }: { id: string; stage: string }) {
  const { sheet, error, shown, change, undo, saving, refused, conflict, settle } = useLead(id);
  const go = (by: number): void => {
    const to = STAGES[STAGES.findIndex((each) => each.name === stage) + by];
    if (to) location.assign(`/lead/${id}/${to.name}`);
  };
  const read = useMemo(() => shown && sheet && readEdited(shown, sheet.lead), [shown, sheet]);
  const lead = read?.lead;
  const found = useMemo(() => (lead ? findings(lead) : []), [lead]);
  useKeys({ 'Mod+z': undo, '[': () => go(-1), ']': () => go(1) });
  const lost = error instanceof ApiProblem && !error.passing;
  if (!shown || !sheet || !read)
    return (
      <main>
        <p>{lost ? error.message : 'Fetching the lead…'}</p>
        {lost && shown && (
          <p>
            What was changed of it and not saved is kept in this browser: {shown.name}
            {hasIntent(shown) ? `, ${sayIntent(shown.intent)}` : ''}.
          </p>
        )}
      </main>
    );
  const at = STAGES.find((each) => each.name === stage);
  const Door = at?.door;
  return (
    <main>
      <LeadHeader
        id={id}
        name={shown.name}
        assembly={read.lead?.assembly ?? sheet.lead.assembly}
        stage={stage}
        stages={STAGES.map(({ name, done }) => ({ name, done: done?.({ sheet, read, found }) ?? false }))}
        onName={stage === 'intent' ? (name) => change({ ...shown, name }) : undefined}
        problem={read.problems.find((each) => each.path === 'name')?.says}
      />
      {conflict && <Conflict theirs={conflict.theirs} mine={conflict.mine} onSettle={settle} />}
      {Door && <Door sheet={sheet} read={read} found={found} onChange={change} />}
      <p className={styles['saving']} role="status">
        {saySaving(saving, read, sheet.revision)} {saving === 'refused' && refused}{' '}
        <a href={`/api/leads/${id}/export`} download={`${fileName(shown.name)}.json`}>
          Export this lead
        </a>
      </p>
    </main>
  );
}

function saySaving(saving: Saving, read: Read, revision: number): string {
  if (saving === 'saved') return `Saved, revision ${revision}.`;
  if (read.problems.length > 0) return 'Kept in this window; saved as soon as it is whole.';
  return {
    saving: 'Saving…',
    kept: 'Kept in this window; sent when the server is back.',
    unkept: 'This browser cannot keep it: do not close this window before the server is back.',
    refused: 'Kept in this window; the server does not take it:',
    conflict: 'Not saved: changed elsewhere.',
  }[saving];
}

/** Two edits of one revision: both are shown, and the builder says which holds. */
function Conflict({
  theirs,
  mine,
  onSettle,
}: {
  theirs: LeadSheet;
  mine: EditedLead;
  onSettle: (whose: 'mine' | 'theirs') => void;
}) {
  const text = (name: string, intent: Intent | undefined, edits: readonly Edit[]): string =>
    [`${name}: ${sayIntent(intent)}`, ...edits.map((edit) => sayEdit(edit, theirs.lead.assembly))].join('; ');
  return (
    <section className={styles['conflict']} role="alert">
      <p>
        <Mark kind="caution" /> This lead was changed in another window since you opened it. Nothing is lost:
        choose which holds.
      </p>
      <dl>
        <div>
          <dt>Theirs, revision {theirs.revision}</dt>
          <dd>{text(theirs.lead.name, theirs.lead.intent, theirs.lead.edits)}</dd>
        </div>
        <div>
          <dt>Yours</dt>
          <dd>{text(mine.name, mine.intent, mine.edits)}</dd>
        </div>
      </dl>
      <div className={styles['row']}>
        <Button onClick={() => onSettle('theirs')}>Take theirs</Button>
        <Button onClick={() => onSettle('mine')}>Keep mine on top</Button>
      </div>
    </section>
  );
}

const START: Intent = {
  version: 3,
  from: [{ port: 'microphone', family: 'xlr3' }],
  to: [{ port: 'microphone-input', family: 'xlr3' }],
  length: { mm: 6000, datum: 'face' },
  surroundings: 'stage',
  cable: 'pair-braid',
  schools: {},
};

export function NewLeadPage({ jobId }: { jobId: string }) {
  return (
    <Frame keys={KEYS.slice(2)} trail={<a href="/">the board</a>}>
      <NewLead jobId={jobId} />
    </Frame>
  );
}

interface Begun extends EditedIntent {
  readonly id: string;
}

/** What an earlier version of the page kept in this browser, as this one has it. */
const broughtUp = (begun: Begun | undefined): Begun | undefined =>
  begun && { ...begun, edits: begun.edits ?? [], intent: currentIntent(begun.intent) as Intent };

/** What an earlier version of the page kept, of whatever window: it is this one's now. */
function leftBefore(jobId: string): Begun | undefined {
  const before = stored<Begun>(`new.${jobId}`);
  const left = before.read();
  before.write(undefined);
  return left;
}

/** Whether the lead was made already by an attempt whose answer never came, and was changed since. */
const isTaken = (error: unknown): boolean =>
  error instanceof ApiProblem && error.problems.some((problem) => problem.code === 'id.taken');

/** What was said since goes on top of what that attempt made. */
async function putOnTop(id: string, name: string, intent: unknown): Promise<unknown> {
  const { revision } = await ask<LeadSheet>('GET', `/api/leads/${id}`);
  return ask('PUT', `/api/leads/${id}`, { requestId: newId(), base: revision, name, intent });
}

/** A lead that is being said and is not in the job yet; what is typed is kept in this browser until it is. */
// eslint-disable-next-line max-lines-per-function -- one view, read from top to bottom as it is seen.
function NewLead({ jobId }: { jobId: string }) {
  const [kept] = useState(() => draft<Begun>(`new:${jobId}`));
  const client = useQueryClient();
  const { schools } = useWorkshop();
  const [changed, setChanged] = useState<Begun | undefined>(() =>
    broughtUp(kept.read() ?? leftBefore(jobId)),
  );
  const [cameBack, setCameBack] = useState(changed !== undefined);
  const [fresh, setFresh] = useState(newId);
  // What a window that is gone left half said is taken over, unless something is being said here.
  useAdopted(kept, (left) => {
    setChanged((now) => now ?? broughtUp(left));
    setCameBack(true);
  });
  const startAfresh = (): void => {
    kept.write(undefined);
    setChanged(undefined);
    setCameBack(false);
    setFresh(newId());
    setRefused([]);
    setTried(false);
  };
  // The house's own schools are what a new lead starts with, however late the server told them.
  const said = changed ?? { id: fresh, name: '', intent: START, edits: [], lengthText: '' };
  const begun: Begun = {
    ...said,
    intent: { ...said.intent, schools: { ...schools, ...said.intent.schools } },
  };
  const [refused, setRefused] = useState<string[]>([]);
  const [tried, setTried] = useState(false);
  const { data } = useQuery({ queryKey: ['board'], queryFn: () => ask<BoardJob[]>('GET', '/api/board') });
  const job = data?.find((each) => each.id === jobId);
  const full = readEdited(begun);
  // What has not been touched yet is not held against the builder until they try to add it.
  const read: Read = tried
    ? full
    : {
        ...full,
        problems: full.problems.filter(
          (problem) =>
            !(problem.path === 'name' && begun.name === '') && !(problem.code === 'length.missing'),
        ),
      };
  const found = full.lead ? findings(full.lead) : [];
  const change = (edited: EditedLead): void => {
    if (!hasIntent(edited)) return;
    const next = { ...edited, id: begun.id };
    kept.write(next);
    setChanged(next);
    setRefused([]);
  };
  const add = async (): Promise<void> => {
    setTried(true);
    if (full.problems.length > 0) {
      // What belongs to a slot is said there; the rest beside the button.
      setRefused(
        full.problems
          .filter((problem) => problem.path === 'intent' || problem.path === 'intent.wiring')
          .map((problem) => problem.says),
      );
      return;
    }
    try {
      // The house's schools are in it also where the server was slow to tell them.
      const house = await client.ensureQueryData(WORKSHOP);
      const intent = {
        ...full.edited.intent,
        schools: { ...house.schools, ...full.edited.intent?.schools },
      };
      const name = begun.name.trim();
      await ask('POST', '/api/leads', { id: begun.id, jobId, name, intent }).catch((error: unknown) =>
        isTaken(error) ? putOnTop(begun.id, name, intent) : Promise.reject(error as Error),
      );
      kept.write(undefined);
      location.assign(`/lead/${begun.id}/wiring`);
    } catch (error) {
      setRefused(
        error instanceof ApiProblem
          ? error.problems.length > 0
            ? error.problems.map((problem) => problem.says)
            : [error.message]
          : ['That did not work. Try again.'],
      );
    }
  };
  return (
    <main>
      <p className={styles['row']}>
        A lead for <Tape size="small">{job?.name ?? '…'}</Tape>
      </p>
      {cameBack && (
        <p className={styles['row']} role="note">
          This is what you had begun here and not added yet.{' '}
          <Button onClick={startAfresh}>Start afresh</Button>
        </p>
      )}
      <div className={styles['begin']}>
        <NameTape
          name={begun.name}
          onName={(name) => change({ ...begun, name })}
          problem={read.problems.find((each) => each.path === 'name')?.says}
        />
        <div className={styles['add']}>
          <Button look="main" big onClick={() => void add()}>
            Add it to the job
          </Button>
          <ul role="alert" className={styles['problems']}>
            {refused.map((each) => (
              <li key={each}>{each} What you typed is kept here.</li>
            ))}
          </ul>
        </div>
      </div>
      {full.lead && (
        <div className={styles['preview']}>
          <LeadStrip assembly={full.lead.assembly} done={0} scale={2.1} />
        </div>
      )}
      <IntentStage read={read} found={found} onChange={change} />
    </main>
  );
}
