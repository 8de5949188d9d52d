import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { storedNames } from '../app/stored';
import { keptAbout } from '../kept/pieces';
import { outboxOf as outboxOfSweep } from '../sweep/outbox-of';
import { outboxOf as outboxOfUnit } from '../unit/records';

/** How often it is looked whether something is still left, ms: what is sent within this is not spoken of. */
const LOOKS_MS = 2_000;

type Kind = 'unit' | 'sweep';
interface Thing {
  readonly kind: Kind;
  readonly id: string;
}

const PAGE: Readonly<Record<Kind, (id: string) => string>> = {
  unit: (id) => `/unit/${id}/bench`,
  sweep: (id) => `/sweep/${id}/walk`,
};
const outboxOf = (client: QueryClient, { kind, id }: Thing) =>
  kind === 'unit' ? outboxOfUnit(client, id) : outboxOfSweep(client, id);

/** What this browser keeps something of: on its disk, or where a window wrote it as it was closed. */
async function keptThings(): Promise<readonly Thing[]> {
  const onDisk = await keptAbout().catch(() => []);
  const names = ['unit.', 'sweep.'].flatMap((begins) => storedNames(begins));
  const found = [...onDisk, ...names].flatMap((name) => {
    const [, kind, id] = /^(unit|sweep)[:.]([0-9a-fA-F-]{36})/.exec(name) ?? [];
    return kind !== undefined && id !== undefined ? [`${kind} ${id}`] : [];
  });
  return [...new Set(found)].map((each) => {
    const [kind = '', id = ''] = each.split(' ');
    return { kind: kind as Kind, id };
  });
}

/** One thing of which something is left, and whether it waits for whoever did it. */
type LeftThing = Thing & { readonly isStuck: boolean };

/** What is left here of anything that another page than this shows: begun to be sent, and told of where that takes a while. */
function useLeft(at: string): readonly LeftThing[] {
  const client = useQueryClient();
  const [left, setLeft] = useState<readonly LeftThing[]>([]);
  useEffect(() => {
    let isHere = true;
    let things: readonly Thing[] = [];
    let before = new Set<string>();
    const look = (): void => {
      const now = things.flatMap((thing): LeftThing[] => {
        const { records, held, refused } = outboxOf(client, thing).snapshot();
        return records.length + refused.length > 0
          ? [{ ...thing, isStuck: held !== undefined || refused.length > 0 }]
          : [];
      });
      const still = now.filter(({ id }) => before.has(id));
      before = new Set(now.map(({ id }) => id));
      setLeft((was) => (JSON.stringify(was) === JSON.stringify(still) ? was : still));
    };
    const list = (): void =>
      void keptThings().then((all) => {
        if (!isHere) return;
        things = all.filter(({ id }) => !at.includes(id));
        for (const thing of things) outboxOf(client, thing).start();
      });
    list();
    const timer = setInterval(look, LOOKS_MS);
    addEventListener('online', list);
    document.addEventListener('visibilitychange', list);
    return () => {
      isHere = false;
      clearInterval(timer);
      removeEventListener('online', list);
      document.removeEventListener('visibilitychange', list);
    };
  }, [client, at]);
  return left;
}

const NOUN: Readonly<Record<Kind, readonly [one: string, more: string]>> = {
  unit: ['one lead', 'leads'],
  sweep: ['one sweep', 'sweeps'],
};
/** How many of them: “2 leads and one sweep”. */
const sayThings = (things: readonly Thing[]): string =>
  (['unit', 'sweep'] as const)
    .flatMap((kind) => {
      const { length } = things.filter((each) => each.kind === kind);
      return length === 0 ? [] : [length === 1 ? NOUN[kind][0] : `${length} ${NOUN[kind][1]}`];
    })
    .join(' and ');

/**
 * Whatever page is open, what was done at others in this browser and is not at the server is sent; where that takes a while it
 * is said, and where it cannot be, who did it is led there.
 */
export function LeftHere({ at, className }: { readonly at: string; readonly className: string | undefined }) {
  const left = useLeft(at);
  const sent = left.filter(({ isStuck }) => !isStuck);
  const stuck = left.filter(({ isStuck }) => isStuck);
  if (left.length === 0) return null;
  return (
    <aside role="status" aria-label="Kept here" className={className}>
      {sent.length > 0 && (
        <span>
          What was done of {sayThings(sent)} is kept here and not at the server yet: it is sent as soon as it
          can be.
        </span>
      )}
      {stuck.map(({ kind, id }, n) => (
        <span key={id}>
          {n === 0 && `What was done of ${sayThings(stuck)} is kept here and waits for you: `}
          <a href={PAGE[kind](id)}>see why</a>{' '}
        </span>
      ))}
    </aside>
  );
}
