import { channelsOf, portById, type CableEntry } from '../../core/catalogue';
import { useState, type ReactNode } from 'react';
import { capital, type Problem } from '../../core/quantity';
import { DATUMS, FORMS, USUAL_LEG, type Form, type Intent, type IntentEnd } from '../../core/wiring';
import { derive, type Lead } from '../../core/lead';
import { SURROUNDINGS } from '../../core/situation';
import type { Palette } from '../app';
import { EndSlots, isPower } from './EndSlots';
import styles from '../app/Sentence.module.css';
import { options, Slot, TextSlot } from './Slots';
import type { IntentDraft } from './useLead';

interface SentenceProps {
  readonly draft: IntentDraft;
  readonly problems: readonly Problem[];
  /** What it comes to, where it is whole: its recipe may have things to ask. */
  readonly lead: Lead | undefined;
  /** The catalogue with the workshop's own. */
  readonly palette: Palette;
  readonly onChange: (draft: IntentDraft) => void;
}

const FIRST: Readonly<Record<'from' | 'to', IntentEnd>> = {
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

/** What a lead is for, as a sentence whose slots are pickers. Each slot leaves only what goes with the others. */
export function Sentence({ draft, problems, lead, palette, onChange }: SentenceProps) {
  /** Sides whose ends are said one by one though they are alike. */
  const [apart, setApart] = useState<Readonly<Partial<Record<'from' | 'to', boolean>>>>({});
  const { intent } = draft;
  const form = intent.form ?? 'lead';
  const put = (patch: Partial<Intent>): void => onChange({ ...draft, intent: { ...intent, ...patch } });
  const without = (key: keyof Intent): void => {
    const { [key]: _, ...rest } = intent;
    onChange({ ...draft, intent: rest as Intent });
  };
  /** Changing the ends asks the wiring afresh: what was chosen for others may not suit these. */
  const putEnds = (patch: Partial<Pick<Intent, 'from' | 'to' | 'form'>>): void => {
    const { wiring: _, anyway: __, ...rest } = intent;
    onChange({ ...draft, intent: { ...rest, ...patch } });
  };
  const putForm = (next: Form): void =>
    putEnds({
      form: next,
      from: next === 'plug' ? [] : intent.from.length > 0 ? intent.from : [FIRST.from],
      to: next === 'plug' ? intent.to.slice(0, 1) : intent.to,
    });
  const source = portById(intent.from[0]?.port ?? '');
  const powered = source && isPower(source);
  const side = (which: 'from' | 'to') => {
    const ends = intent[which];
    const facing = channelsFacing(intent[which === 'from' ? 'to' : 'from']);
    const set = (n: number, end: IntentEnd): void =>
      putEnds({ [which]: ends.map((each, k) => (k === n ? end : each)) });
    const more = (): void => {
      const last = ends.at(-1) ?? FIRST[which];
      const { channel: _, ...plain } = last;
      const used = new Set(ends.map((end) => end.channel));
      const [first, second] = facing.filter((name) => !used.has(name));
      const named = ends.length === 1 && last.channel === undefined && first !== undefined;
      const next = named ? second : first;
      putEnds({
        [which]: [
          ...ends.map((end, k) => (named && k === 0 ? { ...end, channel: first } : end)),
          { ...plain, ...(next === undefined ? {} : { channel: next }) },
        ],
      });
    };
    const [first] = ends;
    if (first && ends.length >= MANY && areAlike(ends) && !apart[which])
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
            putEnds({
              [which]: names.slice(0, count).map((channel) => (named ? { ...plain, channel } : plain)),
            });
          }}
          onApart={() => setApart({ ...apart, [which]: true })}
        >
          <EndSlots
            side={which}
            n={0}
            end={first}
            connectors={palette.connectors}
            channels={[]}
            power={which === 'to' ? powered : undefined}
            bothWays={false}
            problems={problems}
            onChange={(next) =>
              putEnds({
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
              power={which === 'to' ? powered : undefined}
              bothWays={intent[which === 'from' ? 'to' : 'from'].some(
                (end) => portById(end.port)?.format === 'insert',
              )}
              problems={problems}
              onChange={(next) => set(n, next)}
              onRemove={
                ends.length > 1 ? () => putEnds({ [which]: ends.filter((_, k) => k !== n) }) : undefined
              }
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
  };
  const parted =
    form === 'lead' &&
    (intent.legs !== undefined || lead?.assembly.bodies.some((body) => body.kind === 'breakout'));
  return (
    <form className={styles['sentence']} onSubmit={(event) => event.preventDefault()}>
      <p>
        <Slot
          label="made as"
          path="intent.form"
          problems={problems}
          value={form}
          onChange={(value) => putForm(value as Form)}
        >
          {options(Object.fromEntries(Object.entries(FORMS).map(([id, name]) => [id, capital(name)])))}
        </Slot>{' '}
        {form === 'plug' ? 'for ' : 'from '}
        {form !== 'plug' && <>{side('from')} into </>}
        {side('to')}
        {form === 'lead' && (
          <>
            ,{' '}
            <TextSlot
              label="length"
              path="intent.length.mm"
              problems={problems}
              value={draft.lengthText}
              placeholder="how long"
              onChange={(lengthText) => onChange({ ...draft, lengthText })}
            />{' '}
            <Slot
              label="measured"
              path="intent.length.datum"
              problems={problems}
              value={intent.length?.datum ?? 'face'}
              onChange={(datum) =>
                put({
                  length: { mm: intent.length?.mm ?? 0, datum: datum as keyof typeof DATUMS },
                })
              }
            >
              {options(DATUMS)}
            </Slot>
          </>
        )}
        {parted && (
          <>
            , legs{' '}
            <Slot
              label="legs"
              path="intent.legs.mm"
              problems={problems}
              value={`${intent.legs?.mm ?? USUAL_LEG}`}
              onChange={(mm) => put({ legs: { mm: Number(mm) } })}
            >
              {[
                ...new Set([150, 200, 300, USUAL_LEG, 400, 500, 800, 1000, intent.legs?.mm ?? USUAL_LEG]),
              ].map((mm) => (
                <option key={mm} value={mm}>
                  {mm} mm
                </option>
              ))}
            </Slot>
          </>
        )}
        ,{' '}
        <Slot
          label="surroundings"
          path="intent.surroundings"
          problems={problems}
          value={intent.surroundings}
          onChange={(value) => put({ surroundings: value as Intent['surroundings'] })}
        >
          {options(SURROUNDINGS)}
        </Slot>
        {form === 'lead' && (
          <>
            , in{' '}
            <Slot
              label="cable"
              path="intent.cable"
              problems={problems}
              value={intent.cable ?? ''}
              onChange={(cable) => put({ cable })}
            >
              {palette.cables.map((cable) => {
                const fits = fitsCable(intent, cable);
                return (
                  <option key={cable.id} value={cable.id} disabled={!fits}>
                    {cable.name.charAt(0).toLowerCase() + cable.name.slice(1)}
                    {fits ? '' : ' (does not carry this)'}
                  </option>
                );
              })}
            </Slot>
            , pulled through{' '}
            <Slot
              label="through"
              path="intent.through.mm"
              problems={problems}
              value={`${intent.through?.mm ?? ''}`}
              onChange={(mm) => (mm === '' ? without('through') : put({ through: { mm: Number(mm) } }))}
            >
              <option value="">nothing narrow</option>
              {[
                ...new Set([8, 10, 12, 14, 16, 20, 25, 32, ...(intent.through ? [intent.through.mm] : [])]),
              ].map((mm) => (
                <option key={mm} value={mm}>
                  a hole of {mm} mm
                </option>
              ))}
            </Slot>
          </>
        )}
        {lead?.because.asks.map((choice) => (
          <span key={choice.id}>
            , <span className={styles['asked']}>{choice.question.toLowerCase()}</span>{' '}
            <Slot
              label={choice.question}
              path={`intent.choices.${choice.id}`}
              problems={problems}
              value={choice.answer}
              onChange={(answer) => {
                const { [choice.id]: _, ...rest } = intent.choices ?? {};
                put({ choices: answer === choice.default ? rest : { ...rest, [choice.id]: answer } });
              }}
            >
              {Object.entries(choice.options).map(([id, name]) => (
                <option key={id} value={id}>
                  {name}
                  {id === choice.default ? ' (usual)' : ''}
                </option>
              ))}
            </Slot>
          </span>
        ))}
        .
      </p>
    </form>
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

/** Whether the lead could be made in this cable, whatever else is still missing. */
function fitsCable(intent: Intent, cable: CableEntry): boolean {
  const tried = derive({
    ...intent,
    cable: cable.id,
    own: { ...intent.own, cables: [cable] },
    length: { mm: 100_000, datum: 'face' },
  });
  return tried.ok || !tried.problems.some((problem) => problem.path === 'intent.cable');
}
