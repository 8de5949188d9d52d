import { createElement, useRef, useState } from 'react';
import { unitNumber } from '../../core/kit';
import {
  isHidden,
  isProbe,
  standingOf,
  standsFor,
  throughProven,
  type Answer,
  type Check,
  type Probe,
} from '../../core/proving';
import { Button, ButtonLink, Mark, Tape, useLater } from '../../ui';
import type { KnownGood } from '../../server/units/known-good';
import type { Workshop } from '../../server/workshop/service';
import { useGot, useKeys, usePlace } from '../app';
import type { PageProps } from '../app/page-props';
import { AskProbe } from './AskProbe';
import { AskTrial } from './AskTrial';
import { EndInVice } from './EndInVice';
import { FacesAtMeter, ReadingsLater, useVerdictLater, Verdict } from './later-at-meter';
import { KeptCount, KeptTrouble } from './KeptHere';
import { UnitPage } from './UnitPage';
import { useTypingMeter, type ReadingField } from './useTypingMeter';
import styles from './Unit.module.css';
import type { UnitOnPage } from './useUnit';

/** It is fetched where there is a proven lead to measure through. */
const loadSeries = async () => (await import('./SeriesChoice')).SeriesChoice;

const KEYS = [
  ['0–9 .', 'type the reading'],
  ['Enter', 'take the reading'],
  ['b', 'it beeps'],
  ['o', 'no beep: open'],
  ['u', 'the figure jumps while wiggling'],
  ['y', 'to a test or a look: yes, so'],
  ['x', 'to a test or a look: no'],
  ['space, PgDn', 'take what the meter shows; on to the bench, when good'],
] as const;

export function Prove({ id = '' }: PageProps) {
  return (
    <UnitPage id={id} keys={KEYS}>
      {(page) => <Proving page={page} />}
    </UnitPage>
  );
}

/** What the meter is at: the open body of a step that can be done at the bench now, or the whole lead. */
function stageOf({ state, operations, before, proof, readings, verdict }: UnitOnPage) {
  const proving = operations.find((op) => op.kind === 'prove');
  // Where several leads are worked together, or while something cools, it need not be the first that is left.
  const stage = operations.find(
    ({ id, kind }) =>
      kind === 'measure' &&
      !state.done.has(id) &&
      [...(before.get(id) ?? [])].every((each) => state.done.has(each)),
  );
  const { left, off } = standingOf(proof, readings, stage?.checks ?? []);
  const checks = stage?.checks ?? proof.checks.map((check) => check.id);
  return {
    /** The step that it belongs to. */
    step: stage ?? proving,
    isOpen: stage !== undefined,
    isReady: stage
      ? left.length === 0 && off.length === 0 && verdict.off.length === 0
      : verdict.is === 'good',
    next: stage && verdict.off.length === 0 ? left[0] : verdict.next,
    taken: checks.filter((id) => readings.some(({ probe }) => probe === id || standsFor(probe) === id))
      .length,
    of: checks.length,
  };
}

/** Whether both leads of the meter are on contacts, as they are seen from the front. */
const touchesContacts = ({ red, black }: Probe): boolean =>
  [red, ...black].every((each) => /^[A-Z]+\.[^@]+$/.test(each));

