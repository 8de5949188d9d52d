import { useQuery, useQueryClient } from '@tanstack/react-query';
import { dequal } from 'dequal';
import { useCallback, useEffect, useRef, useState } from 'react';
import { derive, difference, schoolsOf, type Edit, type Lead } from '../../core/lead';
import { formatLength, good, parseLength, type Problem, type Result } from '../../core/quantity';
import {
  currentIntent,
  lengthSystem,
  offers,
  resolveSchools,
  type Intent,
  type Offer,
} from '../../core/wiring';
import type { LeadSheet } from '../../server/leads/service';
import { ApiProblem, ask, stored } from '../app';
import { draft, newId, useAdopted } from '../kept';

/** What is on the page: the name, the intent, what was changed by hand, and the length as it was typed, right or wrong. */
export interface EditedLead {
  readonly name: string;
  /** None for a lead that was described from what is in the hand. */
  readonly intent: Intent | undefined;
  readonly edits: readonly Edit[];
  readonly lengthText: string;
}
/** An edited lead that is derived from what it is for. */
export interface EditedIntent extends EditedLead {
  readonly intent: Intent;
}
export const hasIntent = (edited: EditedLead): edited is EditedIntent => edited.intent !== undefined;

/** An edited lead with what is wrong with it, and the lead it comes to when nothing is. */
export interface Read {
  readonly edited: EditedLead;
  readonly problems: readonly Problem[];
  readonly lead: Lead | undefined;
  /** The ways of wiring it, where its ends are known. */
  readonly offers: readonly Offer[];
  /** Whether the length that was typed is the lead's: where it is not, no figure that hangs on it is shown. */
  readonly lengthKnown: boolean;
}

const sayLength = (intent: Intent): string =>
  intent.length ? formatLength(intent.length.mm, lengthSystem(resolveSchools(intent.schools))) : '';

export const editedOf = (name: string, intent: Intent, edits: readonly Edit[] = []): EditedIntent => ({
  name,
  intent,
  edits,
  lengthText: sayLength(intent),
});

/** What a stored lead is edited from. */
export const editedOfLead = ({ name, intent, edits }: Lead): EditedLead => ({
  name,
  intent,
  edits,
  lengthText: intent ? sayLength(intent) : '',
});

/** The typed length, put into an intent; text that says what is there already leaves it as it is: saying it may have rounded it. */
function lengthRead({ intent, lengthText }: EditedIntent): {
  readonly length: Result<number>;
  readonly intent: Intent;
} {
  const bare = lengthSystem(resolveSchools(intent.schools)) === 'inch' ? 'ft' : 'm';
  const needed = (intent.form ?? 'lead') === 'lead';
  const length: Result<number> = needed
    ? parseLength(lengthText, { path: 'intent.length.mm', bare })
    : good(intent.length?.mm ?? 0);
  return {
    length,
    intent:
      needed && length.ok && lengthText.trim() !== sayLength(intent)
        ? { ...intent, length: { datum: intent.length?.datum ?? ('face' as const), mm: length.value } }
        : intent,
  };
}

/**
 * Reads an edited lead: the typed length first, then the rest. What says the same as the stored lead is that lead; anything else
 * is derived anew.
 */
export function readEdited(edited: EditedLead, kept?: Lead): Read {
  const unnamed: readonly Problem[] =
    edited.name.trim() === ''
      ? [
          {
            code: 'lead.name',
            says: 'The lead needs a name: what you would write on its tape.',
            path: 'name',
          },
        ]
      : [];
  if (!hasIntent(edited))
    return {
      edited,
      problems: unnamed,
      lead: kept && { ...kept, name: edited.name },
      offers: [],
      lengthKnown: true,
    };
  const { length, intent } = lengthRead(edited);
  const unchanged = kept && dequal(intent, kept.intent) && dequal(edited.edits, kept.edits);
  const derived: Result<Lead> = unchanged ? good(kept) : derive(intent, edited.edits, edited.name);
  const offered = offers(intent);
  return {
    edited: { ...edited, intent },
    problems: [
      ...unnamed,
      ...(length.ok ? [] : length.problems),
      ...(derived.ok
        ? []
        : derived.problems.filter((problem) => length.ok || problem.path !== 'intent.length.mm')),
    ],
    lead: derived.ok ? derived.value : undefined,
    offers: offered.ok ? offered.value : [],
    lengthKnown: length.ok,
  };
}

