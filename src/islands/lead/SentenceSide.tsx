import { useState, type ReactNode } from 'react';
import { channelsOf, portById } from '../../core/catalogue';
import type { Problem } from '../../core/quantity';
import type { Intent, IntentEnd } from '../../core/wiring';
import type { Palette } from '../app';
import styles from '../app/Sentence.module.css';
import { EndSlots, isPower } from './EndSlots';
import { Slot } from './Slots';

/** What stands at a side that nothing has been said of. */
export const FIRST_END: Readonly<Record<'from' | 'to', IntentEnd>> = {
  from: { port: 'microphone', family: 'xlr3' },
  to: { port: 'microphone-input', family: 'xlr3' },
};

/** The channels that the other side has to offer, by name. */
const channelsFacing = (ends: readonly IntentEnd[]): readonly string[] => {
  const names = ends.flatMap((end) => {
    const port = portById(end.port);
    const own = port ? channelsOf(port.format).map((channel) => channel.id) : [];
    return own.length > 1 ? own : (end.channel ?? []);
  });
  return [...new Set(names)];
};

/** One side of the sentence: each of its ends, or those that are alike counted, and another. */
// eslint-disable-next-line max-lines-per-function -- one view, read from top to bottom as it is seen.
export function SentenceSide({
  which,
  intent,
  palette,
  problems,
  onEnds,
}: {
  readonly which: 'from' | 'to';
  readonly intent: Intent;
  readonly palette: Palette;
  readonly problems: readonly Problem[];
  readonly onEnds: (patch: Partial<Pick<Intent, 'from' | 'to'>>) => void;
}) {
  /** Whether ends are said one by one though they are alike. */
  const [apart, setApart] = useState(false);
  const form = intent.form ?? 'lead';
  const source = portById(intent.from[0]?.port ?? '');
  const powered = which === 'to' && source ? isPower(source) : undefined;
  const ends = intent[which];
  const facing = channelsFacing(intent[which === 'from' ? 'to' : 'from']);
  const set = (n: number, end: IntentEnd): void =>
    onEnds({ [which]: ends.map((each, k) => (k === n ? end : each)) });
  const more = (): void => {
    const last = ends.at(-1) ?? FIRST_END[which];
    const { channel: _, ...plain } = last;
    const used = new Set(ends.map((end) => end.channel));
    const [first, second] = facing.filter((name) => !used.has(name));
    const named = ends.length === 1 && last.channel === undefined && first !== undefined;
    const next = named ? second : first;
    onEnds({
      [which]: [
        ...ends.map((end, k) => (named && k === 0 ? { ...end, channel: first } : end)),
        { ...plain, ...(next === undefined ? {} : { channel: next }) },
      ],
    });
  };
  const [first] = ends;
  if (first && ends.length >= MANY && areAlike(ends) && !apart)
    return (
      <Alike
        which={which}
        count={ends.length}
        channels={
          first.channel === undefined ? '' : `, channels ${first.channel} to ${ends.at(-1)?.channel ?? ''},`
        }
        problems={problems}
        onCount={(count) => {
          const { channel: _, ...plain } = first;
          const names =
            facing.length >= count ? facing : Array.from({ length: count }, (__, n) => `${n + 1}`);
          const named = ends.some((end) => end.channel !== undefined);
          onEnds({
            [which]: names.slice(0, count).map((channel) => (named ? { ...plain, channel } : plain)),
          });
        }}
        onApart={() => setApart(true)}
      >
        <EndSlots
          side={which}
          n={0}
          end={first}
          connectors={palette.connectors}
          channels={[]}
          power={powered}
          bothWays={false}
          problems={problems}
          onChange={(next) =>
            onEnds({
              [which]: ends.map(({ channel }) => {
                const { channel: _, ...plain } = next;
                return channel === undefined ? plain : { ...plain, channel };
              }),
            })
          }
          counted
          onRemove={undefined}
        />
      </Alike>
    );
  return (
    <>
      {ends.map((end, n) => (
        <span key={n}>
          {n > 0 && (which === 'from' ? ', and from ' : ', and into ')}
          <EndSlots
            side={which}
            n={n}
            end={end}
            connectors={palette.connectors}
            channels={ends.length > 1 ? facing : []}
            power={powered}
            alone={form === 'plug'}
            boxed={form === 'box'}
            bothWays={intent[which === 'from' ? 'to' : 'from'].some(
              (end) => portById(end.port)?.format === 'insert',
            )}
            problems={problems}
            onChange={(next) => set(n, next)}
            onRemove={ends.length > 1 ? () => onEnds({ [which]: ends.filter((_, k) => k !== n) }) : undefined}
          />
        </span>
      ))}
      {form !== 'plug' && (
        <button
          type="button"
          className={styles['small']}
          aria-label={which === 'from' ? 'another source' : 'another destination'}
          title={which === 'from' ? 'and from another' : 'and into another'}
          onClick={more}
        >
          +
        </button>
      )}
    </>
  );
}

/** From so many ends on, those that are alike are said once and counted. */
const MANY = 4;

/** Whether ends differ in nothing but the channel that is on them. */
const areAlike = (ends: readonly IntentEnd[]): boolean =>
  new Set(ends.map(({ channel: _, ...rest }) => JSON.stringify(rest))).size === 1;

/** Ends of one kind, counted. */
function Alike({
  which,
  count,
  channels,
  problems,
  onCount,
  onApart,
  children,
}: {
  which: 'from' | 'to';
  count: number;
  /** Which channels they are, in words. */
  channels: string;
  problems: readonly Problem[];
  onCount: (count: number) => void;
  onApart: () => void;
  children: ReactNode;
}) {
  const where = which === 'from' ? 'sources' : 'destinations';
  return (
    <>
      <Slot
        label={`how many ${where}`}
        path={`intent.${which}`}
        problems={problems}
        value={`${count}`}
        onChange={(value) => onCount(Number(value))}
      >
        {Array.from({ length: 48 }, (_, n) => (
          <option key={n} value={n + 1}>
            {n + 1} ×
          </option>
        ))}
      </Slot>{' '}
      {children}
      {channels}
      <button
        type="button"
        className={styles['small']}
        aria-label={`say the ${where} one by one`}
        title="say them one by one"
        onClick={onApart}
      >
        …
      </button>
    </>
  );
}
