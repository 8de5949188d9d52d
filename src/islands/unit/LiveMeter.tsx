import { useEffect, useRef, useState } from 'react';
import {
  follow,
  NOT_FOLLOWED,
  sayAnswer,
  sayFollowing,
  settled,
  STALE_MS,
  answerOf,
  type Answer,
  type Following,
  type Probe,
} from '../../core/proving';
import type { LiveFigure } from '../../server/meter/service';
import { Button, Mark } from '../../ui';
import { ApiProblem, ask, useKeys } from '../app';
import { windowId } from '../kept';
import styles from './Unit.module.css';

/** How long is waited after a figure, and after none, ms. */
const NEXT_MS = 80;
const AGAIN_MS = 1_000;

interface Shown {
  readonly following: Following;
  /** The newest figure, and when it came: a slow meter was at it until then. */
  readonly figure?: number;
  readonly came?: number;
  /** Why there is none now. */
  readonly trouble?: { readonly code: string; readonly says: string };
}

/** What the house's meter shows, again and again, for as long as a probe is asked. A figure that was asked for before is none of it. */
function useFigures(probe: Probe, onSettled: (figure: number) => void) {
  const [shown, setShown] = useState<Shown>({ following: NOT_FOLLOWED });
  const [round, setRound] = useState(0);
  const takeOver = useRef(false);
  const done = useRef(onSettled);
  useEffect(() => {
    done.current = onSettled;
  });
  const { mode } = probe;
  useEffect(() => {
    let isHere = true;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let following = NOT_FOLLOWED;
    const again = (ms: number): void => {
      if (isHere) timer = setTimeout(() => void measure(), ms);
    };
    const measure = async (): Promise<void> => {
      // A window that nobody looks at leaves the meter to another.
      if (document.hidden) return again(AGAIN_MS);
      const take = takeOver.current;
      takeOver.current = false;
      try {
        const { figure } = await ask<LiveFigure>('POST', '/api/meter/reading', {
          owner: windowId(),
          mode: mode ?? 'ohms',
          ...(take ? { take } : {}),
        });
        if (!isHere) return;
        const value = figure === 'OL' ? Number.POSITIVE_INFINITY : figure;
        following = follow(following, value, mode);
        setShown({ following, figure: value, came: performance.now() });
        const reading = settled(following, mode);
        if (reading !== undefined) return done.current(reading);
        again(NEXT_MS);
      } catch (error) {
        if (!isHere) return;
        // What comes after a gap is begun anew.
        following = NOT_FOLLOWED;
        const [problem] = error instanceof ApiProblem ? error.problems : [];
        setShown({ following, trouble: problem ?? { code: 'away', says: 'Antler does not answer.' } });
        again(AGAIN_MS);
      }
    };
    void measure();
    return () => {
      isHere = false;
      clearTimeout(timer);
    };
  }, [mode, round]);
  return {
    shown,
    takeOver: () => {
      takeOver.current = true;
      setRound(round + 1);
    },
  };
}

/**
 * What the meter that is plugged in shows now. It is taken by itself once it holds still; by hand, or by the pedal, whenever it is of now.
 */
export function LiveMeter({ probe, onAnswer }: { probe: Probe; onAnswer: (answer: Answer) => void }) {
  const [refused, setRefused] = useState('');
  const { shown, takeOver } = useFigures(probe, (figure) => onAnswer(answerOf(probe, figure)));
  const { figure, came, trouble, following } = shown;
  const take = (): void => {
    if (figure === undefined || came === undefined || performance.now() - came > STALE_MS)
      setRefused('There is no figure of just now: wait for the next, or type what the meter shows.');
    else onAnswer(answerOf(probe, figure));
  };
  useKeys({ ' ': take, PageDown: take });
  return (
    <section className={styles['live']} aria-label="The meter that is plugged in">
      <output className={styles['shown']} aria-live="off">
        {figure === undefined ? '–' : sayAnswer(answerOf(probe, figure))}
      </output>
      {trouble?.code === 'meter.taken' ? (
        <Button onClick={takeOver}>Take it over</Button>
      ) : (
        <Button big look="main" onClick={take}>
          Take this
        </Button>
      )}
      <p className={styles['following']} role="status">
        {refused !== '' ? (
          <>
            <Mark kind="caution" /> {refused}
          </>
        ) : trouble ? (
          <>
            <Mark kind="caution" /> {trouble.says}
          </>
        ) : (
          sayFollowing(following, probe.mode)
        )}
      </p>
    </section>
  );
}
