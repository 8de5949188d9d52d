import { useEffect, useLayoutEffect, useRef, useState, type ReactNode } from 'react';
import type { Operation } from '../../core/bench';
import { unitNumber } from '../../core/kit';
import { standingOf } from '../../core/proving';
import { capital } from '../../core/quantity';
import { Button, ButtonLink, Mark, Tape } from '../../ui';
import { useKeys, usePlace } from '../app';
import { useTyped } from '../kept';
import { EndInVice } from './EndInVice';
import {
  AtBenchLater,
  BraidingInHand,
  GiveUpLater,
  HeatLater,
  LabelLater,
  useBenchLater,
  WrongLater,
} from './later-at-bench';
import { KeptCount, KeptTrouble } from './KeptHere';
import { pedalled } from './pedal';
import type { PageProps } from '../app/page-props';
import { UnitPage } from './UnitPage';
import styles from './Unit.module.css';
import { useTogether } from './useTogether';
import type { UnitOnPage } from './useUnit';

const KEYS = [
  ['space, PgDn', 'confirm, or done and on to the next'],
  ['PgUp', 'take back the last step'],
  ['Ctrl+Z', 'the same'],
  ['n', 'write a note'],
  ['x', 'something is wrong'],
  ['t', 'iron on: count how long it stays, where that is wanted'],
  ['Esc', 'leave the note'],
] as const;

export function Bench({ id = '' }: PageProps) {
  return (
    <UnitPage id={id} keys={KEYS}>
      {(page) => <Steps page={page} />}
    </UnitPage>
  );
}

/** The bench clock, s since 1970, ticking while something has to wait; nothing where it has not been looked at. */
function useSeconds(running: boolean): number | undefined {
  const [now, setNow] = useState<number>();
  useLayoutEffect(() => {
    if (!running) return;
    const look = (): void => setNow(Date.now() / 1000);
    look();
    const timer = setInterval(look, 250);
    return () => clearInterval(timer);
  }, [running]);
  return now;
}