// eslint-disable-next-line max-lines-per-function -- one view, read from top to bottom as it is seen.
function Proving({ page }: { page: UnitOnPage }) {
  const { unit, verdict, readings, state } = page;
  const { go } = usePlace();
  const [again, setAgain] = useState<Check | undefined>();
  const { step, isOpen, isReady, next, taken, of } = stageOf(page);
  const [series, setSeries] = useState<string | undefined>();
  const asked = again ?? next;
  const through =
    series !== undefined && asked && isProbe(asked) ? throughProven(page.assembly, asked, series) : undefined;
  // Of what was given up nothing is measured any more.
  const check = state.givenUp === undefined ? (through ?? asked) : undefined;
  const isClosed = state.logged || state.givenUp !== undefined;
  const isOutOfReach = series !== undefined && check !== undefined && !through && isHidden(check, series);
  const closed = [...(page.before.get(step?.id ?? '') ?? [])].every((id) => state.done.has(id));
  const isDone = step !== undefined && state.done.has(step.id);
  const known = useGot<{ good: KnownGood | null }>(`/api/known-good/${unit.id}`).data?.good ?? undefined;
  const SeriesChoice = useLater(loadSeries, known !== undefined, 0);
  const plug = useGot<Workshop>('/api/workshop').data?.plug;
  // What is taken before it is known what was left here would be lost.
  const isLive = plug !== undefined && page.waiting.loaded;
  const take = (answer: Answer): void => {
    setUnheard('');
    if (!check) return;
    page.read(check.id, answer);
    setAgain(undefined);
  };
  const meter = (answer: Answer) => () => {
    if (check && isProbe(check) && check.mode === undefined) take(answer);
  };
  const tried = (answer: Answer) => () => {
    if (check && !isProbe(check)) take(answer);
  };
  const finish = (): void => {
    if (!isReady || !step || again || state.givenUp !== undefined) return;
    if (isDone || page.record('done', step.id)) go(`/unit/${unit.id}/bench`);
  };
  const field = useRef<ReadingField>(null);
  const [unheard, setUnheard] = useState('');
  useTypingMeter(field, (line) => setUnheard(line));
  // Where a meter is plugged in the pedal takes its reading, until there is none to take.
  const pedal = isLive && check !== undefined && isProbe(check) ? {} : { ' ': finish, PageDown: finish };
  useVerdictLater();
  useKeys({
    ...pedal,
    b: meter({ kind: 'beep' }),
    o: meter({ kind: 'silent' }),
    u: meter({ kind: 'unsteady' }),
    y: tried({ kind: 'yes' }),
    x: tried({ kind: 'no' }),
  });
  const isAsked = check !== undefined && !isClosed;
  return (
    <main id="main" tabIndex={-1} className={styles['bench']}>
      <div className={styles['head']}>
        <h1>
          <Tape>
            {unitNumber(unit.number)} {unit.lead.name}
          </Tape>
        </h1>
        <p className={styles['count']}>
          {taken} of {of} {of === 1 ? 'check' : 'checks'} done{isOpen ? `. ${step?.title ?? ''}` : ''}
        </p>
        <ButtonLink look="plain" href={`/lead/${unit.leadId}/prove`}>
          leave the meter
        </ButtonLink>
      </div>
      <KeptCount page={page} />
      {!closed && !isOpen && !isClosed && (
        <p className={styles['caution']}>
          <Mark kind="caution" /> Both ends are not closed yet. Readings are kept, but it is the closed lead
          that is proven.
        </p>
      )}
      <div className={`${styles['step']} ${styles['measuring']}`}>
        <section className={styles['words']} aria-live="polite">
          {isAsked && isProbe(check) ? (
            <AskProbe
              key={check.id + readings.length}
              probe={check}
              page={page}
              onAnswer={take}
              isLive={isLive}
              known={known}
              into={field}
              mayPass={isOutOfReach || (check.before !== undefined && !isOpen)}
            />
          ) : isAsked && !isProbe(check) ? (
            <AskTrial key={check.id + readings.length} trial={check} onAnswer={take} />
          ) : state.givenUp !== undefined ? (
            <h2 className={styles['title']}>
              <Mark kind="caution" word={`Given up: ${state.givenUp}. Nothing more is measured of it.`} />
            </h2>
          ) : isOpen && isReady ? (
            <h2 className={styles['title']}>
              <Mark kind="good" /> As it should be: it may be closed.
            </h2>
          ) : (
            <Verdict page={page} onNote={(text) => void page.record('note', step?.id, text)} />
          )}
          {unheard !== '' && (
            <p role="alert" className={styles['refused']}>
              <Mark kind="caution" /> “{unheard}” was typed by a device: no reading is asked now, and nothing
              became of it.
            </p>
          )}
          {SeriesChoice &&
            known &&
            !isOpen &&
            isAsked &&
            createElement(SeriesChoice, { page, known, series, onSeries: setSeries })}
          <KeptTrouble page={page} />
          {page.refused && (
            <p role="alert" className={styles['refused']}>
              <Mark kind="stop" /> {page.refused}
            </p>
          )}
        </section>
        <div className={styles['aside']}>
          {isOpen && step?.end !== undefined && !(check && isProbe(check) && touchesContacts(check)) ? (
            <EndInVice page={page} endId={step.end} />
          ) : (
            <FacesAtMeter page={page} probe={check && isProbe(check) ? check : undefined} />
          )}
          <ReadingsLater
            page={page}
            known={known}
            only={isOpen ? step?.checks : undefined}
            onAgain={isClosed || isDone ? undefined : setAgain}
          />
        </div>
      </div>
      <footer className={styles['foot']}>
        {!isClosed && !isDone && readings.length > 0 && (
          <Button onClick={() => page.record('mended', step?.id)}>Mended: measure it all again</Button>
        )}
        <p className={styles['next']}>
          {verdict.is === 'unfinished' && !isReady && readings.length > 0 ? verdict.says : ''}
        </p>
        {isReady && !isClosed && (
          <Button look="main" big onClick={finish}>
            {isDone ? 'Back to the bench' : isOpen ? 'Measured: go on' : 'Proven: go on'}
          </Button>
        )}
      </footer>
    </main>
  );
}
