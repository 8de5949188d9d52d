import { useCallback, useEffect, useRef, useState } from 'react';
import type { Remote } from 'comlink';
import { signalWorker, type SignalWorker } from '../../workers';
import type { SignalWork } from '../../workers/signal.worker';

type Work<T> = (remote: Remote<SignalWork>) => Promise<T>;

/** Longer than this and it is shown that something is being worked out, ms. */
const SHOWN_AFTER = 400;

/**
 * What a worker makes of the newest thing asked. While it works on one, only the newest of what follows waits; a slow one can
 * be stopped, and what was known before stays. `key` says what is asked: the same key is not asked twice.
 */
export function useWorker<T>(key: string, work: Work<T>) {
  const worker = useRef<SignalWorker>(undefined);
  const newest = useRef({ key: '', work });
  const running = useRef<string>(undefined);
  const [done, setDone] = useState<{ readonly key: string; readonly value: T }>();
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
        setDone({ key: now, value });
        setFailed(undefined);
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
    }
  }, []);

  useEffect(() => {
    newest.current = { key, work };
    if (running.current !== key) void run();
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the key stands for the work
  }, [key, run]);

  const stop = useCallback((): void => {
    worker.current?.drop();
    worker.current = undefined;
    running.current = undefined;
    setSlow(false);
    setStopped(newest.current.key);
  }, []);
  useEffect(
    () => () => {
      worker.current?.drop();
      worker.current = undefined;
      running.current = undefined;
    },
    [],
  );

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
