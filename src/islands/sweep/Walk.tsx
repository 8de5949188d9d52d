import { useId, useRef, useState } from 'react';
import { darkInARow, nextWay, sayFaults, type Lamps, type LineStand } from '../../core/sweep';
import { sayList } from '../../core/quantity';
import { Button, ButtonLink, Mark } from '../../ui';
import { useKeys } from '../app';
import { useTyped } from '../kept';
import { ByMeter } from './ByMeter';
import styles from './Sweep.module.css';
import type { SweepOnPage } from './useSweep';
import { Who } from './Who';

/** Nobody looks at a line in less than this, ms: a second press within it is a bounce, of thumb or pedal. */
const BOUNCE_MS = 400;

/** What is done at most once within {@link BOUNCE_MS}; a key that is held down repeats itself, and is taken once. */
function useOnce() {
  const last = useRef(-Infinity);
  return (event: { readonly timeStamp: number; readonly repeat?: boolean }, act: () => void): void => {
    if (event.repeat === true || event.timeStamp - last.current < BOUNCE_MS) return;
    last.current = event.timeStamp;
    act();
  };
}

/** The ways of a venue, each with how it stands: touched to look at that one. */
function Ways({
  stands,
  now,
  onWay,
}: {
  readonly stands: readonly LineStand[];
  readonly now: number;
  readonly onWay: (way: number) => void;
}) {
  return (
    <ul className={styles['ways']} aria-label="All lines">
      {stands.map(({ way, state, look }) => (
        <li key={way}>
          <button
            type="button"
            className={[styles['way'], styles[state], look ? '' : styles['unseen']].join(' ')}
            aria-current={way === now ? 'step' : undefined}
            aria-label={`way ${way}, ${sayState(state, look !== undefined)}`}
            onClick={() => onWay(way)}
          >
            {way}
          </button>
        </li>
      ))}
    </ul>
  );
}
const sayState = (state: LineStand['state'], isSeen: boolean): string =>
  isSeen
    ? state === 'good'
      ? 'good'
      : 'struck'
    : state === 'unknown'
      ? 'not looked at'
      : `${state} the last time`;

/** What was seen of the line before, with what it may be: it can be taken back. */
function LastSeen({ page, way }: { readonly page: SweepOnPage; readonly way: number | undefined }) {
  const stand = page.stands.find((each) => each.way === way);
  const look = stand?.look;
  return (
    <p className={styles['last']} role="status">
      {stand && look && (
        <>
          <Mark kind={stand.state === 'good' ? 'good' : 'stop'} word={`${stand.way}: ${look.says}`} />{' '}
          {stand.state === 'bad' && `${sayFaults(look.mayBe)}. `}
          <Button look="plain" onClick={() => page.record({ kind: 'taken-back', way: stand.way })}>
            take it back
          </Button>
        </>
      )}
    </p>
  );
}

const NIGHT = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' });

/** What is known of a line before it is looked at: where it comes out, what stands on it, how it was the last time. */
function Known({ page: { sweep }, stand }: { readonly page: SweepOnPage; readonly stand: LineStand }) {
  const line = sweep.venue.lines.find(({ way }) => way === stand.way);
  const input = sweep.list.inputs.find(({ way }) => way === stand.way);
  const wants = input && sweep.wants[input.id];
  const [last] = stand.earlier;
  const bad = stand.earlier.filter(({ state }) => state === 'bad').length;
  return (
    <div className={styles['known']}>
      <p className={styles['input']}>
        {input?.name ?? 'spare'}
        {line?.name !== undefined && <span className={styles['soft']}> {line.name}</span>}
      </p>
      <p>
        {wants === 'harmed' && <Mark kind="caution" word="Phantom harms it: is it unplugged?" />}
        {line?.phantom === true && ' Phantom cannot be switched off here. '}
        {stand.look ? (
          <>
            {stand.look.says}, {stand.look.by}
          </>
        ) : (
          last &&
          `${NIGHT.format(new Date(last.at))}: ${last.says}${bad > 1 ? `; bad ${bad} times of ${stand.earlier.length}` : ''}`
        )}
        {stand.notes.length > 0 && ` “${stand.notes.join('”, “')}”`}
      </p>
    </div>
  );
}

const SAID: readonly (readonly [Lamps, string])[] = [
  ['only 2', 'Only 2'],
  ['only 3', 'Only 3'],
  ['none', 'None'],
  ['flicker', 'Flickers'],
];

