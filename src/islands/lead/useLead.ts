import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { formatLength, parseLength, type Problem } from '../../core/quantity';
import { derive, lengthSystem, resolveSchools, type Intent, type Lead } from '../../core/wiring';
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
}

const sayLength = (intent: Intent): string =>
  formatLength(intent.length.mm, lengthSystem(resolveSchools(intent.schools)));

export const draftOf = (name: string, intent: Intent): Draft => ({
  name,
  intent,
  lengthText: sayLength(intent),
});

/** Reads a draft: the typed length first, then the rest by derivation. */
export function readDraft(draft: Draft): Read {
  const bare = lengthSystem(resolveSchools(draft.intent.schools)) === 'inch' ? 'ft' : 'm';
  const length = parseLength(draft.lengthText, { path: 'intent.length.mm', bare });
  const intent =
    length.ok && length.value !== draft.intent.length.mm
      ? { ...draft.intent, length: { ...draft.intent.length, mm: length.value } }
      : draft.intent;
  const derived = derive(intent);
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
  return { draft: { ...draft, intent }, problems, lead: derived.ok ? derived.value : undefined };
}

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
  const kept = useRef(stored<Edit>(`lead.${id}`));
  const [edit, setEdit] = useState<Edit | undefined>(() => kept.current.read());
  const [theirs, setTheirs] = useState<LeadSheet | undefined>();
  const [saving, setSaving] = useState<Saving>('saved');
  const past = useRef<Draft[]>([]);
  const query = useQuery({
    queryKey: ['lead', id],
    queryFn: () => ask<LeadSheet>('GET', `/api/leads/${id}`),
  });
  const sheet = query.data;

  const shown: Draft | undefined = edit ?? (sheet && draftOf(sheet.name, sheet.intent));

  const keep = useCallback((next: Edit | undefined) => {
    kept.current.write(next);
    setEdit(next);
  }, []);

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
      setSaving('saving');
      try {
        const saved = await ask<LeadSheet>('PUT', `/api/leads/${id}`, {
          requestId: edit.requestId,
          base: edit.base,
          name: draft.name.trim(),
          intent: draft.intent,
        });
        client.setQueryData(['lead', id], saved);
        if (stopped) return;
        kept.current.write(undefined);
        setEdit((now) => (now?.requestId === edit.requestId ? undefined : now));
        setSaving('saved');
      } catch (error) {
        if (stopped) return;
        if (error instanceof ApiProblem && error.status === 409) {
          setTheirs(error.more['current'] as LeadSheet);
          setSaving('conflict');
        } else {
          setSaving('kept');
          timer = setTimeout(() => void send(), TRY_AGAIN_AFTER);
        }
      }
    };
    timer = setTimeout(() => void send(), SAVE_AFTER);
    return () => {
      stopped = true;
      clearTimeout(timer);
    };
  }, [client, edit, id, theirs]);

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
    saving: edit ? saving : 'saved',
    conflict: theirs && shown ? { theirs, mine: shown } : undefined,
    settle,
  };
}