// eslint-disable-next-line max-lines-per-function -- one view, read from top to bottom as it is seen.
function Steps({ page }: { page: UnitOnPage }) {
  const { unit, operations, before, events, state, record } = page;
  const isClosed = state.logged || state.givenUp !== undefined;
  useBenchLater();
  const { go } = usePlace();
  const [writing, setWriting] = useState<'note' | 'wrong' | undefined>();
  /** What was chosen to go on with while something cools. */
  const [picked, pick] = useState<string>();
  const opened = useRef(false);
  useEffect(() => {
    if (opened.current || isClosed || !page.waiting.loaded) return;
    opened.current = true;
    record('open');
  }, [page.waiting.loaded, record, isClosed]);

  const lastDone = events.findLast(
    (event) => event.kind === 'done' && event.operation !== undefined && state.done.has(event.operation),
  );
  const startedAt = lastDone ? Date.parse(lastDone.at) / 1000 : 0;
  const together = useTogether(page, startedAt * 1000);
  const open = operations.filter(
    ({ id }) => !state.done.has(id) && [...(before.get(id) ?? [])].every((each) => state.done.has(each)),
  );
  const turn = [picked, together.here].flatMap((each) => open.find(({ id }) => id === each) ?? [])[0];
  const current = state.givenUp === undefined ? (turn ?? state.current) : undefined;
  const done = (operation: Operation): void => {
    if (record('done', operation.id)) together.onward(operation.id);
  };

  const confirmed = current ? state.confirmed.get(current.id) : undefined;
  const missing = current?.confirm?.find((each) => !confirmed?.has(each));
  const now = useSeconds(current?.seconds !== undefined);
  const waits = current?.seconds;
  // Until the clock has been looked at all of it is left.
  const left = waits === undefined ? 0 : Math.max(0, Math.ceil(startedAt + waits - (now ?? startedAt)));

  const forward = (): void => {
    if (writing) return;
    if (!current) {
      if (!isClosed) record('logged');
      return;
    }
    if (current.kind === 'prove') {
      if (page.verdict.is === 'good') done(current);
      else go(`/unit/${unit.id}/prove`);
    } else if (current.kind === 'measure') {
      if (isMeasured(page, current)) done(current);
      else go(`/unit/${unit.id}/prove`);
    } else if (missing !== undefined) record('confirm', current.id, missing);
    else if (left === 0) done(current);
  };
  const back = (): void => {
    if (lastDone && !isClosed) record('undo', lastDone.operation);
  };
  const pedal = pedalled(missing !== undefined);
  useKeys({
    ' ': pedal(forward),
    PageDown: pedal(forward),
    PageUp: pedal(back),
    'Mod+z': back,
    n: () => !isClosed && setWriting('note'),
    x: () => !isClosed && setWriting('wrong'),
  });

  const position = current ? operations.indexOf(current) : operations.length;
  const after = current && together.then(current.id);
  const next = after
    ? operations.find(({ id }) => id === after.step)
    : operations.find(({ id }, n) => n > position && !state.done.has(id));
  const onOther = together.all?.units.find(({ id }) => id === after?.lead && id !== unit.id);
  const meanwhile = left > 0 ? open.filter(({ id }) => id !== current?.id).slice(0, 3) : [];
  const label = <LabelLater lead={unit.lead} number={unit.number} />;
  return (
    <main id="main" tabIndex={-1} className={styles['bench']}>
      <div className={styles['head']}>
        <h1>
          <Tape>
            {unitNumber(unit.number)} {unit.lead.name}
          </Tape>
        </h1>
        <p className={styles['count']}>
          {isClosed
            ? ''
            : current
              ? `Step ${position + 1} of ${operations.length}`
              : `All ${operations.length} steps done`}
        </p>
        <ButtonLink look="plain" href={`/lead/${unit.leadId}/bench`}>
          leave the bench
        </ButtonLink>
      </div>
      <KeptCount page={page} />
      <div className={styles['step']}>
        <section aria-live="polite" className={styles['words']}>
          {state.givenUp !== undefined ? (
            <h2 className={styles['title']}>Given up: {state.givenUp}</h2>
          ) : current ? (
            <Words operation={current} />
          ) : (
            <Finished label={label} logged={state.logged} leadId={unit.leadId} />
          )}
          {current?.mayPass && page.readings.length === 0 && (
            <p>
              <Button onClick={() => done(current)}>Pass it by, unmeasured</Button>
            </p>
          )}
          {current?.kind === 'label' && label}
          {current?.confirm && (
            <ul className={styles['confirm']}>
              {current.confirm.map((each) => (
                <li key={each}>
                  <Button
                    big
                    aria-pressed={confirmed?.has(each) ?? false}
                    disabled={confirmed?.has(each)}
                    onClick={({ currentTarget }) => {
                      // The pedal goes on from here: a key that is pressed on a button is the button’s.
                      currentTarget.blur();
                      record('confirm', current.id, each);
                    }}
                  >
                    {confirmed?.has(each) ? '✓ ' : ''}
                    {isThing(current) ? `${each} is on` : each}
                  </Button>
                </li>
              ))}
            </ul>
          )}
          {current?.seconds !== undefined && (
            <p className={styles['timer']} role="timer">
              {left > 0 ? `${left} s` : 'Cool enough.'}
            </p>
          )}
          {meanwhile.length > 0 && (
            <div className={styles['meanwhile']}>
              Meanwhile:{' '}
              {meanwhile.map(({ id, title }) => (
                <Button key={id} onClick={() => pick(id)}>
                  {title}
                </Button>
              ))}
            </div>
          )}
          {current?.joint !== undefined && current.kind === 'solder' && (
            <HeatLater lead={unit.lead} joint={current.joint} />
          )}
          <KeptTrouble page={page} />
          {page.refused && (
            <p role="alert" className={styles['refused']}>
              <Mark kind="stop" /> {page.refused}
            </p>
          )}
          <Remarks page={page} current={current} />
        </section>
        {current?.end && current.kind !== 'seal' && (
          <EndInVice page={page} endId={current.end} now={current.joint} />
        )}
        {current?.kind === 'braid' && <BraidingInHand page={page} step={current.id} />}
      </div>
      {writing === 'wrong' && (
        <WrongLater page={page} at={current?.id} onClose={() => setWriting(undefined)} />
      )}
      {writing === 'note' && (
        <Write
          unit={unit.id}
          onSave={(text) => {
            if (text.trim() !== '') record('note', current?.id, text.trim());
            setWriting(undefined);
          }}
        />
      )}
      <footer className={styles['foot']}>
        <Button onClick={back} disabled={!lastDone || isClosed}>
          Back
        </Button>
        <Button onClick={() => setWriting('note')} disabled={isClosed}>
          Note
        </Button>
        <Button onClick={() => setWriting('wrong')} disabled={isClosed}>
          Something is wrong
        </Button>
        {left > 0 && current && <Button onClick={() => done(current)}>It is cool already</Button>}
        <p className={styles['next']}>
          {next ? `Next${onOther ? `, on No. ${unitNumber(onOther.number)}` : ''}: ${next.title}` : ''}
        </p>
        {!isClosed && (
          <Button look="main" big onClick={forward} disabled={left > 0}>
            {forwardWord(page, current, missing)}
          </Button>
        )}
      </footer>
      <AtBenchLater page={page} together={together} current={current} />
      <GiveUpLater id={unit.id} open={!isClosed} />
    </main>
  );
}

