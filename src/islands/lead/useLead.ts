import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { formatLength, good, parseLength, type Problem, type Result } from '../../core/quantity';
import {
  derive,
  lengthSystem,
  offers,
  resolveSchools,
  type Intent,
  type Lead,
  type Offer,
} from '../../core/wiring';
import type { LeadSheet } from '../../server/services/leads';
import { ApiProblem, ask, stored } from '../app';

/** What is on the page: the name, the intent, and the length as it was typed, right or wrong. */
export interface Draft {
  readonly name: string;
  readonly intent: Intent;
  readonly lengthText: string;
}

/** A draft with what is wrong with it, and the lead it comes to when nothing is. */
export interface Read {
  readonly draft: Draft;
  readonly problems: readonly Problem[];
  readonly lead: Lead | undefined;
  /** The ways of wiring it, where its ends are known. */
  readonly offers: readonly Offer[];
  /** Whether the length that was typed is the lead's: where it is not, no figure that hangs on it is shown. */
  readonly lengthKnown: boolean;
}

const sayLength = (intent: Intent): string =>
  intent.length ? formatLength(intent.length.mm, lengthSystem(resolveSchools(intent.schools))) : '';

export const draftOf = (name: string, intent: Intent): Draft => ({
  name,
  intent,
  lengthText: sayLength(intent),
});

/** Reads a draft: the typed length first, then the rest by derivation. */
export function readDraft(draft: Draft): Read {
  const bare = lengthSystem(resolveSchools(draft.intent.schools)) === 'inch' ? 'ft' : 'm';
  const needed = (draft.intent.form ?? 'lead') === 'lead';
  const length: Result<number> = needed
    ? parseLength(draft.lengthText, { path: 'intent.length.mm', bare })
    : good(draft.intent.length?.mm ?? 0);
  // Text that says what is there already leaves it as it is: saying it may have rounded it.
  const intent =
    needed && length.ok && draft.lengthText.trim() !== sayLength(draft.intent)
      ? {
          ...draft.intent,
          length: { datum: draft.intent.length?.datum ?? ('face' as const), mm: length.value },
        }
      : draft.intent;
  const derived = derive(intent);
  const offered = offers(intent);
  const problems = [
    ...(draft.name.trim() === ''
      ? [
          {
            code: 'lead.name',
            says: 'The lead needs a name: what you would write on its tape.',
            path: 'name',
          },
        ]
      : []),
    ...(length.ok ? [] : length.problems),
    ...(derived.ok
      ? []
      : derived.problems.filter((problem) => length.ok || problem.path !== 'intent.length.mm')),
  ];
  return {
    draft: { ...draft, intent },
    problems,
    lead: derived.ok ? derived.value : undefined,
    offers: offered.ok ? offered.value : [],
    lengthKnown: length.ok,
  };
}

/** An edit that has not been sent yet is on its way, whatever became of the one before it. */
const savingOf = (edit: unknown, last: Saving): Saving =>
  !edit ? 'saved' : last === 'saved' ? 'saving' : last;

interface Edit extends Draft {
  /** The revision it was made to. */
  readonly base: number;
  /** The id under which it is sent, the same on every retry. */
  readonly requestId: string;
}

export type Saving = 'saved' | 'saving' | 'kept' | 'conflict';

const SAVE_AFTER = 500;
const TRY_AGAIN_AFTER = 2_000;

/**
 * A lead on the page: the server's newest revision, under what has been typed here and not yet been acknowledged.
 * Edits are kept in this browser until the server has them, are sent as they are made, and are sent again for as long
 * as the database is away.
 */
export function useLead(id: string) {
  const client = useQueryClient();
  const [kept] = useState(() => stored<Edit>(`lead.${id}`));
  const [edit, setEdit] = useState<Edit | undefined>(() => kept.read());
  const [theirs, setTheirs] = useState<LeadSheet | undefined>();
  const [saving, setSaving] = useState<Saving>('saved');
  const past = useRef<Draft[]>([]);
  /** Saves go one after the other; the newest revision that this window made. */
  const line = useRef(Promise.resolve());
  const acknowledged = useRef(0);
  const query = useQuery({
    queryKey: ['lead', id],
    queryFn: () => ask<LeadSheet>('GET', `/api/leads/${id}`),
  });
  const sheet = query.data;

  const shown: Draft | undefined = edit ?? (sheet && draftOf(sheet.name, sheet.intent));

  const keep = useCallback(
    (next: Edit | undefined) => {
      kept.write(next);
      setEdit(next);
    },
    [kept],
  );

  const change = useCallback(
    (next: Draft, { remember = true }: { remember?: boolean } = {}) => {
      if (!sheet) return;
      if (remember && shown) past.current = [...past.current.slice(-49), shown];
      keep({ ...next, base: edit?.base ?? sheet.revision, requestId: crypto.randomUUID() });
    },
    [edit?.base, keep, sheet, shown],
  );

  const undo = useCallback(() => {
    const before = past.current.pop();
    if (before) change(before, { remember: false });
  }, [change]);

  useEffect(() => {
    if (!edit || theirs) return;
    const { draft, problems } = readDraft(edit);
    if (problems.length > 0) return;
    let stopped = false;
    let timer: ReturnType<typeof setTimeout>;
    const send = async (): Promise<void> => {
      // An edit made while the one before it was on its way is put on top of that before it is sent.
      if (stopped || edit.base < acknowledged.current) return;
      setSaving('saving');
      try {
        const body = {
          requestId: edit.requestId,
          base: edit.base,
          name: draft.name.trim(),
          intent: draft.intent,
        };
        const saved = await ask<LeadSheet>('PUT', `/api/leads/${id}`, body);
        acknowledged.current = saved.revision;
        client.setQueryData(['lead', id], saved);
        setSaving('saved');
        setEdit((now) => {
          const rest =
            !now || now.requestId === edit.requestId ? undefined : { ...now, base: saved.revision };
          kept.write(rest);
          return rest;
        });
      } catch (error) {
        if (stopped) return;
        if (error instanceof ApiProblem && error.status === 409) {
          setTheirs(error.more['current'] as LeadSheet);
          setSaving('conflict');
        } else {
          setSaving('kept');
          timer = setTimeout(queue, TRY_AGAIN_AFTER);
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
  }, [client, edit, id, kept, theirs]);

  /** After a conflict: ours goes on top of theirs as a new revision, or theirs is taken and ours dropped. */
  const settle = useCallback(
    (whose: 'mine' | 'theirs') => {
      if (!theirs) return;
      keep(
        whose === 'mine' && edit
          ? { ...edit, base: theirs.revision, requestId: crypto.randomUUID() }
          : undefined,
      );
      setTheirs(undefined);
      void client.invalidateQueries({ queryKey: ['lead', id] });
    },
    [client, edit, id, keep, theirs],
  );

  return {
    sheet,
    error: query.error,
    shown,
    change,
    undo,
    saving: savingOf(edit, saving),
    conflict: theirs && shown ? { theirs, mine: readDraft(shown).draft } : undefined,
    settle,
  };
}