/** One line at a time, large: what its lamps show, by thumb or pedal. */
// eslint-disable-next-line max-lines-per-function -- one screen, read from top to bottom as it is seen.
export function Walk({ page }: { readonly page: SweepOnPage }) {
  const { sweep, stands, looks, record, by } = page;
  // The first that nobody looked at; what others do meanwhile moves nothing under the thumb.
  const [chosen, setAt] = useState(() => nextWay(stands, undefined) ?? stands[0]?.way ?? 0);
  // Its line may have been taken out of the venue meanwhile.
  const now = stands.some(({ way }) => way === chosen)
    ? chosen
    : (nextWay(stands, undefined) ?? stands[0]?.way ?? 0);
  const dark = darkInARow(looks);
  const [before, setBefore] = useState<number>();
  const [isMeter, setMeter] = useState(false);
  const [isNoting, setNoting] = useState(false);
  const once = useOnce();
  /** Where the keys are after a press elsewhere: the space of a pedal never says again what a thumb said of the line before. */
  const bothLit = useId();
  const toBoth = (): void => document.getElementById(bothLit)?.focus({ preventScroll: true });
  const stand = stands.find(({ way }) => way === now);
  const open = stands.filter(({ look }) => !look).length;
  const others = [...new Set(looks.map((each) => each.by))].filter((name) => name !== by.trim());
  const seen = (lamps: Lamps): void => {
    if (!record({ kind: 'lamps', way: now, lamps })) return;
    goOn();
  };
  const goOn = (): void => {
    toBoth();
    setBefore(now);
    setNoting(false);
    // What others looked at meanwhile is passed over.
    setAt(nextWay(stands, now) ?? now);
  };
  const back = (): void => {
    toBoth();
    const place = stands.findIndex(({ way }) => way === now);
    setAt(stands[Math.max(0, place - 1)]?.way ?? now);
  };
  const key = (lamps: Lamps) => (event: KeyboardEvent) => once(event, () => seen(lamps));
  const pedal = isMeter ? {} : { ' ': key('both'), PageDown: key('both') };
  useKeys({
    ...pedal,
    ...(isMeter
      ? {}
      : { 2: key('only 2'), 3: key('only 3'), 1: key('one'), 0: key('none'), f: key('flicker') }),
    n: () => setNoting(true),
    PageUp: (event) => once(event, back),
  });
  if (!stand) return <p>This venue has no lines.</p>;
  return (
    <div className={styles['walk']}>
      <Ways
        stands={stands}
        now={now}
        onWay={(way) => {
          setAt(way);
          toBoth();
        }}
      />
      <p className={styles['count']}>
        {stands.length - open} of {stands.length} looked at,{' '}
        {stands.filter(({ state }) => state === 'bad').length} struck
        {others.length > 0 && `; ${sayList(others)} ${others.length === 1 ? 'looks' : 'look'} too`}
      </p>
      <LastSeen page={page} way={before} />
      {dark.length > 0 && (
        <div role="alert" className={styles['caution']}>
          <p>
            <Mark kind="caution" /> Ways {sayList(dark.map(String))} are dark, one after the other: is phantom
            on, and does the plug light on a line that is good?
          </p>
          <Button onClick={() => dark.forEach((way) => record({ kind: 'taken-back', way }))}>
            Phantom was off: take them back
          </Button>
        </div>
      )}
      <div className={styles['now']}>
        <p className={styles['number']}>
          <span className={styles['soft']}>way</span>
          {now}
        </p>
        <Known page={page} stand={stand} />
      </div>
      {by.trim() === '' && <Who page={page} />}
      {isMeter ? (
        <ByMeter
          key={now}
          sweep={sweep.id}
          way={now}
          truth={sweep.truth}
          onRead={(volts) => {
            if (record({ kind: 'volts', way: now, volts })) goOn();
          }}
        />
      ) : (
        <div className={styles['lamps']} role="group" aria-label={`What the lamps show on way ${now}`}>
          <button
            id={bothLit}
            type="button"
            className={styles['both']}
            onClick={(event) => once(event, () => seen('both'))}
          >
            Both lit
          </button>
          {SAID.map(([lamps, says]) => (
            <button key={lamps} type="button" onClick={(event) => once(event, () => seen(lamps))}>
              {says}
            </button>
          ))}
        </div>
      )}
      {isNoting && (
        <Note
          key={`note ${now}`}
          sweep={sweep.id}
          way={now}
          onNote={(text) => {
            if (record({ kind: 'note', way: now, text })) setNoting(false);
          }}
        />
      )}
      <p className={styles['foot']}>
        <Button onClick={back}>Back</Button>
        {!isMeter && (
          <Button onClick={(event) => once(event, () => seen('one'))}>One, which is not known</Button>
        )}
        <Button onClick={() => setNoting(!isNoting)}>Note</Button>
        <Button onClick={() => setMeter(!isMeter)}>{isMeter ? 'By the lamps' : 'By meter'}</Button>
        {open === 0 && (
          <ButtonLink look="main" href={`/sweep/${sweep.id}/plan`}>
            All looked at: plan anew
          </ButtonLink>
        )}
      </p>
    </div>
  );
}

/** A word about a line; what is half said is kept. */
function Note({
  sweep,
  way,
  onNote,
}: {
  readonly sweep: string;
  readonly way: number;
  readonly onNote: (text: string) => void;
}) {
  const [text, setText] = useTyped(`sweep-note:${sweep} ${way}`);
  return (
    <form
      className={styles['row']}
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() === '') return;
        onNote(text.trim());
        setText('');
      }}
    >
      <label>
        Note on way {way} {/* It was asked for with n or a press: the hand is on its way to it. */}
        {/* eslint-disable-next-line jsx-a11y/no-autofocus */}
        <input autoFocus maxLength={400} value={text} onChange={({ target }) => setText(target.value)} />
      </label>
      <Button type="submit">Keep it</Button>
    </form>
  );
}
