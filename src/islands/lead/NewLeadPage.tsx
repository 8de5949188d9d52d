import { useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { stripOf } from '../../core/drawing';
import {
  editedOf,
  hasIntent,
  START,
  type Edit,
  type EditedIntent,
  type EditedLead,
  type Read,
} from '../../core/lead';
import { capital } from '../../core/quantity';
import { currentIntent, type Intent, type NamedLead } from '../../core/wiring';
import type { BoardJob } from '../../server/board/service';
import type { LeadSheet } from '../../server/leads/service';
import type { LeadStart } from '../../server/leads/start';
import type { Workshop } from '../../server/workshop/service';
import { Button, LeadStrip, Tape } from '../../ui';
import { askLead } from '../../workers';
import { ApiProblem, ask, Frame, got, stored, useGot, usePlace, WORKSHOP } from '../app';
import { draft, newId, useAdopted } from '../kept';
import type { PageProps } from '../app/page-props';
import { Called } from './Called';
import { InHandAlready } from './InHandAlready';
import { IntentStage } from './IntentStage';
import { LEAD_KEYS } from './keys';
import { NameTape } from './LeadHeader';
import styles from './Stage.module.css';
import { useReading } from './useReading';

export function NewLeadPage({ jobId = '' }: PageProps) {
  return (
    <Frame keys={LEAD_KEYS.slice(3)} trail={<a href="/">the board</a>}>
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
async function putOnTop(id: string, name: string, intent: unknown, edits: readonly Edit[]): Promise<unknown> {
  const { revision } = await ask<LeadSheet>('GET', `/api/leads/${id}`);
  return ask('PUT', `/api/leads/${id}`, { requestId: newId(), base: revision, name, intent, edits });
}

/** A lead that is being said and is not in the job yet; what is typed is kept in this browser until it is. */
// eslint-disable-next-line max-lines-per-function -- one view, read from top to bottom as it is seen.
function NewLead({ jobId }: { jobId: string }) {
  const [kept] = useState(() => draft<Begun>(`new:${jobId}`));
  const client = useQueryClient();
  const { go } = usePlace();
  const { data: start } = useGot<LeadStart>('/api/start');
  const schools = start?.edited.intent.schools;
  const [changed, setChanged] = useState<Begun | undefined>();
  const [cameBack, setCameBack] = useState(false);
  const [fresh, setFresh] = useState(newId);
  // What was left half said is taken up, unless something is being said here.
  useAdopted(
    kept,
    (left) => {
      setChanged((now) => now ?? broughtUp(left));
      setCameBack(true);
    },
    () => leftBefore(jobId),
  );
  const startAfresh = (): void => {
    kept.write(undefined);
    setChanged(undefined);
    setCameBack(false);
    setFresh(newId());
    setRefused([]);
    setTried(false);
  };
  // The house's own schools are what a new lead starts with, however late the server told them.
  const begun = useMemo<Begun>(() => {
    const said = changed ?? { id: fresh, name: '', intent: START, edits: [], lengthText: '' };
    return { ...said, intent: { ...said.intent, schools: { ...schools, ...said.intent.schools } } };
  }, [changed, fresh, schools]);
  // What was not changed is as it was sent; the rest is read here.
  const reading = useReading(changed || !start ? begun : undefined, undefined);
  const [refused, setRefused] = useState<string[]>([]);
  const [tried, setTried] = useState(false);
  const { data, error } = useGot<BoardJob[]>(`/api/board?job=${jobId}`);
  const job = data?.[0];
  const isNone = data?.length === 0 || (error instanceof ApiProblem && !error.passing);
  const nothing: Read = { edited: begun, problems: [], lead: undefined, offers: [], lengthKnown: false };
  const full: Read = reading?.read ?? { ...(start?.read ?? nothing), edited: begun };
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
  const found = reading?.found ?? start?.found ?? [];
  const change = (edited: EditedLead): void => {
    if (!hasIntent(edited)) return;
    const next = { ...edited, id: begun.id };
    kept.write(next);
    setChanged(next);
    setRefused([]);
  };
  const take = ({
    name,
    intent,
    edits = [],
  }: Pick<NamedLead, 'name' | 'intent'> & { readonly edits?: readonly Edit[] }): void =>
    change(
      editedOf(
        begun.name.trim() === '' ? name : begun.name,
        { ...intent, schools: { ...begun.intent.schools, ...intent.schools } },
        edits,
      ),
    );
  const add = async (): Promise<void> => {
    setTried(true);
    let newest: Read;
    try {
      // What was typed a moment ago counts, whether or not it has been read for the page.
      newest = await askLead((remote) => remote.read(begun, undefined));
    } catch {
      return setRefused(['It could not be worked out here. Load this page again.']);
    }
    if (newest.problems.length > 0) {
      // What belongs to a slot is said there; the rest beside the button.
      setRefused(
        newest.problems
          .filter((problem) => problem.path === 'intent' || problem.path === 'intent.wiring')
          .map((problem) => problem.says),
      );
      return;
    }
    try {
      // The house's schools are in it also where the server was slow to tell them.
      const house = await client.ensureQueryData(got<Workshop>(WORKSHOP));
      const intent = {
        ...newest.edited.intent,
        schools: { ...house.schools, ...newest.edited.intent?.schools },
      };
      const name = begun.name.trim();
      await ask('POST', '/api/leads', {
        id: begun.id,
        jobId,
        name,
        intent,
        ...(begun.edits.length > 0 ? { edits: begun.edits } : {}),
      }).catch((error: unknown) =>
        isTaken(error) ? putOnTop(begun.id, name, intent, begun.edits) : Promise.reject(error as Error),
      );
      kept.write(undefined);
      go(`/lead/${begun.id}/wiring`);
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
    <main id="main" tabIndex={-1}>
      <p className={styles['row']}>
        {isNone ? (
          <span role="alert">
            There is no such job: open <a href="/">the board</a>, and add the lead to one that hangs there.
          </span>
        ) : (
          <>
            A lead for <Tape size="small">{job?.name ?? '…'}</Tape>
          </>
        )}
      </p>
      {cameBack && (
        <p className={styles['row']} role="note">
          This is what you had begun here and not added yet.{' '}
          <Button onClick={startAfresh}>Start afresh</Button>
        </p>
      )}
      <Called onTake={take} />
      <InHandAlready
        jobId={jobId}
        onTake={({ recipe, intent, edits }) => take({ name: capital(recipe.name), intent, edits })}
      />
      <div className={styles['begin']}>
        <NameTape
          name={begun.name}
          onName={(name) => change({ ...begun, name })}
          problem={read.problems.find((each) => each.path === 'name')?.says}
        />
        <div className={styles['add']}>
          <Button look="main" big disabled={isNone} onClick={() => void add()}>
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
          <LeadStrip strip={stripOf(full.lead.assembly)} done={0} scale={2.1} />
        </div>
      )}
      <IntentStage read={read} found={found} onChange={change} />
    </main>
  );
}
