import { useEffect, useState } from 'react';
import type { Operation } from '../../core/bench';
import { sayTimeLeft, slowSteps, timeLeft, unitNumber, type StepPace } from '../../core/kit';
import { capital } from '../../core/quantity';
import { saySeconds, useGot, useStored } from '../app';
import { Button } from '../../ui';
import styles from './Unit.module.css';
import type { WorkedTogether } from './useTogether';
import type { UnitOnPage } from './useUnit';

export interface AtBenchProps {
  readonly page: Pick<UnitOnPage, 'unit' | 'operations' | 'state'>;
  readonly together: WorkedTogether;
  readonly current: Operation | undefined;
}

/** What goes on beside the step: how long is left, what lies on the bench beside it, reading aloud, and the screen that stays on. */
export function AtBench({ page, together, current }: AtBenchProps) {
  const isOpen = !page.state.logged && page.state.givenUp === undefined;
  return (
    <section aria-label="At the bench" className={styles['beside']}>
      <div className={styles['asides']}>
        <Pace page={page} isOpen={isOpen} isOneOf={together.all !== undefined} />
        {isOpen && <Aloud current={current} />}
        {isOpen && <Awake />}
      </div>
      {together.all && isOpen && <Others page={page} together={together} />}
    </section>
  );
}

/** How long is left, and when it is done; after it, what took longer than it usually does. */
function Pace({
  page,
  isOpen,
  isOneOf,
}: Pick<AtBenchProps, 'page'> & { readonly isOpen: boolean; readonly isOneOf: boolean }) {
  const { unit, operations, state } = page;
  const { data } = useGot<{ readonly steps: Readonly<Record<string, StepPace>> }>(
    `/api/units/${unit.id}/pace`,
  );
  const now = useMinute();
  if (!data) return null;
  if (!isOpen || state.current === undefined) {
    const slow = slowSteps(operations, state.seconds, data.steps);
    return slow.length === 0 ? null : (
      <details>
        <summary>
          {slow.length === 1
            ? 'One step took longer than usual'
            : `${slow.length} steps took longer than usual`}
        </summary>
        <ul>
          {slow.map(({ step, seconds, usually }) => (
            <li key={step.id}>
              {step.title}: {saySeconds(seconds)}, usually {saySeconds(usually)}
            </li>
          ))}
        </ul>
      </details>
    );
  }
  const left = timeLeft(operations, state.done, data.steps);
  const says = sayTimeLeft(left);
  if (says === undefined) return null;
  const own = operations.filter(({ id }) => data.steps[id]?.of === 'builder').length;
  const timed = operations.filter(({ id }) => data.steps[id]).length;
  return (
    <p role="status">
      {isOneOf ? `Of this one, ${says}` : capital(says)}
      {now !== undefined &&
        left.untimed === 0 &&
        !isOneOf &&
        `: done about ${clock(now + left.seconds * 1000)}`}
      .{' '}
      <small>
        {own === 0
          ? 'By the times of the house.'
          : `By ${unit.builder}’s own times${own < timed ? ', else by those of the house' : ''}.`}
      </small>
    </p>
  );
}

const clock = (ms: number): string =>
  new Date(ms).toLocaleTimeString(undefined, { hour: '2-digit', minute: '2-digit' });

/** The time, looked at twice a minute; nothing where it has not been looked at yet. */
function useMinute(): number | undefined {
  const [now, setNow] = useState<number>();
  useEffect(() => {
    const look = (): void => setNow(Date.now());
    const [first, timer] = [setTimeout(look, 0), setInterval(look, 30_000)];
    return () => {
      clearTimeout(first);
      clearInterval(timer);
    };
  }, []);
  return now;
}

/** Those that are on the bench with it, and whether they are worked together. */
function Others({ page: { unit, operations }, together }: Pick<AtBenchProps, 'page' | 'together'>) {
  const { all, isOn, turn } = together;
  if (!all?.batch) return null;
  const { units, batch, timed = 0 } = all;
  const minutes = Math.round(batch.savesSeconds / 60);
  return (
    <div className={styles['others']}>
      <Button onClick={() => turn(!isOn)}>
        {isOn ? 'One after the other' : `Work the ${units.length} on the bench together`}
      </Button>
      <ul>
        {units.map(({ id, number, done }) => (
          <li key={id}>
            {id === unit.id ? (
              <b aria-current="true">No. {unitNumber(number)}</b>
            ) : (
              <a href={`/unit/${id}/bench`}>
                No. {unitNumber(number)}, {done.length} of {operations.length}
              </a>
            )}
          </li>
        ))}
      </ul>
      <p>
        Tools are taken up {batch.changes} times instead of {batch.oneByOne.changes}
        {minutes > 0 && `; about ${minutes} min less of setting up and waiting`} (
        {timed > 0 ? 'by the house’s own times where it has them' : 'from memory'}).
      </p>
    </div>
  );
}

/** The voices that are on this device: one that is fetched from elsewhere is never used. */
function useVoice(): SpeechSynthesisVoice | undefined {
  const [voice, setVoice] = useState<SpeechSynthesisVoice>();
  useEffect(() => {
    if (!('speechSynthesis' in globalThis)) return;
    const look = (): void => {
      const own = speechSynthesis.getVoices().filter(({ localService }) => localService);
      setVoice(own.find(({ lang }) => lang.startsWith('en')) ?? own[0]);
    };
    const first = setTimeout(look, 0);
    speechSynthesis.addEventListener?.('voiceschanged', look);
    return () => {
      clearTimeout(first);
      speechSynthesis.removeEventListener?.('voiceschanged', look);
    };
  }, []);
  return voice;
}

/** Each step read aloud as it comes, where that is wanted and the device has a voice of its own. */
function Aloud({ current }: Pick<AtBenchProps, 'current'>) {
  const voice = useVoice();
  const [isOn, keepOn] = useStored('aloud', false);
  const words = current && [current.caution, current.title, ...current.detail].filter(Boolean).join('. ');
  useEffect(() => {
    if (!isOn || !voice || words === undefined) return;
    const said = new SpeechSynthesisUtterance(words);
    said.voice = voice;
    speechSynthesis.cancel();
    speechSynthesis.speak(said);
    return () => speechSynthesis.cancel();
  }, [isOn, voice, words]);
  if (!voice) return null;
  return (
    <label>
      <input type="checkbox" checked={isOn} onChange={({ target }) => keepOn(() => target.checked)} /> Read
      each step aloud
    </label>
  );
}

/** The screen stays on while the bench is open, where the browser can; it is asked for again when one comes back to the page. */
function Awake() {
  const [isHeld, setHeld] = useState(false);
  useEffect(() => {
    let lock: WakeLockSentinel | undefined;
    let isGone = false;
    const hold = async (): Promise<void> => {
      if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
      try {
        lock = await navigator.wakeLock.request('screen');
        if (isGone) return void lock.release();
        setHeld(true);
        lock.addEventListener('release', () => !isGone && setHeld(false));
      } catch {
        // A battery that is low, or a page that may not: the screen does as it always does.
      }
    };
    const look = (): void => void hold();
    look();
    document.addEventListener('visibilitychange', look);
    return () => {
      isGone = true;
      document.removeEventListener('visibilitychange', look);
      void lock?.release();
    };
  }, []);
  return isHeld ? <small>The screen stays on while this page is open.</small> : null;
}