/** What would become different if a stored lead were worked out today: nothing where it is what would be derived. */
export function driftOf(kept: Lead): readonly string[] {
  if (!kept.intent) return [];
  const today = derive(kept.intent, kept.edits, kept.name);
  return today.ok
    ? difference(kept.assembly, today.value.assembly)
    : today.problems.map((problem) => problem.says);
}

/** The units that lengths of a lead are said in. */
export const unitsOf = (lead: Lead) => lengthSystem(schoolsOf(lead));

/** An edit that has not been sent yet is on its way, whatever became of the one before it. */
const savingOf = (edit: unknown, last: Saving): Saving =>
  !edit ? 'saved' : last === 'saved' ? 'saving' : last;

interface Unsent extends EditedLead {
  /** The revision it was made to. */
  readonly base: number;
  /** The id under which it is sent, the same on every retry. */
  readonly requestId: string;
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
  const [edit, setEdit] = useState<Unsent | undefined>(() => broughtUp(kept.read() ?? leftBefore(id)));
  const [theirs, setTheirs] = useState<LeadSheet | undefined>();
  const [saving, setSaving] = useState<Saving>('saved');
  const past = useRef<EditedLead[]>([]);
  /** Saves go one after the other; the newest revision that this window made. */
  const line = useRef(Promise.resolve());
  const acknowledged = useRef(0);
  const failures = useRef(0);
  const [refused, setRefused] = useState<string>();
  const query = useQuery({
    queryKey: ['lead', id],
    queryFn: () => ask<LeadSheet>('GET', `/api/leads/${id}`),
  });
  const sheet = query.data;

  const shown: EditedLead | undefined = edit ?? (sheet && editedOfLead(sheet.lead));

  const keep = useCallback(
    (next: Unsent | undefined) => {
      kept.write(next);
      setEdit(next);
    },
    [kept],
  );

  // What a window that is gone left undone is taken over, unless something is being changed here.
  useAdopted(kept, (left) => setEdit((now) => now ?? broughtUp(left)));

  const change = useCallback(
    (next: EditedLead, { remember = true }: { remember?: boolean } = {}) => {
      if (!sheet) return;
      if (remember && shown) past.current = [...past.current.slice(-49), shown];
      keep({ ...next, base: edit?.base ?? sheet.revision, requestId: newId() });
    },
    [edit?.base, keep, sheet, shown],
  );

  const undo = useCallback(() => {
    const before = past.current.pop();
    if (before) change(before, { remember: false });
  }, [change]);

  useEffect(() => {
    if (!edit || theirs) return;
    const { edited, problems } = readEdited(edit, sheet?.lead);
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
          name: edited.name.trim(),
          ...(edited.intent === undefined ? {} : { intent: edited.intent }),
          edits: edited.edits,
        };
        const saved = await ask<LeadSheet>('PUT', `/api/leads/${id}`, body);
        acknowledged.current = saved.revision;
        client.setQueryData(['lead', id], saved);
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
  }, [client, edit, id, keep, kept, sheet?.lead, theirs]);

  /** After a conflict: ours goes on top of theirs as a new revision, or theirs is taken and ours dropped. */
  const settle = useCallback(
    (whose: 'mine' | 'theirs') => {
      if (!theirs) return;
      keep(whose === 'mine' && edit ? { ...edit, base: theirs.revision, requestId: newId() } : undefined);
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
    /** Why the server does not take the change; nothing where it does. */
    refused: edit && refused,
    conflict: theirs && shown ? { theirs, mine: readEdited(shown, sheet?.lead).edited } : undefined,
    settle,
  };
}