/** Whether all that is asked of the open lead at a step is answered, and as it should be. */
function isMeasured({ proof, readings }: UnitOnPage, { checks = [] }: Operation): boolean {
  const { left, off } = standingOf(proof, readings, checks);
  return left.length === 0 && off.length === 0;
}

function forwardWord(page: UnitOnPage, current: Operation | undefined, missing: string | undefined): string {
  if (!current) return 'Enter it in the log';
  if (current.kind === 'prove') return page.verdict.is === 'good' ? 'Proven: go on' : 'To the meter';
  if (current.kind === 'measure') return isMeasured(page, current) ? 'Measured: go on' : 'To the meter';
  if (missing === undefined) return 'Done';
  return isThing(current) ? `The ${missing} is on` : capital(missing);
}

/** Whether what is confirmed is a thing that has to be on; anything else is a sentence of its own. */
const isThing = ({ kind }: Operation): boolean => kind === 'thread' || kind === 'part';

function Words({ operation }: { operation: Operation }) {
  return (
    <>
      <h2 className={styles['title']}>{operation.title}</h2>
      {operation.caution && (
        <p className={styles['caution']}>
          <Mark kind="caution" /> {operation.caution}
        </p>
      )}
      <ul className={styles['detail']}>
        {operation.detail.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </>
  );
}

function Finished({ label, logged, leadId }: { label: ReactNode; logged: boolean; leadId: string }) {
  return (
    <>
      <h2 className={styles['title']}>{logged ? 'In the log' : 'Built, proven and labelled'}</h2>
      {label}
      {logged && (
        <p>
          <a href={`/lead/${leadId}/log`}>Read its entry</a>
        </p>
      )}
    </>
  );
}

function Remarks({ page, current }: { page: UnitOnPage; current: Operation | undefined }) {
  const here = page.state.remarks.filter((remark) => remark.operation === current?.id);
  return (
    <ul className={styles['remarks']}>
      {here.map((remark) => (
        <li key={remark.id}>
          <Mark
            kind={remark.kind === 'wrong' ? 'caution' : 'note'}
            word={remark.kind === 'wrong' ? 'Wrong' : 'Note'}
          />{' '}
          {remark.text} {page.here.has(remark.id) && <small>kept here</small>}
        </li>
      ))}
    </ul>
  );
}

function Write({ unit, onSave }: { unit: string; onSave: (text: string) => void }) {
  const [text, setText] = useTyped(`note:${unit}`);
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => field.current?.focus(), []);
  return (
    <form
      className={styles['write']}
      onSubmit={(event) => {
        event.preventDefault();
        onSave(text);
        setText('');
      }}
    >
      <label>
        Note for this step
        <input
          ref={field}
          value={text}
          maxLength={2000}
          onChange={(event) => setText(event.target.value)}
          onKeyDown={(event) => event.key === 'Escape' && onSave('')}
        />
      </label>
      <Button type="submit">Keep it</Button>
    </form>
  );
}
