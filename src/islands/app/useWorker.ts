import { startTransition, useCallback, useEffect, useRef, useState, type RefObject } from 'react';
import type { Remote } from 'comlink';
import { afterPicture } from '../../ui';
import { useSettingOut } from './place';
import { signalWorker, type SignalWorker } from '../../workers';
import type { SignalWork } from '../../workers/signal.worker';

type Work<T> = (remote: Remote<SignalWork>) => Promise<T>;

/** What was asked, and what came of it. */
export interface Worked<T> {
  readonly key: string;
  readonly value: T;
}

/** Who is still there so long after setting out has not gone, ms. */
const STAYS_MS = 5_000;
/** Longer than this and it is shown that something is being worked out, ms. */
const SHOWN_AFTER = 400;

/** Once what was put is on the screen, with what is drawn after it. */
const onScreen = (): Promise<void> => new Promise((resolve) => afterPicture(() => afterPicture(resolve)));

/**
 * What a worker makes of the newest thing asked. While it works on one, only the newest of what follows waits; a slow one can
 * be stopped, and what was known before stays. `key` says what is asked: the same key is not asked twice. `had`: what came of it when it
 * was last here. It is drawn in pieces: the hand that turns goes before it.
 */
export function useWorker<T>(key: string, work: Work<T>, had?: Worked<T>) {
  const worker = useRef<SignalWorker>(undefined);
  const newest = useRef({ key: '', work });
  const running = useRef<string>(undefined);
  const [done, setDone] = useState(had);
  const [slow, setSlow] = useState(false);
  const [stopped, setStopped] = useState('');
  const [failed, setFailed] = useState<string>();

  const run = useCallback(async (): Promise<void> => {
    worker.current ??= signalWorker();
    const own = worker.current;
    while (running.current === undefined && worker.current === own) {
      const { key: now, work: with_ } = newest.current;
      running.current = now;
      const timer = setTimeout(() => setSlow(true), SHOWN_AFTER);
      try {
        const value = await own.ask(with_);
        if (worker.current !== own) return;
        startTransition(() => {
          setDone({ key: now, value });
          setFailed(undefined);
        });
      } catch (error) {
        if (worker.current !== own) return;
        setDone(undefined);
        setFailed(error instanceof Error ? error.message : 'That could not be worked out.');
      } finally {
        clearTimeout(timer);
        if (worker.current === own) {
          setSlow(false);
          running.current = undefined;
        }
      }
      if (newest.current.key === now) return;
      // What came of it is drawn first: drawing and working at the same time hold each other up, and the hand.
      running.current = now;
      await onScreen();
      if (worker.current !== own) return;
      running.current = undefined;
      // Turned back meanwhile.
      if (newest.current.key === now) return;
    }
  }, []);

  useEffect(() => {
    newest.current = { key, work };
    if (running.current !== key && done?.key !== key) void run();
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the key stands for the work
  }, [key, run]);

  const drop = useCallback((): void => {
    worker.current?.drop();
    worker.current = undefined;
    running.current = undefined;
    setSlow(false);
  }, []);
  const stop = (): void => {
    drop();
    setStopped(newest.current.key);
  };
  useLeaving(worker, running, drop, run);

  return {
    value: done?.value,
    /** Whether what is shown is of what is asked now. */
    current: done?.key === key,
    slow,
    stopped: stopped === key && done?.key !== key,
    failed,
    stop,
    again: (): void => {
      setStopped('');
      void run();
    },
  };
}

/** Whoever goes elsewhere is not to wait for what nobody will see; where the place stays after all it is worked out then. */
function useLeaving(
  worker: RefObject<SignalWorker | undefined>,
  running: RefObject<string | undefined>,
  drop: () => void,
  run: () => Promise<void>,
): void {
  const stays = useRef<ReturnType<typeof setTimeout>>(undefined);
  useSettingOut(() => {
    if (running.current === undefined) return;
    drop();
    stays.current = setTimeout(() => void run(), STAYS_MS);
  });
  useEffect(
    () => () => {
      clearTimeout(stays.current);
      if (running.current === undefined) worker.current?.rest();
      else worker.current?.drop();
      worker.current = undefined;
    },
    [running, worker],
  );
}
