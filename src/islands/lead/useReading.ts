import { useEffect, useMemo, useRef, useState } from 'react';
import type { Finding } from '../../core/findings';
import { readStored, type EditedLead, type Lead, type Read } from '../../core/lead';
import type { Offer, SchoolId } from '../../core/wiring';
import { askLead, type Judgement } from '../../workers';

/** An edited lead as it is read, with what there is to say against it. */
export interface Reading {
  readonly read: Read;
  readonly found: readonly Finding[];
  /** The schools that something in it hangs on. */
  readonly hangs: readonly SchoolId[];
  /** Whether it is of what is on the page now; else it is of what was there before, and the newest is on its way. */
  readonly isCurrent: boolean;
  /** Whether what there is to say is of that too: of a large lead it takes longer. */
  readonly isJudged: boolean;
}

/** What an edited lead is read against: what is stored, or what a new lead starts from. */
export interface ReadBefore {
  readonly lead?: Lead | undefined;
  readonly found: readonly Finding[];
  readonly hangs: readonly SchoolId[];
  readonly offers: readonly Offer[];
}

interface Answer {
  readonly of: EditedLead;
  readonly read: Read;
}
interface Judged extends Judgement {
  readonly of: Read;
}

/** How long it is waited where what reads leads could not be had, ms. */
const AGAIN_MS = 2_000;
const wait = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/**
 * Reads what is edited, off the page's own thread: what is typed stands at once, what it comes to as soon as it is read, and what
 * there is to say against that as soon as it is worked out. Where nothing is edited what came from the server holds, and nothing
 * is worked out at all.
 */
export function useReading(
  edited: EditedLead | undefined,
  before: ReadBefore | undefined,
): Reading | undefined {
  const [answer, setAnswer] = useState<Answer>();
  const [judged, setJudged] = useState<Judged>();
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
      for (let done: EditedLead | undefined; newest.current && newest.current !== done;) {
        const now = newest.current;
        try {
          const read = await askLead((remote) => remote.read(now, kept.current));
          setAnswer({ of: now, read });
          done = now;
          if (newest.current !== now) continue;
          const judgement = read.lead
            ? await askLead((remote) => remote.judged(read.lead as Lead))
            : { found: [], hangs: [] };
          setJudged({ of: read, ...judgement });
        } catch {
          // The server it comes from is away: what was typed is kept, and read when it is back.
          await wait(AGAIN_MS);
        }
      }
      busy.current = false;
    })();
  }, [edited, lead]);
  useEffect(
    () => () => {
      newest.current = undefined;
    },
    [],
  );

  return useMemo(() => {
    const base = before?.lead && {
      read: readStored(before.lead, before.offers),
      found: before.found,
      hangs: before.hangs,
    };
    if (!edited) return base && { ...base, isCurrent: true, isJudged: true };
    const { found, hangs } = judged ?? base ?? { found: [], hangs: [] };
    if (answer?.of === edited)
      return { read: answer.read, found, hangs, isCurrent: true, isJudged: judged?.of === answer.read };
    const last = answer?.read ?? base?.read;
    return last && { read: { ...last, edited }, found, hangs, isCurrent: false, isJudged: false };
  }, [answer, before, edited, judged]);
}
