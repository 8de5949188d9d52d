import { useEffect, useMemo, useRef, useState } from 'react';
import type { Finding } from '../../core/findings';
import { readStored, type EditedLead, type Lead, type Read } from '../../core/lead';
import type { Offer } from '../../core/wiring';
import { leadWorker } from '../../workers';

/** An edited lead as it is read, with what there is to say against it. */
export interface Reading {
  readonly read: Read;
  readonly found: readonly Finding[];
  /** Whether it is of what is on the page now; else it is of what was there before, and the newest is on its way. */
  readonly isCurrent: boolean;
}

/** What an edited lead is read against: what is stored, or what a new lead starts from. */
export interface ReadBefore {
  readonly lead?: Lead | undefined;
  readonly found: readonly Finding[];
  readonly offers: readonly Offer[];
}

interface Answer {
  readonly of: EditedLead;
  readonly read: Read;
  readonly found: readonly Finding[];
}

/**
 * Reads what is edited, off the page's own thread: what is typed stands at once, and what follows from it as soon as it is
 * worked out. Where nothing is edited what came from the server holds, and nothing is worked out at all.
 */
export function useReading(
  edited: EditedLead | undefined,
  before: ReadBefore | undefined,
): Reading | undefined {
  const [answer, setAnswer] = useState<Answer>();
  const newest = useRef<EditedLead>(undefined);
  const busy = useRef(false);
  const kept = useRef<Lead>(undefined);
  const lead = before?.lead;

  useEffect(() => {
    newest.current = edited;
    kept.current = lead;
    if (!edited || busy.current) return;
    busy.current = true;
    void (async () => {
      // Of what is typed meanwhile only the newest is read.
      for (let now = newest.current; now; now = newest.current === now ? undefined : newest.current)
        try {
          setAnswer({ of: now, ...(await leadWorker().read(now, kept.current)) });
        } catch {
          break;
        }
      busy.current = false;
    })();
  }, [edited, lead]);

  return useMemo(() => {
    const base = before?.lead && { read: readStored(before.lead, before.offers), found: before.found };
    if (!edited) return base && { ...base, isCurrent: true };
    if (answer?.of === edited) return { ...answer, isCurrent: true };
    const last = answer ?? base;
    return last && { read: { ...last.read, edited }, found: last.found, isCurrent: false };
  }, [answer, before, edited]);
}
