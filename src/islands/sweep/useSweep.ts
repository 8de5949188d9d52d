import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useSyncExternalStore } from 'react';
import { standsOf, type Look } from '../../core/sweep';
import type { Sweep } from '../../server/stage/service';
import { useGot, useStored } from '../app';
import { newId } from '../kept';
import { outboxOf } from './outbox-of';

const ways = ({ venue }: Sweep): readonly number[] => venue.lines.map(({ way }) => way);

/** What is seen of a line, as it is said: whoever looks and when is added. */
export type Seen = Pick<Look, 'kind' | 'way'> & Partial<Pick<Look, 'lamps' | 'volts' | 'text'>>;

/** One sweep on the page: what the server has, with what was seen here and waits on top of it. */
export function useSweep(id: string) {
  const client = useQueryClient();
  const { data: sweep, error } = useGot<Sweep>(`/api/sweeps/${id}`);
  const outbox = outboxOf(client, id);
  const waiting = useSyncExternalStore(outbox.subscribe, outbox.snapshot, outbox.snapshot);
  useEffect(() => void outbox.start(), [outbox]);
  const [by, keepBy] = useStored('builder', '');
  const looks = useMemo(() => {
    const known = sweep?.looks ?? [];
    const ids = new Set(known.map((each) => each.id));
    // What was seen here a moment ago comes after what is known, whatever the clock here shows.
    const last = Math.max(0, ...known.map((each) => Date.parse(each.at)));
    return [
      ...known,
      ...waiting.records
        .filter((each) => !ids.has(each.id))
        .map((each) => ({ ...each, at: new Date(Math.max(Date.parse(each.at), last)).toISOString() })),
    ];
  }, [sweep, waiting]);
  const stands = useMemo(
    () =>
      sweep
        ? standsOf(ways(sweep), looks, {
            truth: sweep.truth,
            earlier: new Map(sweep.earlier),
            trusts: sweep.trusts,
          })
        : [],
    [sweep, looks],
  );
  /** Keeps what was seen, and sends it; false where nobody said who looks, or it is not known yet what was left here. */
  const record = useCallback(
    (seen: Seen): boolean => {
      if (by.trim() === '' || !outbox.snapshot().loaded) return false;
      outbox.add([
        {
          volts: undefined,
          ...seen,
          id: newId(),
          at: new Date().toISOString(),
          by: by.trim(),
        },
      ]);
      return true;
    },
    [by, outbox],
  );
  return { sweep, error, looks, stands, waiting, outbox, record, by, keepBy } as const;
}
export type SweepOnPage = ReturnType<typeof useSweep> & { readonly sweep: Sweep };
