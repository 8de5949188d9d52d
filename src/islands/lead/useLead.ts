import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { editedOfLead, type EditedLead } from '../../core/lead';
import { currentIntent, type Intent } from '../../core/wiring';
import type { LeadSheet } from '../../server/leads/service';
import { ApiProblem, ask, putIn, stored, useGot } from '../app';
import { draft, newId, useAdopted } from '../kept';
import { stepsOf } from './steps';
import { useReading } from './useReading';

/** An edit that has not been sent yet is on its way, whatever became of the one before it. */
const savingOf = (edit: unknown, last: Saving): Saving =>
  !edit ? 'saved' : last === 'saved' ? 'saving' : last;

interface Unsent extends EditedLead {
  /** The revision it was made to. */
  readonly base: number;
  /** The id under which it is sent, the same on every retry. */
  readonly requestId: string;
  /** What was sent before it and had no answer: it is in this one, and the server may have it. */
  readonly after?: readonly string[];
}

/** What an earlier version of the page kept in this browser, as this one has it. */
const broughtUp = (unsent: Unsent | undefined): Unsent | undefined =>
  unsent && {
    ...unsent,
    edits: unsent.edits ?? [],
    intent: currentIntent(unsent.intent) as Intent | undefined,
  };

export type Saving = 'saved' | 'saving' | 'kept' | 'unkept' | 'refused' | 'conflict';

const SAVE_AFTER = 500;
/** As many as a save may name. */
const MOST_UNANSWERED = 500;
const FIRST_WAIT = 1_000;
const LONGEST_WAIT = 30_000;

/** What an earlier version of the page kept, of whatever window: it is this one's now. */
function leftBefore(id: string): Unsent | undefined {
  const before = stored<Unsent>(`lead.${id}`);
  const left = before.read();
  before.write(undefined);
  return left;
}

/**
 * A lead on the page: the server's newest revision, under what has been typed here and not yet been acknowledged.
 * Edits are kept in this browser until the server has them, are sent as they are made, and are sent again for as long
 * as the database is away.
 */
// eslint-disable-next-line max-lines-per-function -- one state: what it holds, and everything that may happen to it.
export function useLead(id: string) {
  const client = useQueryClient();
  const [kept] = useState(() => draft<Unsent>(`lead:${id}`));
  const [edit, setEdit] = useState<Unsent | undefined>();
  const [theirs, setTheirs] = useState<LeadSheet | undefined>();
  const [saving, setSaving] = useState<Saving>('saved');
  const [steps] = useState(() => stepsOf<EditedLead>(`lead:${id}`));
  /** Saves go one after the other; the newest revision that this window made. */
  const line = useRef(Promise.resolve());
  const acknowledged = useRef(0);
  const failures = useRef(0);
  /** What this window sent, the page before this one too, and has no answer to. */
  const unanswered = useRef<readonly string[]>([]);
  const [refused, setRefused] = useState<string>();
  const address = `/api/leads/${id}`;
  const query = useGot<LeadSheet>(address);
  const sheet = query.data;

  const shown: EditedLead | undefined = edit ?? (sheet && editedOfLead(sheet.lead));
  const reading = useReading(edit, sheet);

  const keep = useCallback(
    (next: Unsent | undefined) => {
      kept.write(next);
      setEdit(next);
    },
    [kept],
  );

  // What was left undone is taken up, unless something is being changed here.
  useAdopted(
    kept,
    (left) => {
      unanswered.current = [...(left.after ?? []), left.requestId];
      setEdit((now) => now ?? broughtUp(left));
    },
    () => leftBefore(id),
  );

  const change = useCallback(
    (next: EditedLead, { remember = true }: { remember?: boolean } = {}) => {
      const base = edit?.base ?? sheet?.revision;
      if (base === undefined) return;
      if (remember && shown) steps.push(shown);
      const after = unanswered.current.slice(-MOST_UNANSWERED);
      keep({ ...next, base, requestId: newId(), ...(after.length > 0 && { after }) });
    },
    [edit?.base, keep, sheet?.revision, shown, steps],
  );

  const step = useCallback(
    (way: 'back' | 'on') => {
      const to = shown && steps[way](shown);
      if (to) change(to, { remember: false });
    },
    [change, shown, steps],
  );
  const undo = useCallback(() => step('back'), [step]);
  const redo = useCallback(() => step('on'), [step]);

  useEffect(() => {
    if (!edit || theirs || !reading?.isCurrent) return;
    const { edited, problems } = reading.read;
    if (problems.length > 0) return;
    let stopped = false;
    let timer: ReturnType<typeof setTimeout>;
    const send = async (): Promise<void> => {
      // An edit made while the one before it was on its way is put on top of that before it is sent.
      if (stopped || edit.base < acknowledged.current) return;
      setSaving('saving');
      if (!unanswered.current.includes(edit.requestId))
        unanswered.current = [...unanswered.current, edit.requestId];
      try {
        const body = {
          requestId: edit.requestId,
          base: edit.base,
          ...(edit.after && { after: edit.after }),
          name: edited.name.trim(),
          ...(edited.intent === undefined ? {} : { intent: edited.intent }),
          edits: edited.edits,
        };
        const saved = await ask<LeadSheet>('PUT', address, body);
        acknowledged.current = saved.revision;
        unanswered.current = [];
        putIn<LeadSheet>(client, address, saved);
        failures.current = 0;
        setRefused(undefined);
        setSaving('saved');
        setEdit((now) => {
          const rest =
            !now || now.requestId === edit.requestId ? undefined : { ...now, base: saved.revision };
          kept.write(rest);
          return rest;
        });
      } catch (error) {
        if (stopped) return;
        if (error instanceof ApiProblem && error.status === 409 && error.more['current']) {
          setTheirs(error.more['current'] as LeadSheet);
          setSaving('conflict');
        } else if (error instanceof ApiProblem && error.status === 409) {
          // The id stands for something else: it is sent under another.
          keep({ ...edit, requestId: newId() });
        } else if (error instanceof ApiProblem && !error.passing) {
          setRefused(error.message);
          setSaving('refused');
        } else {
          const wait = Math.min(LONGEST_WAIT, FIRST_WAIT * 2 ** failures.current++) * (0.5 + Math.random());
          timer = setTimeout(queue, wait);
          const isKept = await kept.settled();
          if (!stopped) setSaving(isKept ? 'kept' : 'unkept');
        }
      }
    };
    const queue = (): void => {
      line.current = line.current.then(send);
    };
    timer = setTimeout(queue, SAVE_AFTER);
    return () => {
      stopped = true;
      clearTimeout(timer);
    };
  }, [address, client, edit, keep, kept, reading, theirs]);

  /** After a conflict: ours goes on top of theirs as a new revision, or theirs is taken and ours dropped. */
  const settle = useCallback(
    (whose: 'mine' | 'theirs') => {
      if (!theirs) return;
      keep(whose === 'mine' && edit ? { ...edit, base: theirs.revision, requestId: newId() } : undefined);
      setTheirs(undefined);
      void client.invalidateQueries({ queryKey: [address] });
    },
    [address, client, edit, keep, theirs],
  );

  return {
    sheet,
    error: query.error,
    shown,
    /** What is shown as it is read, and what there is to say against it; nothing before the lead is here. */
    reading,
    change,
    steps: { undo, redo, ...steps.count() },
    saving: savingOf(edit, saving),
    /** Why the server does not take the change; nothing where it does. */
    refused: edit && refused,
    conflict: theirs && shown ? { theirs, mine: reading?.read.edited ?? shown } : undefined,
    settle,
  };
}
